# Tells of access that is about to end, or has.
class EndingAccessJob < ActiveJob::Base
  queue_as :long

  def perform
    EndingAccess.new.run
  end
end
