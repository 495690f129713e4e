require "test_helper"

class AccessTest < ActiveSupport::TestCase
  setup do
    @ana, @ben, @eve = person("Ana Berg"), person("Ben Holt"), person("Eve Lund", office: "administrator")
    @cy = person("Cy Moor", role: "guest")
    @deck = group("Deck", @ben)
    @room = new_room("On Board", keeper: @ana, open: true)
    @p = new_page("P", above: @room, by: @ana)
    @q = new_page("Q", above: @p, by: @ana)
    @s = new_page("S", above: @q, by: @ana)
  end

  test "levels come down the plan and stop at an own list" do
    @p.grant(holder(@deck), :write)
    assert_levels({ @ana => :keep, @ben => :write, @cy => :none, @eve => :read }, @s)
    @q.reload.make_own_list(by: @ana)
    @q.grant(holder(@deck), :none)
    @q.grant(holder(:everyone), :none)
    @q.grant(holder(@cy), :read)
    assert_levels({ @ana => :keep, @ben => :none, @cy => :read, @eve => :none }, @s)
    assert_levels({ @ana => :keep, @ben => :write, @cy => :none, @eve => :read }, @p)
    @q.reload.end_own_list
    assert_levels({ @ana => :keep, @ben => :write, @cy => :none, @eve => :read }, @s)
  end

  test "what is not published is seen by its writers only" do
    draft = new_page("Draft", above: @room, by: @ana, publish: false)
    assert_equal [ :draft, :nothing ], [ @ana, @ben ].map { |p| viewer(p).sight_of(draft) }
    assert_equal [ true, false ], [ @ana, @ben ].map { |p| Page.seen_by(viewer(p)).exists?(draft.id) }
  end

  test "who sees a page sees the door of its room, and no other" do
    @q.make_own_list(by: @ana)
    @q.grant(holder(@cy), :read)
    assert_equal [ @room ], Room.seen_by(viewer(@cy)).to_a
    other = new_room("Ideas", keeper: @ana)
    assert_not_includes Room.seen_by(viewer(@eve)), other
  end

  test "places that grant the same share one list, and lists nobody has are gone" do
    assert_equal 1, [ @room, @p, @q, @s ].map { |place| place.reload.access_list_id }.uniq.size
    @p.grant(holder(@deck), :write)
    @p.grant(holder(@deck), :none)
    assert_equal 1, AccessList.count
  end

  test "the last keeper stays" do
    assert_raises(Placed::NoKeeper) { @room.grant(holder(@ana), :write) }
    assert_equal :keep, viewer(@ana).level_on(@room.reload)
    @q.make_own_list(by: @ana)
    assert_raises(Placed::NoKeeper) { @q.reload.grant(holder(@ana), :none) }
    assert_levels({ @ana => :keep }, @s)
  end

  test "a moved page takes its access from its new place" do
    other = new_room("Ideas", keeper: @eve)
    @q.move(to: other)
    assert_levels({ @ana => :none, @ben => :none, @eve => :keep }, @s)
    @q.reload.move(to: @p.reload)
    assert_levels({ @ana => :keep, @ben => :read }, @s)
  end

  test "suspension and switches recompute no list and hold at once" do
    @ben.update!(suspended_at: Time.current)
    assert_levels({ @ben => :none }, @s)
    @p.grant(holder(:anyone), :read)
    assert_equal :none, viewer(nil).level_on(@s.reload)
    House.current.update!(public_addresses: true)
    assert_equal :read, viewer(nil).level_on(@s.reload)
  end

  # The lists in the database are held against the core's own answer over houses changed at random.
  test "after any changes the database answers as the core does" do
    random = Random.new(SEED)
    people = [ @ana, @ben, @cy, @eve ]
    pages = [ @p, @q, @s ] + Array.new(4) { |i| new_page("N#{i}", above: [ @room, @p, @q ].sample(random: random).reload, by: @ana) }
    25.times do
      change_something(pages.sample(random: random), people, random)
      pages.sample(3, random: random).each { |page| assert_as_core(Page.find(page.id), people) }
    end
    pages.each { |page| assert_as_core(Page.find(page.id), people) }
  end

  private

  def change_something(page, people, random)
    page = Page.find(page.id)
    case random.rand(5)
    when 0 then page.make_own_list(by: people.sample(random: random)) unless page.own_list?
    when 1 then page.end_own_list
    when 2 then page.move(to: [ @room.reload, *Page.where.not(id: page.id) ].sample(random: random))
    else
      page.grant(holder([ *people, @deck, :everyone, :anyone ].sample(random: random)), Zuhause::Access::Level::ORDER.sample(random: random))
    end
  rescue Placed::NoKeeper
    nil # refused, and so nothing may have changed: what follows is compared all the same
  end

  def assert_as_core(page, people)
    [ *people, nil ].each do |person|
      viewer = viewer(person)
      expected = Zuhause::Access.level(viewer.subject, page.to_place, viewer.switches)
      assert_equal expected, viewer.level_on(page), "#{person&.name} on #{page.title} (seed #{Minitest.seed})"
      sees = Zuhause::Access::Sight.of(expected, published: page.published?) != :nothing
      assert_equal sees, Page.seen_by(viewer).exists?(page.id)
    end
  end

  def assert_levels(levels, place)
    assert_equal levels, levels.keys.index_with { |person| viewer(person).level_on(place.reload) }
  end
end
