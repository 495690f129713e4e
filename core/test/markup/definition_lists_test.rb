require_relative "../test_helper"

class DefinitionListsTest < Minitest::Test
  include Zuhause

  def test_markdown_as_it_is_customary
    doc = read("Gangway\nWay on board\n:   Gritted in *ice*.\n\n    Never wet.\n:   A bridge.\n\nQuay\n\n: Of stone.\n")
    assert_equal %w[term term definition definition term definition], doc.dig("content", 0, "content").map { |node| node["type"] }
    assert_equal [ "Gangway", "Way on board", "Gritted in ice.\nNever wet.", "A bridge.", "Quay", "Of stone." ], doc.dig("content", 0, "content").map { |node| Document::Text.of(node) }
    assert_equal doc, read(Markup::MarkdownWriter.write(doc, ids: false))
  end

  def test_within_others_and_beside_lists
    doc = read("- Bow\n  : Front.\n\n> Stern\n> : Back.\n\n- x\n")
    assert_equal %w[bullet_list quote bullet_list], doc["content"].map { |node| node["type"] }
    assert_equal 2, Document::Walk.blocks(doc).count { |node| node["type"] == "definition_list" }
    beside = read("Bow\n: Front.\n\n- x\n+ y\n")
    assert_equal %w[definition_list bullet_list bullet_list], beside["content"].map { |node| node["type"] }
  end

  def test_a_colon_that_explains_nothing_is_text
    { ": alone" => ": alone", "# Head\n\n: alone" => "Head\n: alone", "```\nx\n: y\n```" => "x\n: y", "    x\n    : y" => "x\n: y", "x\n        : y" => "x : y", "a | b\n: - | -" => "a | b : - | -" }.each do |markdown, text|
      doc = read(markdown)
      assert_equal text, Document::Text.of(doc), markdown
      assert Document::Walk.blocks(doc).none? { |node| node["type"] == "definition_list" }, markdown
      assert_equal doc, read(Markup::MarkdownWriter.write(doc, ids: false)), markdown
    end
  end

  def test_html_both_ways
    doc = read("Gangway\n: The way on board.\n: A bridge.\n")
    assert_equal %(<dl class="definitions"><dt>Gangway</dt><dd><p>The way on board.</p></dd><dd><p>A bridge.</p></dd></dl>), Markup::HTML.write(doc)
    assert_equal doc, Markup::HTMLReader.read(Markup::HTML.write(doc)).doc
    loose = Markup::HTMLReader.read("<dl><div><dt><b>T</b><dd>one<p>two<dd><table><tr><td>x</table></div><p>stray</dl><dl></dl>").doc
    assert_empty Document::Check.problems(loose)
    list, stray = loose["content"]
    assert_equal [ %w[term definition definition], "stray" ], [ list["content"].map { |child| child["type"] }, Document::Text.of(stray) ]
  end

  def test_a_comparison_tells_terms_from_explanations
    old, new = [ "Gangway\n: The way on board.\n", "Gangway\n: The way on board, gritted.\n\nQuay\n: Of stone.\n" ].map { |markdown| Document.accept(read(markdown)).doc }
    comparison = Changes::Comparison.new(old, new)
    assert_equal [ [ :changed, "paragraph" ], [ :added, "term" ], [ :added, "definition" ] ], comparison.differences.map { |entry| [ entry.kind, entry.node["type"] ] }
    html = Markup::ComparisonHTML.write(comparison, label: ->(entry) { "(#{entry.kind})" }).join
    assert_includes html, "<dt class=\"change change-added\" data-change=\"4\">(added)Quay</dt>"
  end

  private

  def read(markdown)
    doc = Markup::MarkdownReader.read(markdown).doc
    assert_empty Document::Check.problems(doc)
    doc
  end
end
