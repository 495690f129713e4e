require "test_helper"

# An address that gives members who open it a level up to a last day.
class CirclesTest < ActionDispatch::IntegrationTest
  include Devise::Test::IntegrationHelpers

  setup do
    @ana, @ben, @cy = person("Ana Berg"), person("Ben Holt"), person("Cy Moor", role: "guest")
    @room = new_room("On Board", keeper: @ana)
    @page = new_page("Gangway", above: @room, by: @ana)
    sign_in @ana
    post "/p/#{@page.to_param}/circles", params: { level: "comment", ends_on: (Date.current + 3).iso8601 }
    @address = URI(flash[:circle]).path
  end

  test "a member who opens it gets the level up to the last day, once" do
    sign_in @ben
    get @address
    assert_select ".lead", text: /Ana Berg gives whoever has this address “may comment” on Gangway/
    assert_equal :none, Viewer.new(@ben).level_on(@page.reload)
    2.times { patch @address }
    assert_redirected_to "/p/#{@page.to_param}"
    assert_equal [ :comment, 1, [ Date.current + 3 ] ], [ Viewer.new(@ben).level_on(@page.reload), Circle.last.opened, @page.access_grants.pluck(:ends_on) ]
    travel(4.days) { assert_equal :none, Viewer.new(@ben).level_on(@page.reload) }
  end

  test "who has more keeps it" do
    @page.grant(holder(@ben), :write)
    sign_in @ben
    patch @address
    assert_equal [ :write, 0 ], [ Viewer.new(@ben).level_on(@page.reload), Circle.last.opened ]
  end

  test "it opens nothing for guests, once it has ended, where its keeper keeps nothing, or the house wants no circles" do
    closed(@cy)
    travel(4.days) { closed(@ben) }
    House.current.update!(circles: false)
    closed(@ben)
    post "/p/#{@page.to_param}/circles", params: { level: "read", ends_on: (Date.current + 3).iso8601 }
    assert_not_equal 303, response.status
    House.current.update!(circles: true)
    @room.grant(holder(@ben), :keep)
    @room.reload.grant(holder(@ana), :read)
    closed(person("Dee Lind"))
    @room.reload.grant(holder(@ana), :keep)
    sign_in @ana
    delete "/p/#{@page.reload.to_param}/circles/#{Circle.last.public_id}"
    assert_response :see_other
    closed(person("Dee Lind"))
    assert_equal %w[circle_drawn circle_ended], Happening.where("act LIKE 'circle%'").order(:id).pluck(:act)
  end

  test "only a level that others are given, and a day within a year" do
    [ { level: "keep", ends_on: (Date.current + 1).iso8601 }, { level: "read", ends_on: "" }, { level: "read", ends_on: (Date.current - 1).iso8601 }, { level: "read", ends_on: (Date.current + 400).iso8601 }, { level: "rule", ends_on: "x" } ].each do |params|
      assert_no_difference("Circle.count") { post "/p/#{@page.to_param}/circles", params: params }
      assert_response :unprocessable_entity
    end
  end

  test "a room has one joining address, which gives for good and is the room's" do
    first = joining("write")
    second = joining("read")
    assert_equal 1, Circle.joining.count
    sign_in @ben
    get first
    assert_response :not_found
    @room.reload.grant(holder(@ben), :keep)
    @room.reload.grant(holder(@ana), :none)
    cara = person("Cara Lund")
    sign_in cara
    get second
    assert_select ".lead", text: "Whoever has this address joins On Board and gets “may read”."
    patch second
    assert_redirected_to room_path(@room)
    assert_equal [ :read, nil ], [ Viewer.new(cara).level_on(@room.reload), @room.access_grants.find_by(person: cara).ends_on ]
    @room.archive(by: @ben)
    sign_in person("Dee Lind")
    get second
    assert_response :not_found
    @room.reopen(by: @ben)
    get second
    assert_response :success
    sign_in @ben
    delete "/rooms/#{@room.public_id}/circles/#{Circle.joining.first.public_id}"
    assert_redirected_to room_access_path(@room)
    sign_in person("Dee Lind")
    patch second
    assert_response :not_found
    assert_equal :read, Viewer.new(cara).level_on(@room.reload)
  end

  test "a joining address is no page's, no guest's, and gives no more than write" do
    post "/p/#{@page.to_param}/circles", params: { level: "read", joining: 1 }
    assert_response :unprocessable_entity
    assert_no_difference("Circle.count") { post "/rooms/#{@room.public_id}/circles", params: { level: "keep", joining: 1 } }
    assert_response :unprocessable_entity
    address = joining("write")
    sign_in @cy
    get address
    assert_response :not_found
    assert_no_difference("Circle.count") { post "/rooms/#{@room.public_id}/circles", params: { level: "read", joining: 1 } }
  end

  test "a level that will not do leaves the joining address that was there" do
    address = joining("read")
    post "/rooms/#{@room.public_id}/circles", params: { level: "keep", joining: 1 }
    sign_in @ben
    get address
    assert_response :success
  end

  private

  def joining(level)
    sign_in @ana
    post "/rooms/#{@room.public_id}/circles", params: { level: level, joining: 1 }
    follow_redirect!
    URI(css_select("#joining").first["value"]).path
  end

  def closed(person)
    sign_in person
    get @address
    assert_response :not_found
    patch @address
    assert_response :not_found
    assert_equal 0, Circle.last.opened
  end
end
