require_relative "boot"

require "rails"
require "active_model/railtie"
require "active_job/railtie"
require "active_record/railtie"
require "action_controller/railtie"
require "action_view/railtie"
require "rails/test_unit/railtie"

Bundler.require(*Rails.groups)

module Zuhause
  class Application < Rails::Application
    config.load_defaults 7.2
    config.autoload_lib(ignore: %w[assets tasks])

    config.active_record.schema_format = :sql # full-text tables do not fit schema.rb
    # What was sent is left behind: it may be the very thing that could not be read.
    config.exceptions_app = lambda do |env|
      routes.call(env.except("CONTENT_TYPE", "CONTENT_LENGTH").merge("rack.input" => StringIO.new))
    end
    config.action_view.field_error_proc = ->(tag, _instance) { tag }
    config.i18n.raise_on_missing_translations = Rails.env.local?
    config.generators.system_tests = nil
  end
end
