require_relative "../test_helper"

# What is given up to a day.
class EndingTest < Minitest::Test
  include Zuhause::Access

  ANA, DECK = Holder.new(:person, 1), Holder.new(:group, 7)
  DAY = Date.new(2026, 3, 6)

  def test_a_grant_counts_on_its_last_day_and_no_longer
    list = List.new([ Grant.new(ANA, :read), Grant.new(ANA, :write, DAY) ])
    levels = [ DAY - 1, DAY, DAY + 1, nil ].map { |day| list.level(Viewer.new(id: 1), on(day)) }
    assert_equal %i[write write read write], levels
    assert_equal :read, list.level(Viewer.new(id: 1), on(DAY).for_good)
  end

  def test_why_names_what_counts_and_what_has_ended
    place = Place.new(:room, grants: [ Grant.new(ANA, :read), Grant.new(ANA, :write, DAY) ])
    judged = Zuhause::Access.judge(Viewer.new(id: 1), place, on(DAY + 1))
    assert_equal [ :read, [ [ :write, :ended ] ] ], [ judged.level, judged.missed.map { |missed| [ missed.level, missed.reason ] } ]
  end

  def test_what_is_covered_is_left_out_and_equal_lists_have_one_digest
    all = [ Grant.new(ANA, :write, DAY), Grant.new(ANA, :comment, DAY - 1), Grant.new(ANA, :read), Grant.new(DECK, :keep), Grant.new(DECK, :write, DAY) ]
    list = List.new(all)
    assert_equal [ Grant.new(DECK, :keep), Grant.new(ANA, :read), Grant.new(ANA, :write, DAY) ].to_set, list.grants.to_set
    assert_equal list.digest, List.new(all.reverse).digest
    refute_equal list.digest, List.new(all.map { |grant| Grant.new(grant.holder, grant.level, grant.ends_on && grant.ends_on + 1) }).digest
  end

  def test_keepers_for_a_time_are_no_keepers_for_good
    list = List.new([ Grant.new(ANA, :keep, DAY) ])
    kept = [ on(DAY), on(DAY).for_good ].map { |switches| Audience.new(list, [ Viewer.new(id: 1) ], switches).keepers.size }
    assert_equal [ 1, 0 ], kept
  end

  def test_everyone_here_is_said_only_while_it_lasts
    list = List.new([ Grant.new(Holder.everyone, :read, DAY), Grant.new(ANA, :keep) ])
    people = [ Viewer.new(id: 1), Viewer.new(id: 2) ]
    assert_equal [ :everyone, 1 ], [ DAY, DAY + 1 ].map { |day| Audience.new(list, people, on(day)).name }
  end

  def test_giving_takes_the_place_of_what_there_was
    days, levels = [ nil, DAY - 1, DAY, DAY + 1 ], %i[read comment write keep]
    levels.product(days, levels, days).each do |was, was_until, given, given_until|
      old, new = Grant.new(ANA, was, was_until), Grant.new(ANA, given, given_until)
      after = Zuhause::Access.giving([ old, Grant.new(DECK, :read) ], new)
      stays = was_until && given_until.nil? ? Level.rank(was) > Level.rank(given) : was_until.nil? && given_until && Level.rank(was) < Level.rank(given)
      assert_equal [ Grant.new(DECK, :read), *[ (old if stays) ].compact, new ], after.sort_by { |grant| [ grant.holder == DECK ? 0 : 1, grant == new ? 1 : 0 ] }, [ old, new ].join(" ")
    end
  end

  def test_more_up_to_a_day_falls_back_to_what_there_was_and_taking_away_takes_both
    both = Zuhause::Access.giving([ Grant.new(ANA, :read) ], Grant.new(ANA, :write, DAY))
    assert_equal %i[write read], [ DAY, DAY + 1 ].map { |day| List.new(both).level(Viewer.new(id: 1), on(day)) }
    assert_equal [ Grant.new(DECK, :read) ], Zuhause::Access.giving([ *both, Grant.new(DECK, :read) ], Grant.new(ANA, :none))
  end

  private

  def on(day)
    Switches.new(guests: true, public_addresses: true, day: day)
  end
end
