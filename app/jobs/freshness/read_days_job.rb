# Reads texts for the days that they name.
class ReadDaysJob < ActiveJob::Base
  queue_as :long

  def perform
    TextDate.catch_up
  end
end
