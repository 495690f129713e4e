require_relative "../test_helper"

class TellingScheduleTest < Minitest::Test
  Schedule = Zuhause::Telling::Schedule

  def due(way, at, zone: "Europe/Berlin", **options)
    Schedule.new(zone, **options).due(way, at: Time.new(*at, "+00:00"))&.then { |time| time.strftime("%m-%d %H:%M") }
  end

  def test_at_once_is_at_once_unless_it_is_quiet
    assert_equal "11-27 13:00", due(:at_once, [ 2026, 11, 27, 13, 0, 0 ])
    assert_equal "11-27 21:30", due(:at_once, [ 2026, 11, 27, 21, 30, 0 ], zone: "Etc/UTC", quiet: [ 22, 7 ])
    assert_equal "11-28 07:00", due(:at_once, [ 2026, 11, 27, 22, 0, 0 ], zone: "Etc/UTC", quiet: [ 22, 7 ])
    assert_equal "11-28 07:00", due(:at_once, [ 2026, 11, 28, 6, 59, 59 ], zone: "Etc/UTC", quiet: [ 22, 7 ])
    assert_equal "11-28 07:00", due(:at_once, [ 2026, 11, 28, 7, 0, 0 ], zone: "Etc/UTC", quiet: [ 22, 7 ])
    assert_equal "11-27 14:00", due(:at_once, [ 2026, 11, 27, 12, 0, 0 ], zone: "Etc/UTC", quiet: [ 12, 14 ])
    assert_equal "11-27 12:00", due(:at_once, [ 2026, 11, 27, 12, 0, 0 ], zone: "Etc/UTC", quiet: [ 12, 12 ])
  end

  def test_letters_come_in_the_morning_of_whoever_gets_them
    assert_equal "11-28 06:00", due(:daily, [ 2026, 11, 27, 6, 0, 0 ])
    assert_equal "11-27 06:00", due(:daily, [ 2026, 11, 27, 5, 59, 59 ])
    assert_equal "11-27 22:00", due(:daily, [ 2026, 11, 27, 6, 0, 0 ], zone: "Asia/Tokyo")
    assert_equal "11-27 15:00", due(:daily, [ 2026, 11, 27, 6, 0, 0 ], zone: "America/Los_Angeles")
    assert_equal "11-30 06:00", due(:weekly, [ 2026, 11, 27, 6, 0, 0 ])
    assert_equal "12-07 06:00", due(:weekly, [ 2026, 11, 30, 6, 0, 0 ])
    assert_nil due(:never, [ 2026, 11, 30, 6, 0, 0 ])
  end

  # Berlin goes to summer time on 29 March 2026 at 2:00, and back on 25 October at 3:00.
  def test_across_the_changes_of_summer_time
    assert_equal [ "03-28 06:00", "03-29 05:00" ], [ due(:daily, [ 2026, 3, 27, 12, 0, 0 ]), due(:daily, [ 2026, 3, 28, 12, 0, 0 ]) ]
    assert_equal "03-29 01:00", due(:daily, [ 2026, 3, 28, 12, 0, 0 ], hour: 2)
    assert_equal "10-25 00:00", due(:daily, [ 2026, 10, 24, 12, 0, 0 ], hour: 2)
    assert_equal "03-29 05:00", due(:at_once, [ 2026, 3, 28, 23, 0, 0 ], quiet: [ 22, 7 ])
  end

  def test_no_letter_lies_in_the_past_nor_further_off_than_it_may
    random = Random.new(SEED)
    zones = %w[Europe/Berlin America/New_York Asia/Kathmandu Pacific/Chatham Etc/UTC Australia/Lord_Howe]
    generate(400) do
      at = Time.at(Time.utc(2026).to_i + random.rand(2 * 366 * 86_400)).utc
      schedule = Schedule.new(zones.sample(random: random), hour: random.rand(24), weekday: random.rand(7), quiet: [ nil, [ random.rand(24), random.rand(24) ] ].sample(random: random))
      once, daily, weekly = %i[at_once daily weekly].map { |way| schedule.due(way, at: at) - at }
      assert once >= 0 && once <= 25 * 3600 && daily.positive? && daily <= 25 * 3600 && weekly.positive? && weekly <= 7 * 86_400 + 3600, -> { "SEED=#{SEED} #{at} #{[ once, daily, weekly ]}" }
    end
  end
end
