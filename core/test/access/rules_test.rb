require_relative "../test_helper"

class AccessRulesTest < Minitest::Test
  include Zuhause::Access

  ON = Switches.all_on

  def test_what_is_seen_of_a_page
    cases = {
      [ :none, true ] => :nothing, [ :read, true ] => :edition, [ :comment, true ] => :edition, [ :write, true ] => :draft,
      [ :read, false ] => :nothing, [ :comment, false ] => :nothing, [ :write, false ] => :draft, [ :keep, false ] => :draft
    }
    cases.each { |(level, published), sight| assert_equal sight, Sight.of(level, published: published), [ level, published ].inspect }
  end

  def test_the_bin_hides_from_readers_and_a_review_shows_the_draft_to_its_reviewers
    assert_equal :nothing, Sight.of(:comment, published: true, binned: true)
    assert_equal :draft, Sight.of(:write, published: true, binned: true)
    assert_equal :draft, Sight.of(:read, published: false, reviewer: true)
    assert_equal :nothing, Sight.of(:none, published: true, reviewer: true)
  end

  def test_every_act_needs_what_the_table_says
    member = Viewer.new(id: 1)
    { read: :read, tick: :comment, comment: :comment, edit: :write, publish: :write, grant: :keep, own_list: :keep, add_page: :write }.each do |act, level|
      Level::ORDER.each do |given|
        sight = Sight.of(given, published: true)
        assert_equal Level.at_least?(given, level), Acts.may?(act, member, level: given, sight: sight), "#{act} with #{given}"
      end
    end
  end

  def test_reading_needs_more_than_a_level
    refute Acts.may?(:read, Viewer.new(id: 1), level: :comment, sight: Sight.of(:comment, published: false))
  end

  def test_office_acts
    member, guest = Viewer.new(id: 1), Viewer.new(id: 2, role: :guest)
    admin, suspended = Viewer.new(id: 3, administrator: true), Viewer.new(id: 4, administrator: true, suspended: true)
    assert_equal [ true, false, true, false, false ], [ member, guest, admin, suspended, Viewer.outside ].map { |v| Acts.may?(:make_room, v) }
    assert_equal [ false, false, true, false, false ], [ member, guest, admin, suspended, Viewer.outside ].map { |v| Acts.may?(:people, v) }
    assert_raises(KeyError) { Acts.may?(:fly, admin) }
  end

  def test_audience_names
    ana, ben, gus = Viewer.new(id: 1), Viewer.new(id: 2), Viewer.new(id: 3, role: :guest)
    people = [ ana, ben, gus ]
    keep = Grant.new(Holder.new(:person, 1), :keep)
    assert_equal :only_me, audience([ keep ], people).name(asker: 1)
    assert_equal 1, audience([ keep ], people).name(asker: 2)
    assert_equal 2, audience([ keep, Grant.new(Holder.new(:person, 3), :read) ], people).name(asker: 1)
    assert_equal :everyone, audience([ keep, Grant.new(Holder.everyone, :read) ], people).name
    assert_equal 1, audience([ keep, Grant.new(Holder.everyone, :read) ], people, lowest: :write).name
    assert_equal :anyone, audience([ keep, Grant.new(Holder.anyone, :read) ], people).name
    off = Switches.new(guests: true, public_addresses: false)
    assert_equal :only_me, Audience.new(List.new([ keep, Grant.new(Holder.anyone, :read) ]), people, off).name(asker: 1)
  end

  def test_keepers_are_active_members
    people = [ Viewer.new(id: 1), Viewer.new(id: 2, groups: [ 9 ]), Viewer.new(id: 3, role: :guest, groups: [ 9 ]), Viewer.new(id: 4, suspended: true, groups: [ 9 ]) ]
    audience = audience([ Grant.new(Holder.new(:group, 9), :keep), Grant.new(Holder.new(:person, 1), :write) ], people)
    assert_equal [ 2 ], audience.keepers.map(&:id)
    assert_equal [ 1, 2, 3 ], audience.at_least(:write).map(&:id)
  end

  def test_equal_lists_have_one_digest
    one = List.new([ Grant.new(Holder.everyone, :read), Grant.new(Holder.new(:group, 1), :write), Grant.new(Holder.everyone, :comment) ])
    other = List.new([ Grant.new(Holder.new(:group, 1), :write) ]).with([ Grant.new(Holder.everyone, :comment), Grant.new(Holder.anyone, :none) ])
    assert_equal one.digest, other.digest
    refute_equal one.digest, List.new([ Grant.new(Holder.everyone, :comment) ]).digest
  end

  private

  def audience(grants, people, lowest: :read)
    Audience.new(List.new(grants), people, ON, lowest: lowest)
  end
end
