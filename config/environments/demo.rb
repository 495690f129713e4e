# The demo house: as in production, with a database of its own, served to this machine alone.
require_relative "production"

Rails.application.configure do
  config.assume_ssl = false
  config.force_ssl = false
  config.secret_key_base = ENV["SECRET_KEY_BASE"] || begin
    file = Rails.root.join("storage/demo_secret")
    file.write(SecureRandom.hex(64)) unless file.exist?
    file.read
  end
  config.log_level = ENV.fetch("RAILS_LOG_LEVEL", "warn")
end
