require_relative "../test_helper"

class PatternTest < Minitest::Test
  include Zuhause::Access

  TEAM, KEEPER = Holder.new(:group, 1), Holder.new(:person, 2)
  SWITCHES = Switches.new(guests: true, public_addresses: true)

  def pattern(everyone: :read, team: :write)
    Pattern.new(everyone: everyone, team: team)
  end

  # Levels of the keeper, one of the team, another member, a guest in the team and a guest.
  def levels(grants)
    people = [ Viewer.new(id: 2), Viewer.new(id: 3, groups: [ 1 ]), Viewer.new(id: 4), Viewer.new(id: 5, role: :guest, groups: [ 1 ]), Viewer.new(id: 6, role: :guest) ]
    people.map { |person| List.new(grants).level(person, SWITCHES) }
  end

  def test_everyone_reads_the_team_writes_and_what_is_shut_is_the_teams
    assert_equal %i[keep write read write none], levels(pattern.of_room(team: TEAM, keeper: KEEPER))
    assert_equal %i[keep write none write none], levels(pattern.of_shut(team: TEAM, keeper: KEEPER))
  end

  def test_whatever_a_pattern_gives_the_keeper_keeps_and_what_is_shut_is_never_wider_than_the_room
    Pattern::LEVELS_OF_EVERYONE.product(Pattern::LEVELS_OF_TEAM).each do |everyone, team|
      room, shut = %i[of_room of_shut].map { |of| levels(pattern(everyone: everyone, team: team).public_send(of, team: TEAM, keeper: KEEPER)) }
      assert_equal :keep, room.first
      assert_equal :keep, shut.first
      assert_equal :none, shut[2]
      assert_equal [ everyone, :none ], room.values_at(2, 4)
      assert(room.zip(shut).all? { |open, closed| Level.at_least?(open, closed) })
    end
  end

  def test_no_other_level_will_do
    assert_raises(ArgumentError) { pattern(everyone: :keep) }
    assert_raises(ArgumentError) { pattern(team: :none) }
  end

  def test_a_title_takes_the_name_of_the_team_as_it_stands
    assert_equal "Only for \\0 Deck", Pattern.title("Only for {team}", "\\0 Deck")
    assert_equal "Rotas", Pattern.title("Rotas", "Deck")
  end
end
