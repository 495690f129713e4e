Rails.application.configure do
  config.enable_reloading = false
  config.eager_load = ENV["CI"].present?
  config.public_file_server.headers = { "cache-control" => "public, max-age=3600" }
  config.consider_all_requests_local = false
  config.active_job.queue_adapter = :inline
  config.log_level = ENV.fetch("LOG_LEVEL", "warn").to_sym # what is written costs a quarter of the time
  config.cache_store = :memory_store
  config.assets.manifest_path = Rails.root.join("tmp/no-manifest.json") # what is built now, not what a demo laid out
  config.active_storage.service = :test
  config.action_dispatch.show_exceptions = :rescuable
  config.action_controller.allow_forgery_protection = ENV["SEPARATE_SERVER"].present?
  config.active_support.deprecation = :raise
  config.action_controller.raise_on_missing_callback_actions = true
  config.action_view.annotate_rendered_view_with_filenames = false
  config.x.gives_way = false
  config.x.apart = false # readings are written at once
  config.x.pace = 0.2 # what screens wait for before they save, look or tell
end
