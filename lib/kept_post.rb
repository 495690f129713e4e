# How the house delivers mail: every mail is kept, and goes out by SMTP only if SMTP_HOST is set.
class KeptPost
  attr_accessor :settings

  def initialize(settings)
    @settings = settings
  end

  # @param mail [Mail::Message]
  def deliver!(mail)
    secret = mail["X-Secret"]&.value
    mail["X-Secret"] = nil
    Mail::SMTP.new(smtp).deliver!(mail) if smtp
    SentMail.keep(recipient: mail.to.first, subject: mail.subject, body: mail.body.decoded.force_encoding("UTF-8"), secret: secret, delivered: !smtp.nil?)
  end

  private

  def smtp
    return unless ENV["SMTP_HOST"].present?

    { address: ENV["SMTP_HOST"], port: ENV.fetch("SMTP_PORT", "587").to_i, user_name: ENV["SMTP_USER"], password: ENV["SMTP_PASSWORD"], enable_starttls_auto: true }.compact
  end
end
