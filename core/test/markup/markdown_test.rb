require_relative "../test_helper"

class MarkdownTest < Minitest::Test
  include Zuhause

  def test_archive_form_of_any_document_reads_back_as_the_same_tree
    each_generated(500) do |doc|
      markdown = Markup::MarkdownWriter.write(doc)
      assert_equal doc, Markup::MarkdownReader.read(markdown).doc, -> { "SEED=#{SEED}\n#{markdown}" }
    end
  end

  def test_without_ids_all_but_the_ids_reads_back
    each_generated(500) do |doc|
      plain = Document::Ids.strip(doc)
      markdown = Markup::MarkdownWriter.write(plain, ids: false)
      assert_equal plain, Markup::MarkdownReader.read(markdown).doc, -> { "SEED=#{SEED}\n#{markdown}" }
    end
  end

  # A tab counts as more than spaces (CommonMark 0.31.2, 6.1): a space at both its ends is taken off.
  def test_blanks_in_code_are_kept
    [ " ", "  ", " \t ", " \t  ", "\t", " a ", " \u00a0 " ].each do |blanks|
      doc = { "type" => "doc", "content" => [ { "type" => "paragraph", "content" => [ { "type" => "text", "text" => blanks, "marks" => [ { "type" => "code" } ] } ] } ] }
      assert_equal doc, Markup::MarkdownReader.read(Markup::MarkdownWriter.write(doc, ids: false)).doc
    end
  end

  def test_code_in_a_link_is_not_taken_for_where_a_reference_leads
    link = { "type" => "link", "attrs" => { "target" => "https://x.example/" } }
    doc = { "type" => "doc", "content" => [ { "type" => "paragraph", "content" => [ { "type" => "text", "text" => "x]:y", "marks" => [ link, { "type" => "code" } ] }, { "type" => "hard_break" }, { "type" => "text", "text" => "z]: y", "marks" => [ link, { "type" => "code" } ] } ] } ] }
    assert_equal doc, Markup::MarkdownReader.read(Markup::MarkdownWriter.write(doc, ids: false)).doc
  end

  private

  def each_generated(count)
    random = Random.new(SEED)
    generate(count) { yield Document.accept(Generated.new(random).document, random: random).doc }
  end
end
