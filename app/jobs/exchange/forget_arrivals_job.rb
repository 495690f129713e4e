# Forgets what was brought in and never made a page of.
class ForgetArrivalsJob < ActiveJob::Base
  def perform
    Arrival.stale.find_each(&:destroy!)
  end
end
