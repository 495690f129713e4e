class Pages::EditionsController < ApplicationController
  include OnPage

  door :seen, signed_out: true

  PER_PAGE = 50

  def index
    @pagy, @editions = pagy(@page.editions.newest_first.includes(:author), limit: PER_PAGE)
  end

  def show
    @edition = @page.editions.find_by!(number: params[:id])
    @shown = ShownDocument.new(@edition, page: @page, viewer: viewer)
  end
end
