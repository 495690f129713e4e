require_relative "../test_helper"

class WordsTest < Minitest::Test
  include Zuhause

  MONDAY = Date.new(2026, 11, 23)

  CASES = {
    "today" => "2026-11-23", "Tomorrow" => "2026-11-24", " yesterday " => "2026-11-22", "the day after tomorrow" => "2026-11-25",
    "in two weeks" => "2026-12-07", "in 3 days" => "2026-11-26", "a week" => "2026-11-30", "in a fortnight" => "2026-12-07", "in one month" => "2026-12-23", "2 weeks from now" => "2026-12-07",
    "ten days ago" => "2026-11-13", "next week" => "2026-11-30", "last month" => "2026-10-23", "this week" => "2026-11-23",
    "end of the month" => "2026-11-30", "end of week" => "2026-11-29", "end of quarter" => "2026-12-31", "end of year" => "2026-12-31",
    "friday" => "2026-11-27", "on Mon" => "2026-11-30", "this sunday" => "2026-11-29", "next friday" => "2026-12-04", "next sunday" => "2026-12-06", "last monday" => "2026-11-16",
    "2026-12-01" => "2026-12-01", "1 Dec" => "2026-12-01", "1st of December" => "2026-12-01", "Dec 1, 2027" => "2027-12-01", "1 March" => "2027-03-01", "1.12." => "2026-12-01",
    "1.12.2027" => "2027-12-01", "1/12" => "2026-12-01", "31 Feb" => nil, "2026-13-01" => nil, "soon" => nil, "" => nil, "in two" => nil, "29.2.2027" => nil
  }.freeze

  def test_worked_cases
    unread, read = CASES.partition { |_text, day| day.nil? }
    read.each { |text, day| assert_equal day, Days::Words.read(text, today: MONDAY)&.iso8601, text }
    unread.each { |text, _day| assert_nil Days::Words.read(text, today: MONDAY), text }
  end

  def test_the_month_may_stand_first
    assert_equal Date.new(2027, 1, 12), Days::Words.read("1/12", today: MONDAY, month_first: true)
    assert_equal Date.new(2026, 12, 1), Days::Words.read("1.12.", today: MONDAY, month_first: true)
  end

  def test_weekdays_lie_where_they_are_said_to
    (0..13).each do |offset|
      today = MONDAY + offset
      Date::DAYNAMES.each do |name|
        coming, following, past = [ name, "next #{name}", "last #{name}" ].map { |text| Days::Words.read(text, today: today) }
        assert_equal [ name ] * 3, [ coming, following, past ].map { |day| day.strftime("%A") }
        assert_includes 1..7, (coming - today).to_i
        assert_includes 1..7, (today - past).to_i
        assert_equal following.cweek, (today + 7).cweek
      end
    end
  end
end
