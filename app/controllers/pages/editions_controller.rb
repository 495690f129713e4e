class Pages::EditionsController < ApplicationController
  include OnPage

  door :seen, signed_out: true

  PER_PAGE = 50

  def index
    @pagy, @editions = pagy(@page.editions.newest_first.includes(:author), limit: PER_PAGE)
    @credits = viewer.signed_in? ? Remark.where(edition: @editions).includes(:author).group_by(&:edition_id).transform_values { |taken| taken.filter_map(&:author).uniq.map(&:name) } : {}
    @approved = viewer.signed_in? ? Review.where(edition: @editions).includes(approvals: :person).to_h { |review| [ review.edition_id, review.approvals.map(&:person).select { |person| viewer.meets?(person) }.map(&:name) ] } : {}
    @joined = Page.joined_read_by(viewer).where(public_id: Forwarding.of_pages.where(page: @page).select(:from_page)).order(:title)
  end

  def show
    @edition = @page.editions.find_by!(number: params[:id])
    @shown = ShownDocument.new(@edition, page: @page, viewer: viewer)
  end

  private

  # Of a page that came into another the editions are looked at as before.
  def find_page
    super
  rescue ActiveRecord::RecordNotFound
    @page = Page.joined_read_by(viewer).at_address(params[:page_id])
    @room = @page.room
  end
end
