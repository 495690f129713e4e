require "test_helper"

# What is worked out beforehand is what is found when it is done: changes at random, each tried in a transaction that is
# taken back.
class AccessTrialTest < ActiveSupport::TestCase
  LEVELS = Zuhause::Access::Level::ORDER

  setup do
    @random = Random.new(SEED)
    @people = Array.new(4) { |i| person("Hand Number#{i}", role: i == 3 ? "guest" : "member") }
    @deck = group("Deck", *@people.first(2))
    @rooms = [ new_room("One", keeper: @people[0], open: true), new_room("Two", keeper: @people[1]) ]
    @pages = Array.new(10) { |i| new_page("Page #{i}", above: [ *@rooms, *Page.all ].sample(random: @random), by: @people[0], publish: i % 3 != 0) }
    new_page("Around", above: @rooms[1], by: @people[0], markdown: "::: live_insert {page=\"#{@pages.first.public_id}\"}\n:::")
  end

  test "what is told of a change beforehand is what it does" do
    told = generate(60) { try_one }
    assert_operator told, :>, 10
  end

  private

  def try_one
    place = [ *@rooms, *Page.kept ].sample(random: @random).then { |one| one.class.find(one.id) }
    exposing, change = one_of_the_changes(place)
    before = lists
    beforehand = outcome(&exposing)
    queries_that_write = writing { outcome(&exposing) }
    assert_empty queries_that_write
    done = outcome { change.call && lists }
    return assert_equal(done, beforehand, "SEED=#{SEED}") && 0 if done.is_a?(Class) || beforehand.is_a?(Class)

    assert_equal told(before, done), summary(beforehand), "SEED=#{SEED}"
    @random.rand(3).zero? && change.call
  end

  def one_of_the_changes(place)
    holders = [ holder([ *@people, @deck, :everyone, :anyone ].sample(random: @random)) ]
    level = LEVELS.sample(random: @random)
    changes = [ [ -> { place.exposure_of_giving(holders, level) }, -> { place.grant(holders.first, level) || true } ] ]
    changes.push(own_list(place), move(place)) if place.is_a?(Page)
    changes.compact.sample(random: @random)
  end

  def own_list(page)
    return [ -> { page.exposure_of_ending_own_list }, -> { page.end_own_list || true } ] if page.own_list?

    by = @people.first(2).sample(random: @random)
    [ -> { page.exposure_of_own_list(by: by) }, -> { page.make_own_list(by: by) || true } ]
  end

  def move(page)
    to = [ *@rooms.map(&:reload), *Page.kept.where.not(id: page.subtree_ids) ].sample(random: @random)
    [ -> { page.exposure_of_moving(to) }, -> { page.move(to: to) } ]
  end

  # @return [Object, Class] what comes of it, or the error it ends with; nothing of it stays
  def outcome
    found = nil
    ApplicationRecord.transaction(requires_new: true) do
      found = yield
      raise ActiveRecord::Rollback
    end
    found
  rescue Placed::NoKeeper => e
    e.class
  end

  def lists
    Page.kept.includes(access_list: :entries).to_h { |page| [ page.id, [ page.access_list.to_list, page.published? ] ] }
  end

  def told(before, after)
    touched = before.map { |id, (list, published)| Zuhause::Access::Exposure::Touched.new(before: list, after: after.fetch(id).first, published: published) }
    summary(Zuhause::Access::Exposure.new(touched, Person.viewers, House.current.switches))
  end

  def summary(exposure)
    exposure.shifts.to_h { |shift| [ shift.person.id, shift.to_h.except(:person) ] }
  end

  def writing(&block)
    found = []
    ActiveSupport::Notifications.subscribed(->(*, payload) { found << payload[:sql] if payload[:sql].match?(/\A\s*(INSERT|UPDATE|DELETE)/i) }, "sql.active_record", &block)
    found
  end
end
