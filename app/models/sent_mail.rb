# A mail that the house has sent: kept, and shown to administrators. Where no real delivery is set up, this is where it
# ends, and somebody can read it to its recipient.
class SentMail < ApplicationRecord
  # Stands in the kept text for a link's secret, which is shown only where the mail went nowhere else.
  SECRET = "\u2026"

  scope :newest_first, -> { order(id: :desc) }

  def self.keep(recipient:, subject:, body:, secret:, delivered:)
    body = body.gsub(secret, SECRET) if secret.present?
    create!(recipient: recipient, subject: subject, body: body, secret: (secret unless delivered), delivered: delivered)
  end

  # @return [String]
  def text
    secret ? body.gsub(SECRET, secret) : body
  end

  def readonly?
    persisted?
  end
end
