require "test_helper"

class OwnRoomTest < ActiveSupport::TestCase
  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @own = Room.own_of(@ben)
  end

  test "the first sign-in opens it, later ones find it" do
    assert_difference(-> { Room.count }, 1) { 2.times { SignIn.begin(@ana) } }
    assert_equal "Ana Berg’s own room", @ana.reload_own_room.name
    assert_equal :keep, viewer(@ana).level_on(@ana.own_room)
  end

  test "nobody else gets in, whatever their office, and nobody is let in" do
    admin = person("Eve Lund", office: "administrator")
    page = new_page("Thoughts", above: @own, by: @ben)
    [ @ana, admin ].each { |other| assert_equal [ :none, false ], [ viewer(other).level_on(@own), viewer(other).sees?(page) ] }
    assert_not RoomPolicy.new(viewer(@ben), @own).grant?
    assert_not RoomPolicy.new(viewer(@ben), @own).archive?
    assert_empty Takeover.places.map(&:place) & [ @own ]
  end

  test "a page in it can be given to somebody, who then sees that page alone" do
    page, other = new_page("For Ana", above: @own, by: @ben), new_page("For nobody", above: @own, by: @ben)
    page.grant(holder(@ana), :read)
    assert_equal [ true, false ], [ viewer(@ana).sees?(page), viewer(@ana).sees?(other) ]
    assert_not RoomPolicy.new(viewer(@ana), @own).look_around?
  end

  test "it blocks no change of role, and a guest goes on writing in it" do
    assert @ben.change(role: "guest")
    assert_equal :write, viewer(@ben).level_on(@own.reload)
  end

  test "a guest gets none" do
    guest = person("Gus Guest", role: "guest")
    assert_no_difference(-> { Room.count }) { SignIn.begin(guest) }
  end

  test "it follows its owner's name until it has one of its own" do
    @ben.update!(name: "Ben Oak")
    assert_equal "Ben Oak’s own room", @own.reload.name
    @own.update!(name: "Workbench")
    @ben.update!(name: "Ben Ash")
    assert_equal "Workbench", @own.reload.name
  end

  test "the database allows one for each person" do
    assert_raises(ActiveRecord::RecordNotUnique) { Room.new(name: "Second", colour: "moss", owner: @ben).open_for(@ben) }
  end
end
