require_relative "../test_helper"

class TellingReasonsTest < Minitest::Test
  Reasons = Zuhause::Telling::Reasons

  def test_each_is_told_once_for_the_strongest_reason_and_nobody_of_their_own_doing
    people = { following: [ 1, 2, 3, 4 ], keeping: [ 2, 4 ], answered: [ 3 ] }
    assert_equal({ 1 => :following, 2 => :keeping, 3 => :answered }, Reasons.each_once(:replied, people, by: 4))
  end

  def test_a_reason_that_an_act_does_not_have_counts_for_nothing
    assert_equal({ 2 => :following }, Reasons.each_once(:published, { answered: [ 1 ], named: [ 1 ], following: [ 2 ] }))
    assert_empty Reasons.each_once(:begun, { following: [ 1 ] })
  end

  def test_small_changes_are_announced_to_nobody_but_to_whom_they_are_meant_for
    assert_empty Reasons.each_once(:published, { following: [ 1 ], keeping: [ 2 ] }, small: true)
    assert_equal({ 1 => :named }, Reasons.each_once(:named, { named: [ 1 ] }, small: true))
  end

  def test_ways_are_those_chosen_or_the_customary
    assert_equal %i[weekly daily at_once], [ Reasons.way(:following, following: :weekly), Reasons.way(:following, following: :hourly), Reasons.way(:named) ]
  end

  def test_the_table_names_acts_and_reasons_that_there_are
    assert_empty Reasons::TABLE.keys - Zuhause::Happenings::Acts::TABLE.keys
    assert_empty Reasons::TABLE.values.flatten - Reasons::ALL
    assert_equal Reasons::ALL.sort, Reasons::DEFAULT_WAYS.keys.sort
    assert_equal Reasons::ALL.sort, Reasons::TABLE.values.flatten.uniq.sort, "each reason holds for something"
  end
end
