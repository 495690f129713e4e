require "test_helper"

class PracticeRoomTest < ActiveSupport::TestCase
  setup do
    @ana, @ben = person("Ana Berg", office: "owner"), person("Ben Holt")
    assert House.current.furnish({}, practice: true, by: @ana)
    @room = Room.practice_room
  end

  test "all members write in it, guests do not see it" do
    assert_equal :write, viewer(@ben).level_on(@room)
    assert_equal :none, viewer(person("Gus Guest", role: "guest")).level_on(@room)
  end

  test "each night all that is in it is erased, whoever may see it, and nothing else" do
    elsewhere = new_page("Kept", above: Room.own_of(@ben), by: @ben)
    tried = new_page("Tried", above: @room, by: @ben, markdown: "See [that](page:#{elsewhere.public_id}).")
    below = new_page("Below", above: tried, by: @ana)
    below.make_own_list(by: @ana)
    new_page("Thrown away", above: @room, by: @ben).put_in_bin(by: @ben)
    Signpost.create!(kind: "heading", title: "Tries", above: @room, before: tried)
    House.current.update!(front_page: tried)
    EmptyPracticeRoomJob.perform_now
    assert_equal [ elsewhere ], Page.all.to_a
    assert_equal [ [], nil ], [ @room.signposts.to_a, House.first.front_page ]
    assert_empty HouseCheck.run
    assert_predicate new_page("Tomorrow", above: @room, by: @ben), :persisted?
  end

  test "what is in it is found in it alone" do
    tried = new_page("Whistling", above: @room, by: @ben)
    found = ->(**filters) { Search.new("whistling", viewer(@ana), filters: SearchFilters.new(filters, viewer(@ana))).results.map(&:page) }
    assert_equal [ [], [ tried ] ], [ found.call, found.call(room: @room.public_id) ]
  end

  test "switched off it is archived, switched on again it is the same" do
    House.current.furnish({}, practice: false, by: @ana)
    assert_predicate @room.reload, :archived?
    House.current.furnish({}, practice: true, by: @ben)
    assert_equal [ @room, false ], [ Room.practice_room, @room.reload.archived? ]
    assert_not House.current.furnish({ name: "" }, practice: false, by: @ana)
    assert_not @room.reload.archived?, "nothing is half done"
  end
end
