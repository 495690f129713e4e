require_relative "../test_helper"

class TypedTest < Minitest::Test
  include Zuhause::Finding

  TODAY = Date.new(2026, 11, 26)

  def test_filters_in_plain_words
    typed = read("mooring in On Board, by Nils Abert, since May, with tasks, in German, tagged winter")
    assert_equal "mooring", typed.text
    assert_equal({ room: 1, author: 3, tag: 9, language: "de", has: :tasks, since: Date.new(2026, 5, 1) }, typed.filters)
  end

  def test_only_what_is_known_is_a_filter
    typed = read("gangway in ice by the sea with salt since it froze")
    assert_equal [ "gangway in ice by the sea with salt since it froze", {} ], [ typed.text, typed.filters ]
  end

  def test_a_first_name_where_nobody_else_has_it
    assert_equal({ author: 3 }, read("mooring by Nils").filters)
    assert_empty read("mooring by Tom").filters, "there are two"
    assert_equal({ author: 4 }, read("mooring by Tom Ruud").filters)
  end

  def test_the_longer_of_two_names
    assert_equal({ room: 2 }, read("rope in on board stores").filters)
  end

  def test_days_lie_behind
    assert_equal Date.new(2025, 12, 1), read("x since December").filters[:since]
    assert_equal Date.new(2026, 11, 25), read("since yesterday x, y").filters[:since] || read("x since yesterday").filters[:since]
    assert_equal({ since: Date.new(2026, 10, 1) }, read("salt since oct").filters)
  end

  def test_any_input
    random = Random.new(SEED)
    generate(200) do
      text = Array.new(random.rand(10)) { (Generated::PIECES + [ "in", "by", "since", "with", ",", "On Board", "tasks", "German", "\xff", "(" ]).sample(random: random) }.join(" ")
      typed = read(text)
      assert_operator typed.text.length, :<=, Question::LONGEST
    end
    assert_equal [ "", {} ], [ read(nil).text, read(nil).filters ]
  end

  private

  def read(text)
    Typed.new(text, today: TODAY, rooms: { "On Board" => 1, "On Board Stores" => 2 }, people: { "Nils Abert" => 3, "Tom Ruud" => 4, "Tom Osk" => 5 }, tags: { "winter" => 9 })
  end
end
