# What waits to be looked over.
class ReviewsController < ApplicationController
  door :somebody

  def index
    @queue = ReviewQueue.new(viewer)
    @pagy = paged(@queue.count, limit: 40)
    @waiting = @queue.waiting(offset: @pagy.offset, limit: 40)
  end
end
