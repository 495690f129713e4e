require_relative "../test_helper"

class PromisedTest < Minitest::Test
  include Zuhause

  SAME = {
    nil => [ [ "Box list", "box-list", "BOX  LIST", "Box lists", "Boxlist" ], [ "Café hours", "Cafe hours", "CAFÉ HOURS" ], [ "Safety policy", "Safety policies" ],
             [ "Hatch", "Hatches" ], [ "Crew’s bus", "Crews bus", "Crew's bus" ], [ "Co-writing", "Cowriting", "co writing" ], [ "Gangway glass", "Gangway glasses" ] ],
    "de" => [ [ "Fahrplan", "Fahrpläne", "FAHRPLÄNE" ], [ "Haus", "Häuser", "Häusern" ], [ "Leine", "Leinen" ], [ "Salz-Kiste", "Salzkiste", "Salzkisten" ], [ "Straße", "Strasse", "Straßen" ], [ "Auto", "Autos" ], [ "Feder", "Federn" ] ]
  }.freeze
  OTHERS = [ "Plan", "Plane", "Bus", "Class", "Basis", "Crisis", "Gas", "Care", "Car", "Winter timetable", "Winter", "Salt", "Saltbox", "Ice 1", "Ice 2", "Yes", "Ye" ].freeze

  def test_titles_that_are_the_same_one
    SAME.each { |language, groups| groups.each { |titles| assert_equal 1, titles.map { |title| Links::Promised.key(title, language) }.uniq.size, titles.inspect } }
  end

  def test_titles_that_are_not
    assert_equal OTHERS.size, OTHERS.map { |title| Links::Promised.key(title) }.uniq.size, OTHERS.group_by { |title| Links::Promised.key(title) }.values.select { |all| all.size > 1 }.inspect
  end

  def test_a_title_of_no_words_is_itself
    assert_equal "🚢", Links::Promised.key(" 🚢 ")
    refute_equal Links::Promised.key("?"), Links::Promised.key("!")
  end

  def test_a_page_keeps_what_is_promised_in_either_language
    assert_equal({ nil => "kisten", "de" => "kist" }, Links::Promised.keys("Kisten"))
  end

  def test_any_text_has_a_key_that_is_one_for_all_its_spellings
    random = Random.new(SEED)
    200.times do
      title = "Hafen #{Array.new(1 + random.rand(4)) { %w[Hafen Salz box List Ä é ß 1 - ' ferry's ﬁn].sample(random: random) }.join(" ")}"
      key = Links::Promised.key(title)
      refute_empty key
      assert_equal key, Links::Promised.key(title.upcase.tr(" ", "-")), title
      assert_equal key, Links::Promised.key(title.unicode_normalize(:nfd)), title
    end
  end
end
