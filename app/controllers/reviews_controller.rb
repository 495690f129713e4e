# What waits to be looked over: by the viewer first, then what they asked for themselves.
class ReviewsController < ApplicationController
  door :somebody

  def index
    open = Review.open_still.includes(:asker, page: :room).order(:asked_at, :id)
    @waiting = open.where(page_id: viewer.reviewed_ids).to_a
    @asked = open.where(asker: viewer.person, page: Page.drafts_seen_by(viewer)).to_a
  end
end
