require_relative "../test_helper"

# Worked cases of the blocks that CommonMark does not have.
class BlocksTest < Minitest::Test
  include Zuhause

  def test_a_gfm_table_with_alignments
    table = read("| Stage | Grit |\n| --- | --: |\n| Vikness | *two* sacks |\n| short |").first
    assert_equal [ %w[header_cell header_cell], %w[cell cell], %w[cell cell] ], table["content"].map { |row| row["content"].map { |cell| cell["type"] } }
    assert_equal [ nil, "right" ], table["content"][1]["content"].map { |cell| cell.dig("attrs", "align") }
    assert_equal "Vikness\ntwo sacks", Document::Text.of(table["content"][1])
  end

  def test_bars_in_cells_do_not_end_them
    doc = { "type" => "doc", "content" => [ { "type" => "table", "content" => [ row("header_cell", "a|b", "c\\|d"), row("cell", "`|", "|") ] } ] }
    markdown = Markup::MarkdownWriter.write(doc, ids: false)
    assert_match(/\A\| a\\\|b/, markdown)
    assert_equal doc, Markup::MarkdownReader.read(markdown).doc
  end

  def test_tasks_are_lists_whose_items_all_begin_with_a_box
    tasks = read("- [x] Order grit\n- [ ] Order salt\n").first
    assert_equal [ "task_list", [ true, nil ] ], [ tasks["type"], tasks["content"].map { |task| task.dig("attrs", "done") } ]
    assert_equal "Order grit", Document::Text.of(tasks["content"].first)
    assert_equal "bullet_list", read("- [x] One\n- Two\n").first["type"]
    assert_equal "bullet_list", read("- \\[x] One\n").first["type"]
  end

  def test_fences_nest_and_hold_any_block
    fold = read("::: fold {title=\"On \\\\\"Sundays\\\\\"\" open=\"true\"}\n\n- a\n\n::: columns\n\n::: column {share=\"2\"}\n\nOne\n\n:::\n\n::: column\n\nTwo\n\n:::\n\n:::\n\n:::").first
    assert_equal({ "title" => "On \"Sundays\"", "open" => true }, fold["attrs"])
    assert_equal %w[bullet_list columns], fold["content"].map { |node| node["type"] }
    assert_equal 2, fold["content"].last["content"].first.dig("attrs", "share")
  end

  def test_fences_that_open_or_close_nothing_are_text
    [ "::: fold", ":::", "::: unknown\n\nx\n\n:::", "::: fold {title=\"x}\n\ny\n\n:::", "::: columns\n\n:::" ].each do |markdown|
      read = Markup::MarkdownReader.read(markdown)
      assert_empty Document::Check.problems(read.doc), markdown
      assert_includes Document::Text.of(read.doc), ":::", markdown
    end
  end

  def test_what_may_not_stand_in_a_container_is_put_into_what_may
    read = Markup::MarkdownReader.read("::: table\n\nLoose words\n\n:::")
    assert_equal "Loose words", Document::Text.of(read.doc)
    assert_empty Document::Check.problems(read.doc)
    assert_includes read.reports.map(&:code), :misplaced
  end

  def test_marks_without_a_sign_are_elements
    nodes = read("H<sub>2</sub>O, <u>so</u> and <mark class=\"moss\">*here*</mark>, <script>x</script> </u>").first["content"]
    assert_equal [ "sub", "underline" ], nodes.flat_map { |node| (node["marks"] || []).map { |mark| mark["type"] } }.first(2)
    assert_includes nodes.map { |node| node["marks"] }, [ { "type" => "emphasis" }, { "type" => "highlight", "attrs" => { "tone" => "moss" } } ]
    assert_equal 3, nodes.count { |node| node["marks"] == [ { "type" => "code" } ] }
  end

  def test_html_of_blocks_bears_ids_and_no_style
    doc = Document.accept(Markup::MarkdownReader.read("| A |\n| :-: |\n| b |\n\n- [x] Done\n\n::: fold {title=\"\\<b>\"}\n\nx\n\n:::").doc).doc
    html = Markup::HTML.write(doc)
    assert_match(/<th id="b-\w{8}" class="align-center">/, html)
    assert_match(/<li id="b-\w{8}" class="task">☑ /, html)
    assert_includes html, "<summary>&lt;b&gt;</summary>"
    refute_match(/style=/, html)
  end

  def test_short_rows_are_filled_and_spans_end_with_the_table
    ragged = { "type" => "doc", "content" => [ { "type" => "table", "content" => [ row("cell", "a", "b", "c"), row("cell", "d").tap { |r| r["content"].first["attrs"] = { "rowspan" => 9, "colspan" => 2 } } ] } ] }
    rows = Document.accept(ragged).doc["content"].first["content"]
    assert_equal 3, Document::Table.width(rows)
    assert_equal [ 3, 2 ], rows.map { |r| r["content"].size }
    assert_equal({ "colspan" => 2 }, rows.last["content"].first["attrs"].except("id"))
  end

  def test_a_table_row_added_and_a_cell_changed_are_told_as_such
    old, new = [ "| A | B |\n| --- | --- |\n| one | two |", "| A | B |\n| --- | --- |\n| none | nil |\n| one | three |" ].map { |markdown| Document.accept(Markup::MarkdownReader.read(markdown).doc).doc }
    new = Changes.carry_ids(old, Document::Ids.strip(new))
    comparison = Changes::Comparison.new(old, new)
    assert_equal new, comparison.apply
    assert_equal 1, comparison.summary[[ :added, "row" ]]
    html = Markup::ComparisonHTML.write(comparison, label: ->(entry) { "<i>#{entry.kind}</i>" }).join
    assert_match(%r{<tr class="change change-added" data-change="\d+"><td><i>added</i>}, html)
    assert_equal html.scan(/<t[rdh][ >]/).size, html.scan(%r{</t[rdh]>}).size
  end

  private

  def read(markdown)
    Markup::MarkdownReader.read(markdown).doc["content"]
  end

  def row(type, *texts)
    { "type" => "row", "content" => texts.map { |text| { "type" => type, "content" => [ { "type" => "paragraph", "content" => [ { "type" => "text", "text" => text } ] } ] } } }
  end
end
