# Publishes what was set for a time that has come.
class PublishDueJob < ActiveJob::Base
  queue_as :now

  def perform
    TimedPublication.carry_out
  end
end
