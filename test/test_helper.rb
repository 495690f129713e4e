ENV["RAILS_ENV"] ||= "test"
require_relative "../config/environment"
require "rails/test_help"

Rails.root.glob("test/support/**/*.rb").sort.each { |file| require file }

class ActiveSupport::TestCase
  include HouseBuilding
end
