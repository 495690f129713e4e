require_relative "../test_helper"

class PassagesTest < Minitest::Test
  include Zuhause::Finding

  TEXT = <<~MD.freeze
    Before it all.

    # Numbers

    A paragraph on grit.

    - An item on salt
    - An item on sand

    | Stage | Depth |
    | --- | --- |
    | Vikness | 2.8 m |
    | Old Slip | 1.5 m |

    # After

    Else.
  MD

  def test_paragraphs_items_and_rows_of_one_section
    document = read
    heading = document["content"].find { |node| node["type"] == "heading" }.dig("attrs", "id")
    passages = Passages.of(document, heading)
    assert_equal [ "A paragraph on grit.", "An item on salt", "An item on sand", "Stage · Depth", "Vikness · 2.8 m", "Old Slip · 1.5 m" ], passages.map(&:text)
    assert_equal %w[paragraph item item row row row], passages.map(&:kind)
    assert_equal [ "Before it all." ], Passages.of(document, nil).map(&:text)
    assert_equal "Old Slip · 1.5 m", Passages.best(passages, asks("old slip")).text
    assert_equal "A paragraph on grit.", Passages.best(passages, asks("nothing")).text
    assert_nil Passages.best([], asks("salt"))
  end

  def test_any_document
    generate(40) do |number|
      random = Random.new((SEED * 1000) + number)
      document = Zuhause::Document.accept(Generated.new(random).document, random: random).doc
      headings = [ nil, *Zuhause::Document::Outline.headings(document).map(&:id) ]
      told = headings.flat_map { |id| Passages.of(document, id) }
      told.each { |passage| refute_empty passage.text }
    end
  end

  private

  def read
    Zuhause::Document.accept(Zuhause::Markup::MarkdownReader.read(TEXT).doc).doc
  end

  def asks(text)
    Question.new(text).words.map { |word| Asked.new(word, forms: { word.word => :same }, sections: 1, of: 100) }
  end
end
