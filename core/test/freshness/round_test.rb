require_relative "../test_helper"

class FreshnessRoundTest < Minitest::Test
  Round = Zuhause::Freshness::Round

  def test_it_goes_on_behind_the_last_page_and_comes_round
    round = Round.new([ 1, 2, 3, 4 ], { 2 => "correct" })
    assert_equal [ 1, 3, 1 ], [ round.next, round.next(after: 1), round.next(after: 4) ]
    assert_equal [ 4, 1, false ], [ round.size, round.done, round.over? ]
    assert_equal [ [ nil, 2 ], [ 3, nil ], [ nil, nil ] ], [ round.beside(1), round.beside(4), round.beside(9) ]
  end

  def test_pages_that_are_gone_count_no_more_and_new_ones_are_come_to
    round = Round.new([ 1, 5 ], { 1 => "correct", 2 => "binned" })
    assert_equal [ 1, 2, 5 ], [ round.done, round.size, round.next(after: 2) ]
    assert Round.new([ 1 ], { 1 => "aside" }).over?
    assert_nil Round.new([ 1 ], { 1 => "aside" }).next(after: 1)
    assert Round.new([], {}).over?
  end

  def test_a_single_page_that_is_left_is_come_to_again
    assert_equal 3, Round.new([ 1, 2, 3 ], { 1 => "correct", 2 => "correct" }).next(after: 3)
  end

  def test_whatever_the_order_all_pages_are_come_to_once
    random = Random.new(Integer(ENV.fetch("SEED", "5")))
    100.times do
      order, said, at, met = (1..random.rand(1..12)).to_a.shuffle(random: random), {}, nil, []
      while (at = Round.new(order, said).next(after: at))
        met << at
        said[at] = Round::SAID.sample(random: random)
      end
      assert_equal order.sort, met.sort
    end
  end
end
