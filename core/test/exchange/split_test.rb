require_relative "../test_helper"

class SplitTest < Minitest::Test
  include Zuhause

  def test_sections_that_fit_together_are_one_piece
    words = "word " * 40_000 # some 200 kB
    pieces = Exchange::Split.of(doc("Before.\n\n" + Array.new(12) { |i| "# Part #{i}\n\n#{words}\n\n## Within\n\nmore\n\n" }.join))
    assert_nil pieces.first.title
    assert_equal "Before.", text(pieces.first)
    assert_equal [ "Part 0 – Part 5", "Part 6 – Part 11" ], pieces.drop(1).map(&:title)
    assert_operator pieces.map { |piece| JSON.generate(piece.content).bytesize }.max, :<, Document::Schema::MAX_BYTES
  end

  def test_lower_headings_serve_where_the_greatest_are_too_long
    words = "word " * 150_000
    pieces = Exchange::Split.of(doc("# All\n\n" + Array.new(4) { |i| "## Part #{i}\n\n#{words}\n\n" }.join))
    assert_equal [ nil, "All – Part 0", "Part 1", "Part 2", "Part 3" ], pieces.map(&:title)
  end

  def test_what_has_no_headings_is_cut_between_blocks_and_their_items
    pieces = Exchange::Split.of(doc("Before.\n\n# All\n\n" + Array.new(2000) { |i| "#{i + 3}. #{i} #{"salt " * 200}\n" }.join))
    assert_equal [ [ nil, nil ], [ "All", nil ], [ "All", 2 ] ], pieces.first(3).map { |piece| [ piece.title, piece.number ] }
    lists = pieces.drop(1).map { |piece| piece.content.last }
    assert_equal 2000, lists.sum { |list| list["content"].size }
    starts = lists.map { |list| list.dig("attrs", "start") }
    assert_equal lists.size.times.map { |i| 3 + lists.first(i).sum { |list| list["content"].size } }, starts
    paragraphs = doc(Array.new(40) { |i| "P#{i} #{"word " * 20_000}\n\n" }.join)
    assert_equal paragraphs["content"], Exchange::Split.of(paragraphs).flat_map(&:content)
  end

  def test_a_table_that_is_cut_begins_with_its_headings_again_and_terms_stay_with_what_they_mean
    cells = ->(row) { row["content"].map { |cell| Document::Text.of(cell).strip } }
    tables = Exchange::Split.of(doc("| Key | Value |\n| --- | --- |\n" + Array.new(2000) { |i| "| k#{i} | #{"salt " * 200} |\n" }.join)).flat_map(&:content)
    assert_operator tables.size, :>, 1
    assert_equal [ %w[Key Value] ], tables.map { |table| cells.call(table["content"].first) }.uniq
    assert_equal Array.new(2000) { |i| "k#{i}" }, tables.flat_map { |table| table["content"].drop(1).map { |row| cells.call(row).first } }
    assert_equal tables, tables.map { |table| Document::Normal.form(table).first }

    terms = Document::Limits.widened(12) { Document::Ids.mend(Markup::HTMLReader.read("<dl>#{Array.new(1000) { |i| "<dt>t#{i}</dt><dd>#{"salt " * 200}</dd><dd>#{"salt " * 200}</dd>" }.join}</dl>").doc).first }
    lists = Exchange::Split.of(terms).flat_map(&:content)
    assert_equal [ "term" ], lists.map { |list| list["content"].first["type"] }.uniq
    assert_equal 3000, lists.sum { |list| list["content"].size }
  end

  def test_an_item_that_is_too_much_is_cut_between_what_stands_in_it
    whole = doc("3. First\n\n4. Many\n\n#{Array.new(3000) { |i| "   - n#{i} #{"salt " * 100}\n" }.join}\n5. Last\n")
    pieces = Exchange::Split.of(whole)
    lists = pieces.flat_map(&:content)
    assert_equal [ 3, *[ 4 ] * (lists.size - 1) ], lists.map { |list| list.dig("attrs", "start") }
    assert_equal Array.new(3000) { |i| "n#{i}" }, Document::Walk.blocks({ "type" => "doc", "content" => lists }).filter_map { |block| Document::Text.of(block)[/\An\d+/] if block["type"] == "paragraph" }
    assert_equal [ "Last", 5 ], [ Document::Text.of(lists.last["content"].last).strip, lists.last.dig("attrs", "start") + lists.last["content"].size - 1 ]
  end

  def test_a_line_that_is_too_long_cannot_be_split
    assert_nil Exchange::Split.of(doc("word " * 500_000))
    assert_nil Exchange::Split.of(doc("# One\n\n#{"word " * 500_000}"))
  end

  def test_nothing_is_lost_and_all_stays_in_order
    random = Random.new(SEED)
    generate(4) do
      whole = doc(Array.new(random.rand(5..14)) { |i| "#{"#" * random.rand(1..3)} H#{i}\n\n#{"w#{i} " * random.rand(10_000..60_000)}\n\n" }.join)
      pieces = Exchange::Split.of(whole)
      assert_equal whole["content"], pieces.flat_map(&:content), "SEED=#{SEED}" if pieces
    end
  end

  private

  def doc(markdown)
    Document::Limits.widened(12) { Document::Ids.mend(Markup::MarkdownReader.read(markdown).doc).first }
  end

  def text(piece)
    Document::Text.of({ "type" => "doc", "content" => piece.content })
  end
end
