Rails.application.configure do
  config.enable_reloading = false
  config.eager_load = true
  config.consider_all_requests_local = false
  config.action_controller.perform_caching = true
  config.cache_store = :solid_cache_store
  config.active_job.queue_adapter = :solid_queue
  config.solid_queue.connects_to = { database: { writing: :queue } }
  config.active_storage.service = :disk
  config.public_file_server.headers = { "cache-control" => "public, max-age=31536000, immutable" }

  # The house makes its secret itself, and keeps it beside its database, unless it is given one.
  config.secret_key_base = ENV["SECRET_KEY_BASE"].presence || begin
    file = Rails.root.join(ENV.fetch("HOUSE_FOLDER", "storage"), "#{Rails.env}_secret")
    file.dirname.mkpath
    file.write(SecureRandom.hex(64), perm: 0o600) unless file.exist?
    file.read
  end

  # Only requests for the house's own address are answered, so that redirects lead nowhere else.
  config.hosts = [ URI(ENV["HOUSE_URL"]).host ] if ENV["HOUSE_URL"].present?
  config.host_authorization = { exclude: ->(request) { request.path == "/up" } }

  # The server stands behind whatever ends TLS; PLAIN_HTTP=1 is for a machine that serves only itself.
  config.assume_ssl = ENV["PLAIN_HTTP"].blank?
  config.force_ssl = ENV["PLAIN_HTTP"].blank?

  config.logger = ActiveSupport::TaggedLogging.new(ActiveSupport::Logger.new($stdout))
  config.log_tags = [ :request_id ]
  config.log_level = ENV.fetch("RAILS_LOG_LEVEL", "info")
  config.active_support.report_deprecations = false
  config.active_record.dump_schema_after_migration = false
  config.active_record.attributes_for_inspect = [ :id ]
end
