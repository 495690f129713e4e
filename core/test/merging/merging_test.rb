require_relative "../test_helper"

# Worked cases of joining two texts.
class MergingTest < Minitest::Test
  include Zuhause

  BASE = "Salt and grit on the gangway.\n\n- one\n- two\n\n| a | b |\n| - | - |\n| c | d |\n\nThe end is here.".freeze

  def test_words_in_different_places_come_together
    assert_merged BASE.sub("grit", "sand").sub("gangway", "ramp"), BASE.sub("grit", "sand"), BASE.sub("gangway", "ramp")
    assert_merged BASE.sub("- two", "- two\n- three").sub("Salt", "Much salt"), BASE.sub("- two", "- two\n- three"), BASE.sub("Salt", "Much salt")
    assert_merged BASE.sub("Salt", "**Salt**").sub("grit", "*grit*"), BASE.sub("Salt", "**Salt**"), BASE.sub("grit", "*grit*")
  end

  def test_different_words_in_one_place_both_stand_with_whose_they_are
    merged = merge(BASE.sub("grit", "sand"), BASE.sub("grit", "gravel"))
    marked = Document::Walk.each(merged.document).filter_map { |node, _ancestors| node["marks"]&.then { |marks| [ node["text"].strip, marks.first["type"], marks.first.dig("attrs", "by") ] } }
    assert_equal [ [ "gravel", "double", "otherwrit1" ], [ "sand", "double", "onewrites1" ] ], marked.sort
    assert_equal 1, Merging.open_in(merged.document)
    assert_includes Document::Text.of(merged.document).scan(/\w+/), "sand"
  end

  def test_equal_words_count_once
    assert_merged BASE.sub("grit", "fine grit"), BASE.sub("grit", "fine grit"), BASE.sub("grit", "fine grit")
    assert_merged "#{BASE}\n\nMore.", "#{BASE}\n\nMore.", "#{BASE}\n\nMore.".sub("x", "y")
  end

  def test_what_one_removed_and_the_other_left_is_gone_and_what_the_other_changed_stays_marked
    assert_merged BASE.sub("\n\nThe end is here.", ""), BASE.sub("\n\nThe end is here.", ""), BASE
    merged = merge(BASE.sub("\n\nThe end is here.", ""), BASE.sub("is here", "is near"))
    kept = merged.document["content"].last
    assert_equal "The end is near.", Document::Text.of(kept)
    assert_equal [ { "type" => "kept", "attrs" => { "by" => "otherwrit1" } } ], kept["content"].first["marks"]
  end

  def test_what_holds_the_other_side_already_stays_as_it_is
    text = lambda do |was, one, other|
      was, one, other = [ was, one, other ].map { |words| Document.accept(base.merge("content" => [ with(base["content"].last, words) ]), random: Random.new(7)).doc }
      merged = Merging.merge(side(was, 1, nil), side(one, 2, "onewrites1"), side(other, 3, "otherwrit1")).document
      assert_equal merged, Merging.merge(side(was, 1, nil), side(other, 3, "otherwrit1"), side(merged, 4, nil)).document
      Document::Text.of(merged)
    end
    assert_equal "#[a- grit rope]- x{", text.call("#[a- x{™]- x{", "#[a-rope]- x{", "#[a- x{™ grit ]- x{")
    assert_equal "and not this and not that", text.call("and this and that", "and not this and that", "and this and not that")
  end

  def test_spaces_and_lines_that_one_put_into_code_stay_with_the_other_s_words
    [ [ "a\n  b\nc", "a\nb\nc d", "a\n  b\nc d" ], [ "a\n\nb\nc", "a\nb\nc d", "a\n\nb\nc d" ], [ "  a\nb\nc", "a\nb\nc d", "  a\nb\nc d" ] ].each do |one, other, expected|
      was, one, other = [ "a\nb\nc", one, other ].map { |text| Document.accept(base.merge("content" => [ { "type" => "code_block", "attrs" => { "id" => "codecode" }, "content" => [ { "type" => "text", "text" => text } ] } ]), random: Random.new(7)).doc }
      assert_equal expected, Document::Text.of(Merging.merge(side(was, 1, nil), side(one, 2, "onewrites1"), side(other, 3, "otherwrit1")).document)
    end
  end

  # The second has all that the first put in another order in just that order.
  def test_an_order_that_holds_the_other_already_stays
    order = ->(was, *lists, later) { Merging::Order.new(lists.flatten.to_set, was, lists, later: later).merged }
    assert_equal [ 4, 3, 2, 1 ], order.call([ 1, 2, 3 ], [ 1, 3, 2 ], [ 4, 3, 2, 1 ], 1)
    assert_equal [ 4, 3, 2, 1 ], order.call([ 1, 2, 3 ], [ 4, 3, 2, 1 ], [ 1, 3, 2 ], 1)
    assert_equal [ 2, 1, 4, 3 ], order.call([ 1, 2, 3, 4 ], [ 2, 1, 3, 4 ], [ 1, 2, 4, 3 ], 1)
  end

  def test_a_split_that_both_have_is_where_the_words_of_either_tell
    last = ->(doc) { doc["content"].last }
    split = edited { |doc| [ *doc["content"][0...-1], with(last.(doc), "The end"), with(last.(doc), " is here.", "newhalf1") ] }
    written = edited { |doc| [ *doc["content"][0...-1], with(last.(doc), "The end lamp"), with(last.(doc), " here.", "newhalf1") ] }
    assert_equal [ "The end lamp", " here." ], join(split, written).document["content"].last(2).map { |node| Document::Text.of(node) }
    assert_settled split, written
  end

  def test_rows_and_columns_meet
    merged = merge(BASE.sub("| c | d |", "| c | d |\n| e | f |"), BASE.sub("| a | b |", "| a | x | b |").sub("| - | - |", "| - | - | - |").sub("| c | d |", "| c | y | d |"))
    table = merged.document["content"].find { |node| node["type"] == "table" }
    assert_equal [ %w[a x b], %w[c y d], [ "e", "", "f" ] ], table["content"].map { |row| row["content"].map { |cell| Document::Text.of(cell) } }
  end

  def test_a_paragraph_that_one_splits_takes_the_other_s_words_into_the_half_that_they_belong_to
    last = ->(doc) { doc["content"].last }
    one = edited { |doc| [ *doc["content"][0...-1], with(last.(doc), "The end"), with(last.(doc), " is here.", nil) ] }
    other = document(BASE.sub("is here", "is very near"))
    merged = join(one, other).document
    assert_equal [ "The end", " is very near." ], merged["content"].last(2).map { |node| Document::Text.of(node) }
    assert_equal merged, join(other, one).document
  end

  def test_two_paragraphs_that_one_joins_take_the_other_s_words_along
    base = Document.accept(Markup::MarkdownReader.read("First words.\n\nSecond words.").doc).doc
    first, second = base["content"]
    one = base.merge("content" => [ with(first, "First words. Second words.") ])
    other = base.merge("content" => [ first, with(second, "Second and third words.") ])
    merged = Merging.merge(side(base, 1, nil), side(one, 2, "onewrites1"), side(other, 3, "otherwrit1")).document
    assert_equal "First words. Second and third words.", Document::Text.of(merged)
  end

  # What was written over has no word in common with what the base had there.
  def test_what_was_split_or_joined_and_written_over_is_joined_once_more_without_change
    last = base["content"].last
    split = edited { |doc| [ *doc["content"][0...-1], with(last, "The end"), with(last, " is here.", nil) ] }
    assert_settled split, edited { |doc| [ *doc["content"][0...-1], with(last, "The end comes soon, they say.") ] }

    item, second = base["content"][1]["content"]
    one, two = [ item, second ].map { |each| each["content"].first }
    within = ->(list) { [ base["content"].first, base["content"][1].merge("content" => list), *base["content"].drop(2) ] }
    beside = edited { within.([ item.merge("content" => [ one, two ]) ]) }
    @base = beside
    joined = edited { within.([ item.merge("content" => [ with(one, "one two") ]) ]) }
    assert_settled joined, edited { within.([ item.merge("content" => [ one, with(two, "three and four") ]) ]) }
  end

  def test_a_block_that_one_moves_takes_along_what_the_other_writes_in_it
    moved = edited { |doc| [ doc["content"].last, *doc["content"][0...-1] ] }
    merged = join(moved, document(BASE.sub("is here", "is near"))).document
    assert_equal "The end is near.", Document::Text.of(merged["content"].first)
    assert_equal 4, merged["content"].size
  end

  def test_of_a_title_and_of_attributes_the_later_one_holds_and_the_other_is_told
    base = side(document, 1, nil, "Old")
    outcome = Merging.merge(base, side(document, 3, "onewrites1", "Later"), side(document(BASE.sub("Salt", "Much salt")), 2, "otherwrit1", "Sooner"))
    assert_equal "Later", outcome.title
    assert_equal [ [ "title", "Sooner", "otherwrit1" ] ], outcome.others.map { |other| [ other.name, other.value, other.by ] }
    assert_includes Document::Text.of(outcome.document), "Much salt"
  end

  def test_a_paragraph_made_a_heading_keeps_what_the_other_writes_in_it
    heading = edited { |doc| [ *doc["content"][0...-1], { "type" => "heading", "attrs" => doc["content"].last["attrs"].merge("level" => 2), "content" => doc["content"].last["content"] } ] }
    last = join(heading, document(BASE.sub("is here", "is near"))).document["content"].last
    assert_equal [ "heading", 2, "The end is near." ], [ last["type"], last["attrs"]["level"], Document::Text.of(last) ]
  end

  CODE = "Salt.\n\n```\nvalue = one\n```\n\n## Grit".freeze

  def test_different_words_in_code_both_stand_and_are_told
    outcome = of_code("one", "two", "one", "three")
    assert_equal "value = two three".split.sort, Document::Text.of(outcome.document["content"][1]).split.sort
    other = told(outcome, Merging::DOUBLE)
    assert_equal [ %w[onewrites1 two], %w[otherwrit1 three] ], other.value.map { |by, words| [ by, words.strip ] }.sort
    assert Merging.open?(outcome.document, "", other)
  end

  def test_code_that_one_removed_and_the_other_changed_stays_and_can_be_taken_out
    outcome = of_code(/```.*```\n\n/m, "", "one", "three")
    other = told(outcome, Merging::KEPT)
    assert_equal "otherwrit1", other.by
    assert_equal %w[paragraph heading], Merging.take(outcome.document, other)["content"].map { |node| node["type"] }
  end

  def test_what_gave_way_can_be_let_hold
    outcome = of_code("## Grit", "### Grit", "## Grit", "#### Grit")
    other = told(outcome, "level")
    assert_equal [ 3, 4 ], [ other.value, outcome.document["content"].last["attrs"]["level"] ].sort
    taken = Merging.take(outcome.document, other)
    assert_equal other.value, taken["content"].last["attrs"]["level"]
    assert Merging.open?(outcome.document, "", other)
    refute Merging.open?(taken, "", other)
    refute Merging.open?(Document.accept(Document.empty).doc, "", other)
  end

  def test_a_type_that_gave_way_can_be_let_hold
    document = Document.accept(Markup::MarkdownReader.read("Salt\n\n- one").doc).doc
    taken = Merging.take(document, Merging::Other.new(document["content"].first["attrs"]["id"], Merging::TYPE, "heading", nil))
    assert_equal [ "heading", "Salt" ], [ taken["content"].first["type"], Document::Text.of(taken["content"].first) ]
    same = Merging.take(document, Merging::Other.new(document["content"].last["attrs"]["id"], Merging::TYPE, "heading", nil))
    assert_equal document, same
  end

  # Stretch by stretch, so that it takes no minutes.
  def test_nothing_is_lost_of_a_block_too_long_to_be_told_apart_word_by_word
    long = Array.new(Changes::Budget::LONGEST / 8) { |i| "w#{i}" }.join(" ")
    base = Document.accept(Markup::MarkdownReader.read(long).doc).doc
    one, other = [ [ "w9 ", "one9 " ], [ "w9 ", "two9 " ] ].map { |was, is| Document.accept(Changes.carry_ids(base, Markup::MarkdownReader.read(long.sub(was, is)).doc)).doc }
    outcome = Merging.merge(side(base, 1, nil), side(one, 2, "onewrites1"), side(other, 3, "otherwrit1"))
    assert_includes Document::Text.of(outcome.document), "one9"
    assert_includes Document::Text.of(outcome.document), "two9"
    assert_equal 1, Merging.open_in(outcome.document)
  end

  private

  def of_code(was, one, had, other)
    base = Document.accept(Markup::MarkdownReader.read(CODE).doc, random: Random.new(1)).doc
    sides = [ [ was, one ], [ had, other ] ].map { |old, new| Document.accept(Changes.carry_ids(base, Markup::MarkdownReader.read(CODE.sub(old, new)).doc), random: Random.new(2)).doc }
    outcome = Merging.merge(side(base, 1, nil), side(sides.first, 2, "onewrites1"), side(sides.last, 3, "otherwrit1"))
    outcome
  end

  def told(outcome, name)
    assert_equal [ name ], outcome.others.map(&:name)
    outcome.others.first
  end

  def base
    @base ||= Document.accept(Markup::MarkdownReader.read(BASE).doc, random: Random.new(1)).doc
  end

  def document(markdown = BASE)
    Document.accept(Changes.carry_ids(base, Markup::MarkdownReader.read(markdown).doc), random: Random.new(markdown.sum)).doc
  end

  def edited
    Document.accept(base.merge("content" => yield(base)), random: Random.new(7)).doc
  end

  def with(node, text, id = node.dig("attrs", "id"))
    { "type" => node["type"], "attrs" => { "id" => id }.compact, "content" => [ { "type" => "text", "text" => text } ] }
  end

  def side(document, version, by, title = "T")
    Merging::Side.new(document: document, title: title, by: by, version: version)
  end

  def join(one, other)
    Merging.merge(side(base, 1, nil), side(one, 2, "onewrites1"), side(other, 3, "otherwrit1"))
  end

  def assert_settled(one, other)
    merged = join(one, other).document
    again = side(merged, 4, nil)
    assert_equal [ merged, merged ], [ Merging.merge(side(base, 1, nil), side(one, 2, "onewrites1"), again).document, Merging.merge(side(base, 1, nil), side(other, 3, "otherwrit1"), again).document ]
  end

  def merge(one, other)
    join(document(one), document(other))
  end

  def assert_merged(expected, one, other)
    merged = merge(one, other)
    assert_equal Markup::MarkdownWriter.write(document(expected), ids: false), Markup::MarkdownWriter.write(merged.document, ids: false)
    assert_equal merged.document, merge(other, one).document.then { |_| join(document(other), document(one)).document }
  end
end
