require_relative "../test_helper"
require_relative "../support/steps"

# Places in texts that change: worked cases, and edits at random in which each word is known wherever it goes.
class AnchorsTest < Minitest::Test
  include Zuhause

  COUNT = ENV["LONG"] ? 5_000 : ENV["QUICK"] ? 150 : 500
  SURVIVING = 0.98 # of quotes all of whose words survive, that are found again

  def test_a_quote_that_stands_as_it_was_is_found_whatever_happens_elsewhere
    found = find("Salt and grit lie in the box by the gangway.", "grit", "Before.\n\nSalt and grit lie in the box by the gangway.\n\nAfter.")
    assert_equal [ :same, "grit" ], [ found.state, found.anchor.exact ]
  end

  def test_of_equal_words_the_one_with_the_same_around_it_is_meant
    found = find("The box is red. The door is red.", "red", "A red boat. The box is red. The door is red.", 2)
    assert_equal [ :same, 40 ], [ found.state, found.anchor.start ]
  end

  def test_words_that_were_changed_are_found_by_likeness_and_said_to_be
    found = find("Clear the tread from the top down, never with the edge of the shovel.", "Clear the tread from the top down", "Clear the whole tread from the top downwards, never with the edge.")
    assert_equal [ :changed, "Clear the whole tread from the top downwards" ], [ found.state, found.anchor.exact ]
  end

  def test_a_quote_that_is_gone_is_not_found_elsewhere
    assert_equal :gone, find("The key hangs by the door.\n\nSalt.", "key", "Salt.\n\nThe key of the chart room is lost.").state
    assert_equal :gone, find("Call the night desk before nine.", "Call the night desk before nine", "Other words stand here now.").state
  end

  def test_whole_words_are_not_found_within_others_and_letters_of_any_kind_count_as_one
    assert_equal :gone, find("The key hangs.", "key", "The keyhole of the chart room is wide.").state
    found = find("Größe: der Schlüssel hängt hier.", "Schlüssel", "Ä ü ö ß.\n\nNun Größe: der Schlüssel hängt hier.")
    assert_equal [ :same, "Schlüssel", 15 ], [ found.state, found.anchor.exact, found.anchor.start ]
  end

  def test_a_block_that_is_meant_as_a_whole_is_there_or_not_and_its_picture_can_be_another
    document = document("Text.").then { |doc| doc.merge("content" => doc["content"] + [ { "type" => "figure", "attrs" => { "id" => "figure01", "file" => "abcdefghij" } } ]) }
    anchor = Anchors.whole(document, "figure01")
    other = document.merge("content" => [ document["content"].last.merge("attrs" => { "id" => "figure01", "file" => "zbcdefghij" }) ])
    assert_equal %i[same changed gone], [ document, other, document("Text.") ].map { |doc| Anchors.find(anchor, doc).state }
    assert_nil Anchors.whole(document, "figure02")
  end

  def test_an_annotation_says_where_it_stands_in_three_ways
    document = document("Salt and grit.")
    anchor = Anchors.at(document, document["content"].first.dig("attrs", "id"), 5, 3)
    given = Anchors::Annotation.of(id: "https://house.example/remarks/a", source: "https://house.example/p/b", kind: "proposal", body: "Why?", words: "or", by: "Ben", at: Time.utc(2026, 11, 3), anchor: anchor, place: 5)
    assert_equal %w[FragmentSelector TextQuoteSelector TextPositionSelector], given.dig("target", "selector").map { |selector| selector["type"] }
    assert_equal [ "editing", "or", "2026-11-03T00:00:00Z" ], [ given["motivation"], given["body"].last["value"], given["created"] ]
    assert_equal [ [ 5, 8 ] ], given.dig("target", "selector").filter_map { |selector| selector.values_at("start", "end") if selector["start"] }
  end

  def test_of_two_that_are_as_likely_none_is_taken
    found = find("One two three four five six.", "two three four five", "x\n\nOne two three four five six.\n\nOne two three four five six.", fresh: true)
    assert_equal [ :doubtful, 2 ], [ found.state, found.candidates.size ]
  end

  # Long quotes in endless paragraphs of which every word is another now.
  def test_however_long_texts_and_quotes_are_the_time_is_bounded
    steps = [ 1_000, 2_000, 4_000 ].map do |size|
      words = ->(seed) { Random.new(seed).then { |random| Array.new(size) { VOCABULARY.sample(random: random) }.join(" ") } }
      before, after = [ 1, 2 ].map { |seed| Anchors::PageText.new({ "type" => "doc", "content" => [ { "type" => "paragraph", "attrs" => { "id" => "paragrap" }, "content" => [ { "type" => "text", "text" => words.call(seed) } ] } ] }) }
      anchors = Array.new(10) { |i| before.anchor("paragrap", i * 100, Anchors::LONGEST) }
      Steps.of { Anchors.find_all(anchors, after) }
    end
    assert_operator steps[2], :<, steps[1] * 3, steps.inspect
    assert_operator steps[2], :<, 12_000_000, steps.inspect
  end

  def test_quotes_over_random_edits
    tally = Hash.new(0)
    COUNT.times { |number| judge(Random.new((SEED * 100_000) + number), tally, "seed #{SEED}, number #{number}") }
    assert_equal 0, tally[:wrong], tally.inspect
    assert_equal tally[:unchanged], tally[:unchanged_found], tally.inspect
    assert_operator tally[:surviving_found], :>=, (tally[:surviving] * SURVIVING).floor, tally.inspect
    puts "quotes: #{tally.sort.map { |name, times| "#{name} #{times}" }.join(", ")}" if ENV["TELL"]
  end

  private

  VOCABULARY = %w[salt grit ice rope the of and a lantern tread gangway box under never before watch ship stage night desk].freeze

  def find(was, quote, is, occurrence = 1, fresh: false)
    before = document(was)
    after = Document.accept(fresh ? Markup::MarkdownReader.read(is).doc : Changes.carry_ids(before, Markup::MarkdownReader.read(is).doc)).doc
    text = Anchors::PageText.new(before)
    Anchors.find(text.anchor_at(text.places_of(quote, 9)[occurrence - 1], quote.length), after)
  end

  def document(markdown)
    Document.accept(Markup::MarkdownReader.read(markdown).doc).doc
  end

  # Words with numbers of their own, in blocks with ids.
  def judge(random, tally, which)
    @random, @number = random, 0
    blocks = Array.new(2 + random.rand(6)) { [ id, Array.new(4 + random.rand(30)) { word } ] }
    at = random.rand(blocks.size)
    from = random.rand(blocks[at].last.size)
    quoted = blocks[at].last[from, 1 + random.rand(8)]
    anchor = Anchors.at(of(blocks), blocks[at].first, blocks[at].last.first(from).sum { |each| each.first.size + 1 }, spoken(quoted).size)
    after = (1 + random.rand(4)).times.reduce(blocks) { |all, _| edited(all) }
    count(anchor, Anchors.find(anchor, of(after)), quoted, blocks, after, tally, which)
  end

  def count(anchor, found, quoted, before, after, tally, which)
    numbers = quoted.map(&:last)
    there = after.flat_map { |block| block.last.map(&:last) }
    where = numbers.filter_map { |number| there.index(number) }
    whole = where.size == numbers.size && where == (where.first..where.last).to_a && one_block?(after, numbers)
    tally[:surviving] += 1 if where.size == numbers.size
    tally[:surviving_found] += 1 if where.size == numbers.size && found.state != :gone
    if whole && around?(before, after, numbers)
      tally[:unchanged] += 1
      tally[:unchanged_found] += 1 if found.state == :same && numbers_at(found.anchor, after) == numbers
    end
    return unless found.state == :same && elsewhere?(numbers_at(found.anchor, after), numbers) && !said_again?(anchor, found.anchor)

    tally[:wrong] += 1
    warn("#{which}: #{spoken(quoted)} #{anchor.to_h} at #{found.anchor.to_h}")
  end

  # Where a word was put in that stands there already, nobody can tell which of both is meant.
  def elsewhere?(found, meant)
    (found & meant).size < meant.size / 2.0
  end

  # A word that was replaced by the same word, with the same around it as far as there is anything, is the same to anybody.
  def said_again?(was, is)
    return true if [ was, is ].map { |each| [ each.prefix.split.last(2), each.suffix.split.first(2) ] }.uniq.one?

    was.block == is.block && was.start == is.start && was.prefix.end_with?(is.prefix) && was.suffix.start_with?(is.suffix)
  end

  def one_block?(blocks, numbers)
    blocks.any? { |block| (numbers - block.last.map(&:last)).empty? }
  end

  # Whether what stood within the remembered distance stands there still.
  def around?(before, after, numbers)
    [ before, after ].map { |blocks| context(blocks, numbers) }.uniq.one?
  end

  def context(blocks, numbers)
    flat = blocks.flat_map { |block| [ *block.last, [ "\n", nil ] ] }
    first, last = flat.index { |_word, number| number == numbers.first }, flat.index { |_word, number| number == numbers.last }
    [ flat[[ first - 12, 0 ].max...first].map(&:first).join(" ").chars.last(Anchors::CONTEXT), flat[last + 1, 12].to_a.map(&:first).join(" ").chars.first(Anchors::CONTEXT) ]
  end

  def numbers_at(anchor, blocks)
    words = blocks.find { |block| block.first == anchor.block }.last
    at = 0
    words.filter_map { |text, number| from = at; at += text.size + 1; number if from >= anchor.start && from + text.size <= anchor.start + anchor.length }
  end

  def word
    [ VOCABULARY.sample(random: @random), @number += 1 ]
  end

  def id
    Document::Ids.generate(random: @random)
  end

  def spoken(words)
    words.map(&:first).join(" ")
  end

  def of(blocks)
    { "type" => "doc", "content" => blocks.map { |block, words| { "type" => "paragraph", "attrs" => { "id" => block }, "content" => [ { "type" => "text", "text" => spoken(words) } ] } } }
  end

  def edited(blocks)
    at = @random.rand(blocks.size)
    block, words = blocks[at]
    put = ->(*those) { blocks[0...at] + those + blocks[at + 1..] }
    case @random.rand(8)
    when 0 then put.call([ block, words.dup.insert(@random.rand(words.size + 1), *Array.new(1 + @random.rand(3)) { word }) ])
    when 1 then words.size > 3 ? put.call([ block, words[0...(cut = @random.rand(words.size - 2))] + words[cut + 1 + @random.rand(2)..] ]) : blocks
    when 2 then put.call([ block, words.dup.tap { |all| all[@random.rand(all.size)] = word } ])
    when 3 then words.size > 3 ? put.call([ block, words[0...(cut = 1 + @random.rand(words.size - 1))] ], [ id, words[cut..] ]) : blocks
    when 4 then at + 1 < blocks.size ? blocks[0...at] + [ [ block, words + blocks[at + 1].last ] ] + blocks[at + 2..] : blocks
    when 5 then (blocks - [ blocks[at] ]).insert(@random.rand(blocks.size), blocks[at])
    when 6 then blocks.size > 2 ? put.call : blocks
    else blocks.dup.insert(at, [ id, Array.new(3 + @random.rand(9)) { word } ])
    end
  end
end
