# Tells who listens of a happening, or of whatever was left untold.
class TellJob < ActiveJob::Base
  queue_as :now

  # @param happening_id [Integer, nil]
  def perform(happening_id = nil)
    PendingTelling.tell(happening_id ? PendingTelling.where(happening_id: happening_id) : PendingTelling.all)
  end
end
