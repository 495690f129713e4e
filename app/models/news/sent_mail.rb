# A mail of the house: kept first, then sent, and tried again while the server cannot be reached. It is shown to administrators
# without the secret of its link, since office must not be a way into other people's sign-ins; the secret is let go of once
# the mail has left. In a demo house, whose mails go nowhere, each made-up person has a mailbox that shows their own whole.
class SentMail < ApplicationRecord
  # Stands in the kept text for a link's secret.
  SECRET = "\u2026"
  HELD = 5.minutes
  MOST = 12 # tries, over about two days

  serialize :tellings, coder: JSON, type: Array
  serialize :headers, coder: JSON, type: Hash

  after_create_commit { SendMailJob.perform_later(id) if waiting? }

  scope :newest_first, -> { order(id: :desc) }

  # @param waiting [Boolean] whether it is to leave the machine
  # @param tellings [Array<Integer>, nil] ids of what it tells
  # @param headers [Hash{String=>String}, nil]
  def self.keep(recipient:, subject:, body:, secret:, waiting: false, tellings: nil, headers: nil)
    body, headers = body.gsub(secret, SECRET), headers&.transform_values { |value| value.gsub(secret, SECRET) } if secret.present?
    create!(recipient: recipient, subject: subject, body: body, tellings: tellings || [], headers: headers || {}, secret: (secret if waiting || House.current&.demo?), waiting: waiting, due_at: (Time.current if waiting))
  end

  # @param mails [ActiveRecord::Relation<SentMail>]
  def self.send_waiting(mails = all, now: Time.current)
    server = KeptPost.server or return
    mails.where(waiting: true, due_at: ..now).order(:id).each { |mail| mail.send_by(server, now: now) }
  end

  # @param server [#deliver!]
  def send_by(server, now: Time.current)
    return unless self.class.where(id: id, due_at: due_at, waiting: true).update_all(due_at: now + HELD, tries: tries + 1) == 1

    return unless Letter.still_told?(self)

    server.deliver!(message)
    self.class.where(id: id).update_all(waiting: false, delivered: true, secret: nil)
  rescue StandardError => e
    Rails.error.report(e, handled: true)
    left = tries + 1 >= MOST ? { waiting: false, secret: nil } : { due_at: now + HELD + (2**tries).minutes }
    self.class.where(id: id).update_all(left)
  end

  # It is sent no more: what it told has been closed.
  def let_go
    self.class.where(id: id).update_all(waiting: false, secret: nil)
  end

  # @return [String] as its recipient has it
  def whole
    secret ? body.gsub(SECRET, secret) : body
  end

  def readonly?
    persisted?
  end

  private

  def message
    Mail.new(from: ENV.fetch("HOUSE_MAIL", "house@localhost"), to: recipient, subject: subject, body: whole, content_type: "text/plain; charset=UTF-8").tap do |mail|
      headers.each { |name, value| mail[name] = secret ? value.gsub(SECRET, secret) : value }
    end
  end
end
