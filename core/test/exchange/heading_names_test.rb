require_relative "../test_helper"

class HeadingNamesTest < Minitest::Test
  include Zuhause

  def test_names_from_words
    doc = document("# The `winch` – Über & out\n\n## Limits\n\n## Limits\n\n## …\n")
    ids = doc["content"].map { |heading| heading.dig("attrs", "id") }
    assert_equal({ "the-winch--über--out" => ids[0], "limits" => ids[1], "limits-1" => ids[2] }, Exchange::HeadingNames.of(doc))
  end

  def test_names_that_are_stated
    doc, names = Exchange::HeadingNames.stated(document("# Limits {#limits}\n\n## By hand {: #by-hand .wide}\n\n## {#alone}\n\n## Braces {x}\n\ntext {#no}\n"))
    assert_equal [ "Limits", "By hand", "", "Braces {x}", "text {#no}" ], doc["content"].map { |node| Document::Text.of(node) }
    assert_equal %w[limits by-hand alone].zip(doc["content"].map { |node| node.dig("attrs", "id") }).to_h, names
  end

  private

  def document(markdown)
    Document::Ids.mend(Markup::MarkdownReader.read(markdown).doc).first
  end
end
