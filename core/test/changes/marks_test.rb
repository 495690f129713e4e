require_relative "../test_helper"

class MarksTest < Minitest::Test
  include Zuhause

  def test_words_that_are_new_stand_where_the_line_has_them_and_the_difference_tells_what_went
    mark = only_mark("Clear the tread from the top.", "Clear the whole tread from the very top.")
    assert_equal [ :changed, [ [ 10, 6 ], [ 30, 5 ] ] ], [ mark.act, mark.words ]
    mark = only_mark("Clear the tread from the top.", "Clear the tread.")
    assert_equal [ [ :same, "Clear the tread" ], [ :removed, " from the top" ], [ :same, "." ] ], mark.difference
  end

  def test_words_that_look_otherwise_are_marked_and_no_difference
    mark = only_mark("Clear the tread.", "Clear the **tread**.")
    assert_equal [ [ [ 10, 5 ] ], [] ], [ mark.words, mark.difference ]
  end

  def test_blocks_that_came_went_and_moved
    marks = marks("One.\n\nTwo is here.\n\nThree.\n\nFour.", "One.\n\nThree.\n\nFresh and new.\n\nFour.")
    assert_equal [ [ :removed, "One." ], [ :added, "Fresh and new." ] ], marks.map { |mark| [ mark.act, standing(mark) ] }
    assert_equal [ [ :removed, "Two is here." ] ], marks.first.difference
    assert_nil marks("Gone from the top.\n\nOne.", "One.").first.block
    assert_equal [ [ :moved, "Three is long enough." ] ], marks("One.\n\nTwo.\n\nThree is long enough.", "Three is long enough.\n\nOne.\n\nTwo.").map { |mark| [ mark.act, standing(mark) ] }
  end

  def test_what_is_new_goes_on_as_long_as_nothing_else_stands_between
    came = marks("One.\n\nTwo.", "One.\n\nFresh.\n\nAnd new.\n\nTwo.\n\nLast and new.")
    assert_equal [ false, true, false ], came.map(&:continued)
  end

  def test_a_line_too_long_tells_only_what_went
    long = "word " * 300
    mark = only_mark("#{long}old end.", "#{long}new end.")
    assert_equal [ [ :removed, "old" ] ], mark.difference
    assert_equal [ [ 1500, 3 ] ], mark.words
  end

  def test_over_generated_documents_each_difference_has_one_mark_and_stands_in_the_new_text
    random = Random.new(SEED)
    generate(200) do
      old, new = Array.new(2) { Document.accept(Generated.new(random).document, random: random).doc }
      new = old if random.rand(10).zero?
      comparison = Changes::Comparison.new(old, new)
      marks = Changes::Marks.of(comparison)
      assert_equal comparison.differences.size, marks.size, -> { "SEED=#{SEED}" }
      blocks = Document::Walk.blocks(new).to_h { |node| [ node.dig("attrs", "id"), node ] }
      marks.each do |mark|
        assert mark.block.nil? || blocks.key?(mark.block), -> { "SEED=#{SEED} #{mark}" }
        text = mark.block ? Anchors::PageText.new(new).block(mark.block)&.text.to_s : ""
        mark.words.each { |from, length| assert_operator from + length, :<=, text.length, -> { "SEED=#{SEED} #{mark}" } }
      end
    end
  end

  private

  def marks(old, new)
    was = Document.accept(Markup::MarkdownReader.read(old).doc).doc
    @new = Changes.carry_ids(was, Document.accept(Markup::MarkdownReader.read(new).doc).doc)
    @new = Document.accept(@new).doc
    Changes::Marks.of(Changes::Comparison.new(was, @new))
  end

  def only_mark(old, new)
    marks(old, new).tap { |all| assert_equal 1, all.size }.first
  end

  def standing(mark)
    Document::Walk.blocks(@new).find { |node| node.dig("attrs", "id") == mark.block }&.then { |node| Document::Text.of(node) }
  end
end
