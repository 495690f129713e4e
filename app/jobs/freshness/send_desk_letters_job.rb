# Sends the weekly letters of the maintenance desk that are due.
class SendDeskLettersJob < ActiveJob::Base
  queue_as :now

  def perform
    DeskLetter.send_due
  end
end
