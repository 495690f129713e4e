require_relative "../test_helper"

class SplitTest < Minitest::Test
  include Zuhause

  def test_sections_that_fit_together_are_one_piece
    words = "word " * 40_000 # some 200 kB
    pieces = Exchange::Split.at_headings(doc("Before.\n\n" + Array.new(12) { |i| "# Part #{i}\n\n#{words}\n\n## Within\n\nmore\n\n" }.join))
    assert_nil pieces.first.title
    assert_equal "Before.", text(pieces.first)
    assert_equal [ "Part 0 – Part 5", "Part 6 – Part 11" ], pieces.drop(1).map(&:title)
    assert_operator pieces.map { |piece| JSON.generate(piece.content).bytesize }.max, :<, Document::Schema::MAX_BYTES
  end

  def test_lower_headings_serve_where_the_greatest_are_too_long
    words = "word " * 150_000
    pieces = Exchange::Split.at_headings(doc("# All\n\n" + Array.new(4) { |i| "## Part #{i}\n\n#{words}\n\n" }.join))
    assert_equal [ nil, "All – Part 0", "Part 1", "Part 2", "Part 3" ], pieces.map(&:title)
  end

  def test_what_has_no_headings_cannot_be_split
    assert_nil Exchange::Split.at_headings(doc("word " * 500_000))
    assert_nil Exchange::Split.at_headings(doc("# One\n\n#{"word " * 500_000}"))
  end

  def test_nothing_is_lost_and_all_stays_in_order
    random = Random.new(SEED)
    generate(4) do
      whole = doc(Array.new(random.rand(5..14)) { |i| "#{"#" * random.rand(1..3)} H#{i}\n\n#{"w#{i} " * random.rand(10_000..60_000)}\n\n" }.join)
      pieces = Exchange::Split.at_headings(whole)
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
