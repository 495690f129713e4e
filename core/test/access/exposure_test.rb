require_relative "../test_helper"

class ExposureTest < Minitest::Test
  include Zuhause::Access

  ON = Switches.all_on

  # Grants changed, own lists made and ended, pages moved, switches and group members changed, at random: what is told
  # beforehand is what a look at each page for each person finds afterwards.
  def test_what_is_told_is_what_happens_over_generated_houses
    random = Random.new(SEED)
    told = 0
    houses = generate(600) do
      people = people(random)
      switches, switches_after = Array.new(2) { Switches.new(guests: random.rand(3).positive?, public_addresses: random.rand(2).zero?) }
      joined = people.sample(random: random)
      after = { joined.id => Viewer.new(id: joined.id, role: joined.role, suspended: joined.suspended?, groups: [ random.rand(2) ]) }
      pages = Array.new(5) { [ place(random), place(random), random.rand(3).positive? ] }
      touched = pages.map { |before, now, published| Exposure::Touched.new(before: List.of(before), after: List.of(now), published: published) }
      exposure = Exposure.new(touched, people, switches, switches_after: switches_after, people_after: after)
      [ *people, Viewer.outside ].each do |person|
        expected = plainly(person, after.fetch(person.id, person), pages, switches, switches_after)
        shift = exposure.shifts.find { |found| found.person.id == person.id }
        assert_equal expected, shift ? [ shift.opened, shift.closed, shift.raised, shift.lowered ] : [ 0, 0, 0, 0 ], -> { "SEED=#{SEED}" }
        drafts = plainly(person, after.fetch(person.id, person), pages.reject(&:last), switches, switches_after)
        assert_equal drafts, shift ? shift.drafts.values_at(:opened, :closed, :raised, :lowered) : [ 0, 0, 0, 0 ], -> { "SEED=#{SEED}" }
        told += 1 if shift
      end
    end
    assert_operator told, :>, houses
  end

  def test_moving_out_of_an_own_list_as_in_the_worked_case
    ana, ben, cy, eve = Viewer.new(id: 1), Viewer.new(id: 2), Viewer.new(id: 3, role: :guest), Viewer.new(id: 4)
    keep = Grant.new(Holder.new(:person, 1), :keep)
    before = List.new([ keep, Grant.new(Holder.new(:person, 3), :read) ])
    after = List.new([ keep, Grant.new(Holder.everyone, :read) ])
    exposure = Exposure.new([ Exposure::Touched.new(before: before, after: after, published: true) ], [ ana, ben, cy, eve ], ON)
    assert_equal [ [ 2, 4 ], [ 3 ], [] ], [ exposure.opened, exposure.closed, exposure.changed ].map { |shifts| shifts.map { |shift| shift.person.id } }
  end

  def test_those_who_only_gain_and_the_drafts_among_what_they_gain
    person = [ Viewer.new(id: 1) ]
    none, read, write = [ nil, :read, :write ].map { |level| List.new(level ? [ Grant.new(Holder.new(:person, 1), level) ] : []) }
    pages = [ [ none, write, true ], [ none, write, false ], [ read, write, true ] ].map { |before, after, published| Exposure::Touched.new(before: before, after: after, published: published) }
    gain = Exposure.new(pages, person, ON)
    assert_equal [ true, 2, 1, 1, 0 ], [ gain.only_gains?, gain.pages(:opened), gain.drafts(:opened), gain.pages(:raised), gain.drafts(:raised) ]
    refute_predicate Exposure.new([ *pages, Exposure::Touched.new(before: write, after: read, published: true) ], person, ON), :only_gains?
    assert_equal [ 0, 0 ], Exposure.new([], person, ON).then { |nothing| [ nothing.pages(:closed), nothing.drafts(:closed) ] }
  end

  def test_nothing_changes_where_nobody_would_notice
    reading = List.new([ Grant.new(Holder.everyone, :read) ])
    named_too = List.new([ Grant.new(Holder.everyone, :read), Grant.new(Holder.new(:person, 2), :read) ])
    draft = Exposure::Touched.new(before: List.new([]), after: reading, published: false)
    people = [ Viewer.new(id: 1), Viewer.new(id: 2) ]
    assert_predicate Exposure.new([ Exposure::Touched.new(before: reading, after: named_too, published: true) ], people, ON), :none?
    assert_predicate Exposure.new([ draft ], people, ON), :none?
  end

  def test_inserts_withheld_from_those_who_gain
    random = Random.new(SEED)
    withheld = 0
    houses = generate(300) do
      people = people(random)
      switches = Switches.new(guests: random.rand(3).positive?, public_addresses: random.rand(2).zero?)
      before, after, inside = Array.new(3) { List.of(place(random)) }
      published = random.rand(3).positive?
      insert = Exposure::Inserted.new(around: after, inside: inside, published: published)
      exposure = Exposure.new([ Exposure::Touched.new(before: before, after: after, published: true) ], people, switches, inserts: [ insert ])
      expected = [ *people, Viewer.outside ].any? do |person|
        gains = before.level(person, switches) == :none && after.level(person, switches) != :none
        gains && Level.rank(inside.level(person, switches)) < (published ? 1 : 3)
      end
      assert_equal expected ? 1 : 0, exposure.withheld, -> { "SEED=#{SEED}" }
      withheld += exposure.withheld
    end
    assert_operator withheld, :>, houses / 10
  end

  private

  def plainly(person, person_after, pages, switches, switches_after)
    counts = [ 0, 0, 0, 0 ]
    pages.each do |before, after, published|
      old, new = Zuhause::Access.level(person, before, switches), Zuhause::Access.level(person_after, after, switches_after)
      needed = published ? 1 : 3
      ranks = [ old, new ].map { |level| Level.rank(level) }
      if ranks[0] < needed && ranks[1] >= needed then counts[0] += 1
      elsif ranks[0] >= needed && ranks[1] < needed then counts[1] += 1
      elsif ranks.min >= needed && ranks[0] < ranks[1] then counts[2] += 1
      elsif ranks.min >= needed && ranks[0] > ranks[1] then counts[3] += 1
      end
    end
    counts
  end

  def people(random)
    Array.new(5) { |i| Viewer.new(id: i, role: random.rand(3).zero? ? :guest : :member, suspended: random.rand(7).zero?, groups: [ 0, 1 ].select { random.rand(2).zero? }) }
  end

  def place(random)
    room = Place.new(:room, grants: grants(random))
    Place.new(:page, grants: grants(random), own_list: random.rand(3).zero?, above: room)
  end

  def grants(random)
    holders = [ *0..4 ].map { |i| Holder.new(:person, i) } + [ 0, 1 ].map { |i| Holder.new(:group, i) } + [ Holder.everyone, Holder.anyone ]
    holders.sample(random.rand(4), random: random).map { |holder| Grant.new(holder, Level::ORDER.drop(1).sample(random: random)) }
  end
end
