require_relative "../test_helper"

# Levels held against a second statement of the rules, written as plainly as the rules themselves, over houses made at
# random that between them use every rule.
class GeneratedHousesTest < Minitest::Test
  include Zuhause::Access

  HOUSES = 800
  DAY = Date.new(2026, 3, 1)
  RANKS = { none: 0, read: 1, comment: 2, write: 3, keep: 4 }.freeze
  USED = %i[own_list_stops person group everyone anyone everyone_capped anyone_capped guest_capped outside_capped
            suspended ended guests_off public_off nearer_wins person_before_group highest_wins none].freeze

  def test_levels_and_reasons_agree_with_the_rules_stated_plainly
    random = Random.new(SEED)
    @used = Hash.new(0)
    generate(HOUSES) { check_house(random) }
    assert_empty USED.reject { |rule| @used[rule].positive? }, "rules that no house used (SEED=#{SEED})"
  end

  private

  def check_house(random)
    switches = Switches.new(guests: random.rand(4).positive?, public_addresses: random.rand(3).positive?, day: DAY)
    viewers = people(random) + [ Viewer.outside ]
    places(random).each do |place|
      list = List.of(place)
      viewers.each do |viewer|
        expected = plainly(viewer, place, switches)
        judged = Zuhause::Access.judge(viewer, place, switches)
        found = [ judged.level, judged.grant&.holder, judged.place&.id ]
        assert_equal expected, found, -> { "SEED=#{SEED} #{viewer.inspect} on #{place.inspect}" }
        assert_equal expected.first, list.level(viewer, switches)
        assert_equal Level.at_least?(expected.first, :write), through_holders?(viewer, list, :write, switches)
        assert_equal Level.at_least?(expected.first, :read), through_holders?(viewer, list, :read, switches)
      end
    end
  end

  # As the database answers: is there an entry at that level for one of the viewer's holders?
  def through_holders?(viewer, list, level, switches)
    holders = viewer.holders(level, switches)
    list.grants.any? { |grant| (grant.ends_on.nil? || grant.ends_on >= switches.day) && RANKS[grant.level] >= RANKS[level] && holders.include?(grant.holder) }
  end

  def people(random)
    Array.new(5) do |i|
      Viewer.new(id: i, role: random.rand(3).zero? ? :guest : :member, suspended: random.rand(6).zero?,
                 groups: [ 0, 1, 2 ].select { random.rand(3).zero? })
    end
  end

  def places(random)
    places = [ Place.new(0, grants: grants(random)) ]
    7.times { |i| places << Place.new(i + 1, grants: grants(random), own_list: random.rand(4).zero?, above: places.sample(random: random)) }
    places
  end

  def grants(random)
    holders = [ *0..4 ].map { |i| Holder.new(:person, i) } + [ 0, 1, 2 ].map { |i| Holder.new(:group, i) } + [ Holder.everyone, Holder.anyone ]
    holders.sample(random.rand(4), random: random).flat_map { |holder| [ given(holder, random), (given(holder, random, DAY + random.rand(-2..2)) if random.rand(3).zero?) ].compact }
  end

  def given(holder, random, ends_on = nil)
    Grant.new(holder, Level::ORDER.drop(1).sample(random: random), ends_on)
  end

  # The second statement: [level, holder, place id].
  def plainly(viewer, place, switches)
    answers = []
    distance = 0
    while place
      place.grants.each do |grant|
        worth = worth(viewer, grant, switches) or next
        nearness = %i[person group everyone anyone].index(grant.holder.kind)
        answers << [ worth, -distance, -nearness, grant.holder, place.id ]
      end
      own = place.own_list? && place.above
      @used[:own_list_stops] += 1 if own
      place = own ? nil : place.above
      distance += 1
    end
    best = answers.select { |a| a[0].positive? }.max_by { |a| a.first(3) }
    note_use(answers, best)
    best ? [ RANKS.key(best[0]), best[3], best[4] ] : [ :none, nil, nil ]
  end

  def worth(viewer, grant, switches)
    given = RANKS[grant.level]
    signed_in = viewer.role == :member || (viewer.role == :guest && switches.guests)
    case grant.holder.kind
    when :person then return unless grant.holder.id == viewer.id && viewer.role != :outside
    when :group then return unless viewer.groups.include?(grant.holder.id)
    when :everyone then return unless viewer.role == :member
    end
    return use(:suspended, 0) if viewer.suspended?
    return use(:ended, 0) if grant.ends_on && switches.day > grant.ends_on

    if grant.holder.kind == :anyone
      return use(:public_off, 0) unless switches.public_addresses

      given = use(:anyone_capped, 2) if given > 2
    elsif !signed_in
      return use(:guests_off, 0)
    end
    given = use(:everyone_capped, 3) if grant.holder.kind == :everyone && given > 3
    given = use(:outside_capped, 1) if !signed_in && given > 1
    given = use(:guest_capped, 3) if viewer.role == :guest && given > 3
    given
  end

  def use(rule, value)
    @used[rule] += 1
    value
  end

  def note_use(answers, best)
    return use(:none, nil) unless best

    use(best[3].kind, nil)
    others = answers - [ best ]
    use(:highest_wins, nil) if others.any? { |a| a[0] < best[0] && a[1] > best[1] }
    use(:nearer_wins, nil) if others.any? { |a| a[0] == best[0] && a[1] < best[1] }
    use(:person_before_group, nil) if best[3].kind == :person && others.any? { |a| a.first(2) == best.first(2) && a[3].kind == :group }
  end
end
