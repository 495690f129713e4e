# What one has been told.
class NewsController < ApplicationController
  door :somebody

  PER_PAGE = 20

  def index
    @news = NewsList.new(viewer, show: params[:show])
    @pagy = paged(@news.count, limit: PER_PAGE)
    @groups = @news.groups(limit: @pagy.limit, offset: @pagy.offset)
  end

  # Marks it as looked at: what was told of one place, or all that is listed.
  def update
    NewsList.new(viewer, show: params[:show]).look_at(place)
    redirect_to news_index_path(show: params[:show].presence), status: :see_other
  end

  private

  # @return [Page, Room, nil] nil for all of them
  def place
    return if params[:place].blank?

    Page.seen_by(viewer).find_by(public_id: params[:place]) || Room.seen_by(viewer).find_by!(public_id: params[:place])
  end
end
