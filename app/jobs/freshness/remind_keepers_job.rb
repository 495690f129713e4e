# Tells who keeps pages which of them are to be checked.
class RemindKeepersJob < ActiveJob::Base
  queue_as :long

  def perform
    Reminding.run
  end
end
