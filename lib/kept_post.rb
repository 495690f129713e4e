# How the house delivers mail: every mail is kept first. It leaves the machine only if SMTP_HOST is set; a job sends it then,
# and tries again while the server cannot be reached.
class KeptPost
  # Headers that a mail leaves with.
  STAYING = %w[List-Unsubscribe List-Unsubscribe-Post].freeze

  attr_accessor :settings

  # @return [#deliver!, nil] what takes mails away; nil where they are only kept
  def self.server
    return unless ENV["SMTP_HOST"].present?

    Mail::SMTP.new({ address: ENV["SMTP_HOST"], port: ENV.fetch("SMTP_PORT", "587").to_i, user_name: ENV["SMTP_USER"], password: ENV["SMTP_PASSWORD"], enable_starttls_auto: true }.compact)
  end

  def initialize(settings)
    @settings = settings
  end

  # @param mail [Mail::Message]
  def deliver!(mail)
    secret = mail["X-Secret"]&.value
    SentMail.keep(recipient: mail.to.first, subject: mail.subject, body: mail.body.decoded.force_encoding("UTF-8"), secret: secret, waiting: !self.class.server.nil?,
                  tellings: mail["X-Tellings"]&.value&.split(",")&.map(&:to_i), headers: STAYING.to_h { |name| [ name, mail[name]&.value ] }.compact.presence)
  end
end
