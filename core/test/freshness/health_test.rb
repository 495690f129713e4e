require_relative "../test_helper"

class FreshnessHealthTest < Minitest::Test
  Facts = Zuhause::Freshness::Facts
  Health = Zuhause::Freshness::Health
  Reasons = Zuhause::Freshness::Reasons

  TODAY = Date.new(2026, 11, 27)

  # Of each reason: what brings it about, just does not, and how it is told.
  CASES = {
    overdue: [ { due_on: TODAY - 1 }, { due_on: TODAY }, { on: TODAY - 1 } ],
    outdated: [ { outdated: true }, { outdated: false }, {} ],
    unkept: [ { kept: false }, { kept: true }, {} ],
    unread: [ { since: TODAY << 13, read_on: TODAY << 12 }, { since: TODAY << 13, read_on: (TODAY << 12) + 1 }, { on: TODAY << 12 } ],
    sources: [ { sources: 2 }, { sources: 0 }, { count: 2 } ],
    inserts: [ { inserts: 1 }, { inserts: 0 }, { count: 1 } ],
    asked: [ { questions: 2, unhelped: 1 }, { questions: 1, unhelped: 1 }, { count: 3 } ],
    broken: [ { broken: 1 }, { broken: 0 }, { count: 1 } ],
    gone: [ { gone: 4 }, { gone: 0 }, { count: 4 } ],
    passed: [ { since: TODAY - 9, days: [ TODAY - 9, TODAY - 1, TODAY - 1, TODAY + 3 ] }, { since: TODAY - 9, days: [ TODAY - 10, TODAY ] }, { count: 2, on: TODAY - 9 } ]
  }.freeze

  def health(**known)
    Health.new(Facts.fine(since: known.delete(:since) || TODAY - 30, **known), today: TODAY)
  end

  def test_there_is_a_case_for_each_reason_and_a_window_for_each_aspect
    assert_equal Reasons::TABLE.keys, CASES.keys
    assert_equal Reasons::ASPECTS.sort, Reasons::TABLE.values.map(&:aspect).uniq.sort
  end

  CASES.each do |name, (given, just_not, told)|
    define_method("test_#{name}") do
      found = health(**given).reasons
      assert_equal [ name ], found.map(&:name)
      assert_equal told, found.first.to_h.slice(*told.keys)
      assert_empty health(**just_not).reasons
      refute_empty found.first.mends
      refute health(**given).in_order?(found.first.aspect)
    end
  end

  def test_of_a_page_that_nobody_has_read_yet_it_counts_from_when_it_could_be_read
    old = { since: TODAY << 13, read_on: nil }
    assert_equal [ :unread ], health(**old).reasons.map(&:name)
    assert_empty health(**old, since: TODAY << 2).reasons, "whoever said that it is correct has looked at it"
  end

  def test_whatever_is_known_reasons_stand_in_the_order_of_the_table_once_each_and_settle_the_windows
    random = Random.new(Integer(ENV.fetch("SEED", "3")))
    300.times do
      since = TODAY - random.rand(800)
      health = health(since: since, due_on: [ nil, TODAY - random.rand(-40..40) ].sample(random: random), outdated: random.rand(4).zero?, kept: random.rand(4) > 0, read_on: [ nil, TODAY - random.rand(800) ].sample(random: random),
                      sources: random.rand(2), inserts: random.rand(2), questions: random.rand(3), unhelped: random.rand(3), broken: random.rand(2), gone: random.rand(2), days: Array.new(random.rand(4)) { TODAY - random.rand(-300..900) })
      names = health.reasons.map(&:name)
      assert_equal Reasons::TABLE.keys & names, names
      assert_equal health.well?, Reasons::ASPECTS.all? { |aspect| health.in_order?(aspect) }
    end
  end

  def test_a_room_counts_its_pages_by_aspect_and_by_reason
    room = Zuhause::Freshness::RoomHealth.new([ health, health(outdated: true, due_on: TODAY - 3), health(kept: false, sources: 1), health(inserts: 1) ])
    assert_equal [ 4, 1 ], [ room.pages, room.well ]
    assert_equal({ checked: 1, kept: 1, read: 0, sources: 2, answers: 0, links: 0, days: 0 }, Reasons::ASPECTS.to_h { |aspect| [ aspect, room.lacking(aspect) ] })
    assert_equal [ 1, 1, 1, 0 ], %i[overdue outdated inserts asked].map { |name| room.with(name) }
  end
end
