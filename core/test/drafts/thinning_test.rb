require_relative "../test_helper"

class ThinningTest < Minitest::Test
  include Zuhause::Drafts

  NOW = Time.utc(2026, 11, 23, 12)

  def test_of_the_last_hour_all_of_the_last_day_some_and_of_each_day_before_one
    minutes = (0...(3 * 24 * 60)).map { |minute| NOW - (minute * 60) }
    kept = Thinning.kept(minutes, now: NOW)
    assert_equal minutes.first(60), kept.first(60)
    assert_operator kept.count { |time| time > NOW - Thinning::DAY }, :<=, 60 + (23 * 6) + 1
    assert_operator kept.count { |time| time <= NOW - Thinning::DAY }, :<=, 4
  end

  def test_generated_states
    random = Random.new(SEED)
    generate(200) do
      times = Array.new(1 + random.rand(400)) { NOW - random.rand(10**(1 + random.rand(7))) }
      kept = Thinning.kept(times, now: NOW)
      assert_equal times.max, kept.first
      assert_operator kept.size, :<=, Thinning::MOST
      assert_empty kept - times
      assert_equal kept, Thinning.kept(kept, now: NOW), "thinning again takes nothing more"
    end
  end
end
