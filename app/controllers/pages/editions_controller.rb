class Pages::EditionsController < ApplicationController
  include OnPage

  door :seen, signed_out: true

  PER_PAGE = 50

  def index
    @list = EditionList.new(@page, viewer, params)
    return to_day if params[:on].present?

    @pagy, @editions = pagy(@list.editions, limit: PER_PAGE)
    respond_to do |format|
      format.html do
        @told = @list.told(@editions.to_a)
        @joined = Page.joined_read_by(viewer).where(public_id: Forwarding.of_pages.where(page: @page).select(:from_page)).order(:title)
      end
      format.atom { render "feeds/page", locals: { page: @page, editions: @page.editions.standing.newest_first.includes(:author).limit(PER_PAGE), reader: viewer } }
    end
  end

  def show
    @edition = @page.editions_seen_by(viewer).includes(:retraction).find_by!(number: params[:id])
    @shown = ShownDocument.new(@edition, page: @page, viewer: viewer)
  end

  private

  # The page as it was on a day.
  def to_day
    edition = @list.on(params[:on])
    return redirect_to(page_edition_path(@page, edition), status: :see_other) if edition

    redirect_to page_editions_path(@page), status: :see_other, alert: t(".none_then")
  end

  # Of a page that came into another the editions are looked at as before.
  def find_page
    super
  rescue ActiveRecord::RecordNotFound
    @page = Page.joined_read_by(viewer).at_address(params[:page_id])
    @room = @page.room
  end
end
