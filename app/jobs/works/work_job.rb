# Does a piece of long work, or takes up what was left of any.
class WorkJob < ActiveJob::Base
  queue_as :long
  queue_with_priority(-10) # people wait for it, and for nothing else in that queue

  # @param id [Integer, nil]
  def perform(id = nil)
    return Work.find_by(id: id)&.run if id

    Work.left(Time.current).order(:id).each(&:run)
    Work.untold(Time.current).order(:id).each(&:tell)
  end
end
