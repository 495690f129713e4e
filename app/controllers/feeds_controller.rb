# Feeds at private addresses, for programs that cannot sign in: what whoever owns the address may read now.
class FeedsController < ApplicationController
  door :anybody

  # The history of a page.
  def show
    reader = FeedKey.viewer(params[:token]) or raise ActiveRecord::RecordNotFound
    page = Page.read_by(reader).at_address(params[:page_id])
    editions = page.editions.standing.newest_first.includes(:author).limit(Pages::EditionsController::PER_PAGE)
    render "feeds/page", formats: :atom, locals: { page: page, editions: editions, reader: reader }
  end
end
