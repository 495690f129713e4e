# Forgets what was brought in and never made a page of.
class ForgetArrivalsJob < ActiveJob::Base
  queue_as :long

  def perform
    Arrival.stale.find_each(&:destroy!)
  end
end
