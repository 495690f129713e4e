require_relative "boot"

require "rails"
require "active_model/railtie"
require "active_job/railtie"
require "active_record/railtie"
require "active_storage/engine"
require "action_controller/railtie"
require "action_mailer/railtie"
require "action_view/railtie"
require "rails/test_unit/railtie" if %w[development test].include?(Rails.env)

require_relative "../lib/well_formed"

Bundler.require(*Rails.groups)

File.umask(0o077) # what the house keeps is its owner's alone

module Zuhause
  class Application < Rails::Application
    config.load_defaults 7.2
    config.autoload_lib(ignore: %w[active_storage assets reading tasks well_formed.rb])
    # Models and jobs lie in folders by subject, which are no namespaces: docs/architecture.md has the map.
    config.x.gives_way = true # work in the background leaves the database to people in between
    config.x.apart = true # what a page view leaves to be written is written apart from it
    Rails.autoloaders.main.collapse(%w[models jobs].map { |kind| root.join("app", kind, "*") })

    # Files reach people through our own controllers, which ask at each request who may have them.
    config.active_storage.draw_routes = false
    config.active_storage.variant_processor = :vips
    config.active_storage.analyzers = []
    config.active_storage.previewers = []

    # Where the house is reached, for the addresses in its mails: never what a request claims.
    house_url = URI(ENV.fetch("HOUSE_URL") { "http://localhost:#{ENV.fetch("PORT", "3000")}" })
    config.action_mailer.default_url_options = { host: house_url.host, port: house_url.port, protocol: house_url.scheme }
    config.action_mailer.delivery_method = :kept_post

    # Where a request comes from is believed of the proxies that are named, and of nobody else.
    proxies = ENV.fetch("TRUSTED_PROXIES", "").split(/[\s,]+/).map { |address| IPAddr.new(address) }
    config.action_dispatch.trusted_proxies = proxies.presence || [ IPAddr.new("255.255.255.255") ]

    config.active_record.schema_format = :sql # full-text tables do not fit schema.rb
    # What was sent is left behind: it may be the very thing that could not be read.
    config.exceptions_app = lambda do |env|
      routes.call(WellFormed.bare(env).merge("QUERY_STRING" => ""))
    end
    config.middleware.insert_before Rack::MethodOverride, WellFormed, "_zuhause_session"
    config.middleware.use WellFormed::Refusal
    config.action_dispatch.rescue_responses["WellFormed::TooLarge"] = :content_too_large
    config.action_view.field_error_proc = ->(tag, _instance) { tag }
    config.i18n.load_path += root.glob("config/locales/*/*.yml")
    config.i18n.available_locales = %i[en en-US]
    config.i18n.fallbacks = { "en-US": :en }
    config.i18n.raise_on_missing_translations = Rails.env.local?
    config.generators.system_tests = nil

    server { Companions.mend }
  end
end
