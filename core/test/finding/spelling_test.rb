require_relative "../test_helper"

class SpellingTest < Minitest::Test
  Spelling = Zuhause::Finding::Spelling

  def test_slips_by_the_length_of_what_was_typed
    { %w[gang gangway] => true, %w[ganway gangway] => true, %w[agngway gangway] => true, %w[gangwey gangway] => true, %w[gngwey gangway] => false,
      %w[timetabel timetable] => true, %w[tmetabel timetable] => true, %w[tmtabel timetable] => false, %w[ise ice] => false, %w[isce ice] => true, %w[icee icon] => false }.each do |(typed, word), expected|
      assert_equal expected, Spelling.match?(typed, word), "#{typed} for #{word}"
    end
  end

  # Against all words that one slip makes.
  def test_one_slip_is_at_distance_one
    random = Random.new(SEED)
    generate(300) do
      word = Array.new(1 + random.rand(8)) { ("a".."d").to_a.sample(random: random) }.join
      slip = slip(word, random)
      expected = slip == word ? 0 : 1
      assert_equal expected, Spelling.distance(word, slip, 3), "#{word} #{slip} SEED=#{SEED}"
      assert_equal Spelling.distance(word, slip, 3), Spelling.distance(slip, word, 3)
    end
    assert_equal 2, Spelling.distance("aaaa", "bbbb", 1), "given up"
  end

  # Against the definition, for words that have much or little in common.
  def test_distances_are_those_of_the_definition_up_to_where_it_gives_up
    random = Random.new(SEED)
    generate(600) do
      one, other = Array.new(2) { Array.new(random.rand(7)) { %w[a b c].sample(random: random) }.join }
      (1..3).each do |most|
        assert_equal [ by_definition(one, other), most + 1 ].min, Spelling.distance(one, other, most), "#{one} #{other} #{most} SEED=#{SEED}"
      end
    end
  end

  private

  def by_definition(one, other)
    return [ one.length, other.length ].max if one.empty? || other.empty?

    steps = [ by_definition(one.chop, other) + 1, by_definition(one, other.chop) + 1, by_definition(one.chop, other.chop) + (one[-1] == other[-1] ? 0 : 1) ]
    steps << by_definition(one[0...-2], other[0...-2]) + 1 if one.length > 1 && other.length > 1 && one[-1] == other[-2] && one[-2] == other[-1]
    steps.min
  end

  def slip(word, random)
    at = random.rand(word.length)
    case random.rand(4)
    when 0 then word.dup.insert(at, "x")
    when 1 then word.length > 1 ? word[0...at] + word[(at + 1)..] : word
    when 2 then word[0...at] + "y" + word[(at + 1)..]
    else at + 1 < word.length ? word[0...at] + word[at + 1] + word[at] + word[(at + 2)..] : word
    end
  end
end
