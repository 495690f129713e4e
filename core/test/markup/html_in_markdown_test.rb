require_relative "../test_helper"

class HTMLInMarkdownTest < Minitest::Test
  include Zuhause

  def test_markdown_without_any_is_left_to_the_reader_of_markdown
    [ "# A\n\n1 < 2, `<b>`, <https://example.org>\n\n![alone](a.png)\n", "<u>ours</u> and <mark class=\"moss\">ours</mark>", "move <file> to <place>", "" ].each { |text| assert_nil read(text), text }
    assert_nil read("::: notice {tone=\"tip\"}\n\na <b>b</b>\n\n:::\n"), "the document's own form"
  end

  def test_comments_are_not_shown_and_names_of_places_are
    read = read("<!-- added: v1\n-->\n\n<a id=\"limits\"></a>\n\n# Limits <!-- x -->\n\nText.\n")
    assert_equal [ %w[heading Limits], %w[paragraph Text.] ], blocks(read)
    assert_equal read.doc["content"].first.dig("attrs", "id"), read.anchors.fetch("limits")
    assert_empty read.reports
  end

  def test_elements_around_markdown
    read = read("<details>\n<summary>More</summary>\n\nSome *words*\n\n- [x] done\n\n</details>\n\n<p align=\"center\">in the middle</p>\n\na<br>b <kbd>Esc</kbd>")
    fold, centred, keys = read.doc["content"]
    assert_equal [ "fold", "More", %w[paragraph task_list] ], [ fold["type"], fold.dig("attrs", "title"), fold["content"].map { |node| node["type"] } ]
    assert_equal "center", centred.dig("attrs", "align")
    assert_equal %w[text hard_break text text], keys["content"].map { |node| node["type"] }
  end

  def test_elements_of_the_own_form_that_tell_nothing_are_foreign
    read = read("# Stability <span>(root only)</span>\n\na <mark>b</mark>\n")
    assert_equal [ [ "heading", "Stability (root only)" ], [ "paragraph", "a b" ] ], blocks(read)
    assert_empty read.reports
  end

  def test_what_is_no_element_stays_as_it_was_written
    read = read("move <file> to <place/> <b>now</b>")
    assert_equal [ [ "paragraph", "move <file> to <place/> now" ] ], blocks(read)
    assert_equal [ [ :html, "<file>" ], [ :html, "<place/>" ] ], read.reports.map { |report| [ report.code, report.detail ] }
  end

  def test_pictures_among_words_and_in_cells
    read = read("Look ![gauge](g.png) here, [![ramp](r.png)](https://example.org/ramp).\n\n| a | b |\n|---|---|\n| ![in](c.png) | ![gone](x.png) |\n")
    assert_equal %w[paragraph figure paragraph figure paragraph table], read.doc["content"].map { |node| node["type"] }
    assert_equal [ nil, "https://example.org/ramp" ], read.doc["content"].values_at(1, 3).map { |figure| figure.dig("attrs", "target") }
    cells = read.doc["content"].last["content"].last["content"]
    assert_equal %w[figure paragraph], cells.map { |cell| cell["content"].first["type"] }
    assert_equal [ [ :picture, "x.png" ] ], read.reports.map { |report| [ report.code, report.detail ] }
  end

  def test_notices_footnotes_and_tables
    read = read("> [!WARNING]\n> Hot <b>steam</b>\n\nSee[^1].\n\n[^1]: At the foot.\n")
    notice, paragraph = read.doc["content"]
    assert_equal [ "notice", "caution", "Hot steam" ], [ notice["type"], notice.dig("attrs", "tone"), Document::Text.of(notice) ]
    assert_equal "footnote", paragraph["content"][1]["type"]
  end

  def test_nothing_that_could_run_and_any_text
    read = read("<script>alert(1)</script>\n\n<img src=x onerror=alert(1)> <a href=\"javascript:alert(1)\">a</a> <iframe src=\"//x\"></iframe>")
    refute_match(/alert|script|iframe/, read.doc.to_json)
    [ "#{">" * 20_000}<b>x", "<b>" * 20_000, "#{"![" * 5_000}<b>", "<!--", "<![CDATA[ x", "<b>\u0000\uFDD0" ].each { |text| Document.accept(read(text).doc) if read(text) }
  end

  private

  def read(text)
    Markup::HTMLInMarkdown.read(text, picture: ->(address, _words) { "abcdefghij" unless address.start_with?("x") }, lead: ->(address) { address unless address.start_with?("#") })
  end

  def blocks(read)
    read.doc["content"].map { |node| [ node["type"], Document::Text.of(node) ] }
  end
end
