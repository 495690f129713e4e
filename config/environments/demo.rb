# The demo house: as in production, with a database of its own, served to this machine alone.
require_relative "production"

Rails.application.configure do
  config.assume_ssl = false
  config.force_ssl = false
  config.log_level = ENV.fetch("RAILS_LOG_LEVEL", "warn")
end
