# What waits to be looked over: by the viewer first, the longest first, then what they asked for themselves.
class ReviewsController < ApplicationController
  MOST_ASKED = 50 # of one's own that are told

  door :somebody

  def index
    open = Review.open_still.includes(:asker, page: %i[room draft]).order(:asked_at, :id)
    @pagy, @waiting = pagy(open.where(page_id: viewer.reviewed_ids), limit: 40)
    @asked = open.where(asker: viewer.person).limit(MOST_ASKED).select { |review| viewer.sight_of(review.page) == :draft }
  end
end
