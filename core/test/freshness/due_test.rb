require_relative "../test_helper"

class FreshnessDueTest < Minitest::Test
  Due = Zuhause::Freshness::Due

  def day(month, day)
    Date.new(2026, month, day)
  end

  def test_a_day_that_a_month_lacks_is_its_last
    assert_equal [ day(2, 28), day(4, 30), Date.new(2027, 1, 31), nil ], [ Due.on(day(1, 31), 1), Due.on(day(1, 31), 3), Due.on(day(1, 31), 12), Due.on(day(1, 31), nil) ]
  end

  def test_on_the_day_itself_it_is_not_overdue
    assert_equal [ false, true, false ], [ Due.over?(day(5, 1), day(5, 1)), Due.over?(day(5, 1), day(5, 2)), Due.over?(nil, day(5, 2)) ]
    assert_equal [ false, true, true, false ], [ day(4, 16), day(4, 17), day(5, 1), day(5, 2) ].map { |today| Due.near?(day(5, 1), today) }
  end

  def test_keepers_are_told_two_weeks_ahead_on_the_day_and_two_weeks_after
    due = day(5, 20)
    told = { day(5, 5) => nil, day(5, 6) => :ahead, day(5, 19) => :ahead, day(5, 20) => :due, day(6, 2) => :due, day(6, 3) => :late, day(12, 1) => :late }
    assert_equal told, told.keys.to_h { |today| [ today, Due.stage(due, today) ] }
  end

  def test_nothing_is_told_twice_and_nothing_that_came_before
    due = day(5, 20)
    told, days = nil, []
    (day(5, 1)..day(7, 1)).each { |today| (stage = Due.stage(due, today, told: told)) && (told = stage) && days << [ today, stage ] }
    assert_equal [ [ day(5, 6), :ahead ], [ day(5, 20), :due ], [ day(6, 3), :late ] ], days
    assert_nil Due.stage(due, day(5, 20), told: :late)
    assert_equal :late, Due.stage(due, day(7, 1)), "whoever was away is told the latest alone"
  end
end
