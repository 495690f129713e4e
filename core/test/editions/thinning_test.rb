require_relative "../test_helper"

class EditionThinningTest < Minitest::Test
  Thinning = Zuhause::Editions::Thinning

  NOW = Time.utc(2026, 11, 26)

  def test_of_what_is_old_the_last_of_each_month_stays
    editions = { 1 => Time.utc(2026, 1, 3), 2 => Time.utc(2026, 1, 20), 3 => Time.utc(2026, 2, 1), 4 => Time.utc(2026, 2, 2), 5 => Time.utc(2026, 10, 1), 6 => Time.utc(2026, 10, 2) }
    assert_equal [ 1, 3 ], Thinning.spare(editions, after: 6, now: NOW)
    assert_equal [ 3 ], Thinning.spare(editions, after: 6, now: NOW, needed: [ 1 ])
    assert_empty Thinning.spare(editions, after: 12, now: NOW)
  end

  def test_generated_histories_lose_nothing_that_is_young_or_needed_and_keep_something_of_each_month
    generate(200) do |number|
      random = Random.new((SEED * 1000) + number)
      editions = (1..(1 + random.rand(40))).zip(Array.new(40) { NOW - (random.rand(900) * 86_400) }.sort).to_h.compact
      needed, after = editions.keys.select { random.rand(5).zero? }, 1 + random.rand(24)
      spare = Thinning.spare(editions, after: after, now: NOW, needed: needed)
      assert_empty spare & needed
      assert(spare.all? { |each| editions[each].to_date < (NOW.to_date << after) })
      months = ->(numbers) { numbers.map { |each| editions[each].strftime("%Y-%m") }.uniq.sort }
      assert_equal months.call(editions.keys), months.call(editions.keys - spare), "seed #{SEED}, number #{number}"
      assert_empty Thinning.spare(editions.except(*spare), after: after, now: NOW, needed: needed), "once is enough"
    end
  end
end
