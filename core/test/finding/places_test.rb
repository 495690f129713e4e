require_relative "../test_helper"

class PlacesTest < Minitest::Test
  include Zuhause::Finding

  def test_whole_words_whatever_stands_around_them
    places = Places.new("Salt, “salt” – SALT; salty Salz. (salt)")
    assert_equal 4, places.of("salt").size
    assert_equal 1, places.of("salz").size
    assert_empty places.of("sal")
    assert_equal 1, Places.new("Füße auf der Brücke").of("brucke").size
  end

  def test_generated_texts_agree_with_taking_them_apart
    generate(300) do |number|
      random = Random.new((SEED * 1000) + number)
      text = Array.new(random.rand(60)) { (Generated::PIECES + %w[salt grit b 12 winch_limit]).sample(random: random) }.join([ " ", ", ", "\n", " – " ].sample(random: random))
      words = Folding.words(text).select(&:ascii_only?).tally
      places = Places.new(text)
      %w[salt grit b 12 limit].each { |word| assert_equal [ words.fetch(word, 0), Places::MOST ].min, places.of(word).size, "#{word} in #{text.inspect}" }
    end
  end
end
