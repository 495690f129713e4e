# Sends what is to be told by mail by now.
class SendLettersJob < ActiveJob::Base
  queue_as :now

  def perform(now: Time.current)
    Letter.send_due(now: now)
  end
end
