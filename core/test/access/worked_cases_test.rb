require_relative "../test_helper"

# The worked cases of docs/access.md, one test each.
class WorkedCasesTest < Minitest::Test
  include Zuhause::Access

  ANA = Viewer.new(id: :ana)
  BEN = Viewer.new(id: :ben, groups: [ :deck ])
  CY = Viewer.new(id: :cy, role: :guest)
  DEE = Viewer.new(id: :dee, suspended: true)
  EVE = Viewer.new(id: :eve, administrator: true)
  PEOPLE = [ ANA, BEN, CY, DEE, EVE ].freeze
  ON = Switches.all_on

  def test_members_read_what_a_room_gives_everyone_here
    assert_judged :read, BEN, :s, because: [ :r, :everyone ]
  end

  def test_a_guest_is_not_everyone_here
    assert_judged :none, CY, :s
  end

  def test_a_group_gives_its_members_a_level
    house p: [ grant(:write, :group, :deck) ]
    judgement = assert_judged :write, BEN, :s, because: [ :p, :group ]
    assert_equal :deck, judgement.group
  end

  def test_an_own_list_stops_what_comes_from_above
    own_list_on_q
    judgement = assert_judged :none, BEN, :s
    assert_equal [ [ :own_list, :write, :p ] ], judgement.missed.first(1).map { |m| [ m.reason, m.level, m.place.id ] }
  end

  def test_an_own_list_gives_only_at_its_place_and_below
    own_list_on_q
    assert_judged :read, CY, :s, because: [ :q, :person ]
    assert_judged :none, CY, :p
  end

  def test_office_is_not_access
    own_list_on_q
    assert_judged :none, EVE, :s
  end

  def test_keep_is_capped_for_a_guest
    house p: [ grant(:keep, :person, :cy) ]
    judgement = assert_judged :write, CY, :p, because: [ :p, :person ]
    assert_equal [ :person_cap ], judgement.missed.map(&:reason)
  end

  def test_write_is_capped_for_anyone_and_for_who_is_not_signed_in
    house p: [ grant(:write, :anyone) ]
    assert_judged :comment, BEN, :q, because: [ :p, :anyone ]
    assert_judged :read, Viewer.outside, :q, because: [ :p, :anyone ]
  end

  def test_without_public_addresses_anyone_gives_nothing
    house p: [ grant(:write, :anyone) ]
    @switches = Switches.new(guests: true, public_addresses: false)
    judgement = assert_judged :none, Viewer.outside, :q
    assert_equal [ :public_off ], judgement.missed.map(&:reason)
  end

  def test_the_suspended_have_nothing
    house r: [ grant(:keep, :person, :ana), grant(:read, :everyone), grant(:write, :person, :dee) ]
    judgement = assert_judged :none, DEE, :p
    assert_equal [ :suspended, :write ], [ judgement.missed.first.reason, judgement.missed.first.level ]
  end

  def test_keep_is_capped_for_everyone_here
    house r: [ grant(:keep, :person, :ana), grant(:keep, :everyone) ]
    assert_judged :write, BEN, :p, because: [ :r, :everyone ]
  end

  def test_among_equal_levels_the_nearer_is_named
    house p: [ grant(:read, :person, :ben) ]
    assert_judged :read, BEN, :p, because: [ :p, :person ]
  end

  def test_at_one_place_the_more_personal_is_named
    house p: [ grant(:read, :everyone), grant(:read, :group, :deck), grant(:read, :person, :ben) ].shuffle
    assert_judged :read, BEN, :p, because: [ :p, :person ]
  end

  def test_suspending_the_last_keeper_leaves_none
    house q: [ grant(:keep, :person, :ben) ], own: [ :q ]
    assert_equal [ :ben ], keepers(PEOPLE)
    suspended = Viewer.new(id: :ben, groups: [ :deck ], suspended: true)
    assert_empty keepers(PEOPLE - [ BEN ] + [ suspended ])
  end

  def test_guests_switched_off_count_as_not_signed_in
    house p: [ grant(:write, :person, :cy), grant(:comment, :anyone) ]
    @switches = Switches.new(guests: false, public_addresses: true)
    assert_judged :read, CY, :p, because: [ :p, :anyone ]
  end

  def test_moving_an_own_list_to_another_room_changes_nobodys_level
    own_list_on_q
    moved = Place.new(:q, grants: @places[:q].grants, own_list: true, above: Place.new(:other, grants: [ grant(:keep, :person, :eve) ]))
    PEOPLE.each { |person| assert_equal level(person, @places[:q]), level(person, moved) }
    assert_equal List.of(@places[:q]).digest, List.of(moved).digest
  end

  def test_moving_a_page_out_of_an_own_list_opens_and_closes
    own_list_on_q
    moved = Place.new(:s, above: @places[:r])
    before, after = [ @places[:s], moved ].map { |place| PEOPLE.to_h { |person| [ person.id, level(person, place) ] } }
    assert_equal({ ana: :keep, ben: :none, cy: :read, dee: :none, eve: :none }, before)
    assert_equal({ ana: :keep, ben: :read, cy: :none, dee: :none, eve: :read }, after)
  end

  def test_moving_needs_write_everywhere_and_keep_where_grants_differ
    room = Place.new(:r, grants: [ grant(:keep, :person, :ana), grant(:write, :person, :ben) ])
    other = Place.new(:o, grants: [ grant(:keep, :person, :eve), grant(:write, :person, :ben), grant(:write, :person, :ana) ])
    page = Place.new(:p, above: room)
    sub = Place.new(:s, above: page)
    assert Acts.move?(BEN, sub, room, ON), "the same grants apply there"
    refute Acts.move?(BEN, page, other, ON), "grants differ and Ben does not keep the page"
    assert Acts.move?(ANA, page, other, ON)
    refute Acts.move?(EVE, page, other, ON), "Eve may not write the page"
  end

  def setup
    @switches = ON
    house
  end

  private

  def grant(level, kind, id = nil)
    Grant.new(Holder.new(kind, id), level)
  end

  def house(r: [ grant(:keep, :person, :ana), grant(:read, :everyone) ], p: [], q: [], own: [])
    room = Place.new(:r, grants: r)
    above = Place.new(:p, grants: p, above: room)
    middle = Place.new(:q, grants: q, above: above, own_list: own.include?(:q))
    @places = { r: room, p: above, q: middle, s: Place.new(:s, above: middle) }
  end

  def own_list_on_q
    house p: [ grant(:write, :group, :deck) ], q: [ grant(:keep, :person, :ana), grant(:read, :person, :cy) ], own: [ :q ]
  end

  def level(viewer, place)
    Zuhause::Access.level(viewer, place, @switches)
  end

  def keepers(people)
    Audience.new(List.of(@places[:q]), people, ON).keepers.map(&:id)
  end

  def assert_judged(level, viewer, place, because: nil)
    judgement = Zuhause::Access.judge(viewer, @places[place], @switches)
    assert_equal level, judgement.level
    found = judgement.grant && [ judgement.place.id, judgement.grant.holder.kind ]
    because ? assert_equal(because, found) : assert_nil(found)
    judgement
  end
end
