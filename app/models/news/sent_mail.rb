# A mail that the house has sent: kept, and shown to administrators without the secrets in its links, since office must not
# be a way into other people's sign-ins. In a demo house, whose mails go nowhere, each made-up person has a mailbox that
# shows their own whole.
class SentMail < ApplicationRecord
  # Stands in the kept text for a link's secret.
  SECRET = "\u2026"

  scope :newest_first, -> { order(id: :desc) }

  def self.keep(recipient:, subject:, body:, secret:, delivered:)
    body = body.gsub(secret, SECRET) if secret.present?
    create!(recipient: recipient, subject: subject, body: body, secret: (secret if House.current&.demo? && !delivered), delivered: delivered)
  end

  # @return [String] as its recipient has it; for the mailbox of a demo house
  def whole
    secret ? body.gsub(SECRET, secret) : body
  end

  def readonly?
    persisted?
  end
end
