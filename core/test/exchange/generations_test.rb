require_relative "../test_helper"

class GenerationsTest < Minitest::Test
  include Zuhause

  def test_all_of_a_day_then_one_for_each_day_week_and_month
    nightly = Array.new(500) { |days| Time.utc(2026, 11, 26, 4) - (days * 86_400) }
    today = [ Time.utc(2026, 11, 26, 3), Time.utc(2026, 11, 25, 9) ]
    kept = Exchange::Generations.kept(nightly + today)
    assert_equal %w[2026-11-26 2026-11-26 2026-11-25 2026-11-24 2026-11-23 2026-11-22 2026-11-21 2026-11-20 2026-11-15 2026-11-08 2026-10-31], kept.first(11).map { |time| time.strftime("%F") }
    assert_equal Time.utc(2025, 12, 31, 4), kept.last
    assert_equal kept.sort.reverse, kept
  end

  def test_laws
    rng = Random.new(SEED)
    50.times do
      now = Time.utc(2026, 11, 26)
      times = Array.new(rng.rand(0..40)) { now - rng.rand(0..40_000_000) }
      kept = Exchange::Generations.kept(times)
      assert_empty kept - times
      assert_equal times.max, kept.first
      assert_equal kept, Exchange::Generations.kept(kept), "what is kept is kept again"
    end
  end
end
