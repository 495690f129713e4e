require_relative "../test_helper"
require_relative "../support/steps"

# What is said to a page: its words, what is proposed instead of some, how a question stands.
class TalkTest < Minitest::Test
  include Zuhause

  PEOPLE = [ [ "Tom Ruud", "tomruud001" ], [ "Tom Ruud-Berg", "tomberg001" ], [ "Ida Karlow", "idakarlow1" ], [ "Ann Lee", "annlee0001" ], [ "Ann Lee", "annlee0002" ] ].freeze

  def test_people_are_kept_as_who_they_are
    assert_equal "Ask person:tomberg001, not person:tomruud001.", keep("Ask @Tom Ruud-Berg, not @tom ruud.")
    assert_equal %w[tomberg001 tomruud001], Talk::Words.people(keep("Ask @Tom Ruud-Berg, not @Tom Ruud. And @Tom Ruud."))
  end

  def test_nobody_is_meant_where_several_are_called_so_or_the_name_goes_on
    assert_equal "@Ann Lee and mail@Ida Karlow and @Ida Karlowski", keep("@Ann Lee and mail@Ida Karlow and @Ida Karlowski")
  end

  def test_what_is_kept_can_be_typed_again
    text = "Ask @Ida Karlow and @Tom Ruud-Berg.\nThen https://ice.example/a?b=1, or not."
    assert_equal text, Talk::Words.typed(keep(text)) { |id| PEOPLE.to_h { |name, key| [ key, name ] }[id] }
  end

  def test_addresses_of_the_house_become_pages_and_others_sites
    kept = Talk::Words.keep("See https://house.example/p/x-abcdefghij and https://ice.example/x.", inward: ->(address) { Links::Target.parse("page:abcdefghij#bcdefgh1") if address.include?("house") })
    assert_equal [ [ :text, "See ", nil ], [ :page, "abcdefghij", "bcdefgh1" ], [ :text, " and ", nil ], [ :site, "https://ice.example/x", nil ], [ :text, ".", nil ] ], Talk::Words.parts(kept).map(&:to_a)
  end

  def test_any_text_is_kept_with_all_its_words
    100.times do |number|
      random = Random.new(SEED + number)
      text = Array.new(30) { [ "@", "@Tom Ruud", "page:", "person:", "<b>", "\u0000", "\r\n", "é", "\xff", "https://", " ", "word", "[x](y)" ].sample(random: random) }.join
      assert_equal Talk::Words.clean(text), Talk::Words.typed(keep(text)) { |id| PEOPLE.to_h { |name, key| [ key, name ] }[id] }, "seed #{SEED}, number #{number}"
    end
  end

  def test_long_texts_take_time_that_grows_with_them
    steps = [ 1_000, 2_000, 4_000 ].map { |size| Steps.of { keep("@Tom Ruud " * size) } }
    assert_operator steps[2], :<, steps[1] * 3, steps.inspect
  end

  def test_differences_by_word
    parts = Talk::Proposing.difference("Salt and grit lie here", "Salt or grit lie here")
    assert_equal [ [ :same, "Salt " ], [ :removed, "and" ], [ :added, "or" ], [ :same, " grit lie here" ] ], parts
    assert_equal [ [ :removed, "Salt" ] ], Talk::Proposing.difference("Salt", "")
  end

  def test_words_are_taken_and_marks_stay
    document = read("Salt *and grit* lie in [the box](https://ice.example) here.")
    taken = take(document, "Salt and grit lie in the box", "Salt and sand lie in the box")
    assert_equal read("Salt *and sand* lie in [the box](https://ice.example) here.")["content"].first["content"], taken["content"].first["content"]
  end

  def test_striking_and_adding
    document = read("Never with the shovel's edge, never.")
    assert_equal "Never with the shovel's edge.", Document::Text.of(take(document, ", never", ""))
    assert_equal "Never, not once, with the shovel's edge, never.", Document::Text.of(take(document, "Never", "Never, not once,"))
  end

  def test_a_footnote_counts_for_nothing_in_its_line
    document = read("Salt[^1] eats bolts.\n\n[^1]: Slowly.")
    assert_equal "Salt harms bolts.\nSlowly.", Document::Text.of(take(document, "eats", "harms"))
  end

  def test_what_does_not_fit_is_refused
    document = read("Salt eats bolts.\n\nSand does not.")
    anchor = Anchors.at(document, document["content"].first.dig("attrs", "id"), 0, 4)
    assert_raises(Talk::Proposing::Unfit) { Talk::Proposing.take(read("Grit eats bolts."), anchor, "Sand") }
    assert_raises(Talk::Proposing::Unfit) { Talk::Proposing.take(document, Anchors.whole(document, anchor.block), "Sand") }
    across = Anchors.at(document, anchor.block, 5, 20)
    refute Talk::Proposing.possible?(document, across)
    assert Talk::Proposing.possible?(document, anchor)
  end

  # Taken words stand where the others stood, and nothing else has changed.
  def test_taking_at_random
    300.times do |number|
      random = Random.new((SEED * 1000) + number)
      text = Array.new(3 + random.rand(12)) { %w[salt *grit* **ice** rope the of].sample(random: random) }.join(" ")
      document = read(text)
      plain = Document::Text.of(document)
      from = random.rand(plain.length)
      length = 1 + random.rand(plain.length - from)
      words = Array.new(random.rand(4)) { %w[new old salt].sample(random: random) }.join(" ")
      next if (plain[0...from] + words + plain[from + length..]).strip.empty?

      anchor = Anchors.at(document, document["content"].first.dig("attrs", "id"), from, length)
      assert_equal (plain[0...from] + words + plain[from + length..]).strip, Document::Text.of(Talk::Proposing.take(document, anchor, words)).strip, "seed #{SEED}, number #{number}"
    end
  end

  def test_how_a_question_stands
    { [ false, [] ] => :open, [ true, [] ] => :settled, [ false, [ [ 0, 0 ] ] ] => :answered, [ false, [ [ 1, 2 ] ] ] => :doubted, [ false, [ [ 1, 2 ], [ 3, 0 ] ] ] => :answered }
      .each { |(settled, answers), state| assert_equal state, Talk::Standing.of(settled: settled, answers: answers) }
    assert_equal :answered, Talk::Standing.of(settled: false, answers: [ [ 0, 3 ] ], chosen: true)
  end

  private

  def keep(text)
    Talk::Words.keep(text, people: PEOPLE)
  end

  def read(markdown)
    Document.accept(Markup::MarkdownReader.read(markdown).doc).doc
  end

  def take(document, quote, words)
    block = document["content"].first.dig("attrs", "id")
    at = Anchors::PageText.new(document).block(block).text.index(quote)
    Talk::Proposing.take(document, Anchors.at(document, block, at, quote.length), words)
  end
end
