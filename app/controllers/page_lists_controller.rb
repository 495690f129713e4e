# All pages of the house or of a room, as a list.
class PageListsController < ApplicationController
  door :somebody

  def index
    @room = Room.seen_by(viewer).find_by!(public_id: params[:room_id]) if params[:room_id]
    @list = PageList.new(viewer, room: @room, filter: params[:of], sort: params[:by])
    @pagy, @pages = pagy(@list.pages.includes(:room, :edition, :draft, :tags), limit: PageList::PER_PAGE)
  end
end
