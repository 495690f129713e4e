# Sends a mail that is kept, or whatever mails were left.
class SendMailJob < ActiveJob::Base
  queue_as :now

  # @param id [Integer, nil]
  def perform(id = nil)
    SentMail.send_waiting(id ? SentMail.where(id: id) : SentMail.all)
  end
end
