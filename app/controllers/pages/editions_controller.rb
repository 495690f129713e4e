class Pages::EditionsController < ApplicationController
  include OnPage, Pagy::Backend

  door :seen, signed_out: true

  PER_PAGE = 50

  def index
    @pagy, @editions = pagy(@page.editions.newest_first.includes(:author), limit: PER_PAGE)
  rescue Pagy::OverflowError
    raise ActiveRecord::RecordNotFound
  end

  def show
    @edition = @page.editions.find_by!(number: params[:id])
    @shown = ShownDocument.new(@edition, page: @page, viewer: viewer)
  end
end
