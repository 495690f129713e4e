# Removes what files that never came to be have left behind.
class SweepLeftoversJob < ActiveJob::Base
  queue_as :long

  def perform
    Leftovers.sweep
  end
end
