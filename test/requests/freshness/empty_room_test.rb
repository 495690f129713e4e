require "test_helper"

# A room in which nothing has been published yet.
class EmptyRoomTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ida = person("Ida Karlow")
    @room = new_room("On Board", keeper: @ida)
    sign_in @ida
  end

  test "its health, its desk and its lists say that nothing is there" do
    get "/rooms/#{@room.public_id}/health"
    assert_response :success
    assert_select ".empty"
    get "/desk", params: { room: @room.public_id }
    assert_response :success
    Desk::LISTS.each do |list|
      get "/desk/lists/#{list}", params: { room: @room.public_id }
      assert_response :success, list
      assert_select ".empty", 1, list
    end
  end
end
