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

  private

  def closed(person)
    sign_in person
    get @address
    assert_response :not_found
    patch @address
    assert_response :not_found
    assert_equal 0, Circle.last.opened
  end
end
