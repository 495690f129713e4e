require "test_helper"
require "minitest/mock"

# The write lock was not to be had in time.
class BusyTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ana = person("Ana Berg")
    @room = new_room("On Board", keeper: @ana, open: true)
    @page = new_page("Drills", above: @room, by: @ana)
    sign_in(@ana)
    get "/"
  end

  test "whoever could not write is told so, and when to try again" do
    locked { patch "/p/#{@page.to_param}/title", params: { page: { title: "Exercises" } } }
    assert_response :service_unavailable
    assert_equal "5", response.headers["Retry-After"]
    assert_select "h1", "The house is busy"
    assert_equal "Drills", @page.reload.title
  end

  test "a program is told in its own form" do
    locked { patch "/p/#{@page.to_param}/title", params: { page: { title: "Exercises" } }, as: :json }
    assert_response :service_unavailable
    assert_equal "The house is busy", response.parsed_body["error"]
  end

  test "any other fault of the database is no matter of waiting" do
    assert_raises(ActiveRecord::StatementInvalid) { failing("no such table") { patch "/p/#{@page.to_param}/title", params: { page: { title: "Exercises" } } } }
  end

  private

  def locked(&block)
    failing(SQLite3::BusyException.new("database is locked"), &block)
  end

  # Renaming fails as the adapter tells it.
  def failing(cause, &block)
    fault = lambda do |*, **|
      raise cause
    rescue StandardError
      raise ActiveRecord::StatementInvalid, "it failed"
    end
    Happening.stub(:write, fault, &block)
  end
end
