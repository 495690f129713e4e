require_relative "../test_helper"

class EntitledTest < Minitest::Test
  include Zuhause

  def test_the_first_heading_becomes_the_title
    assert_equal [ "Gangway in ice", "# Steps\n\n## One\n" ], split("# Gangway *in* ice\n\n## Steps\n\n### One")
    assert_equal [ "Ice", "# Steps\n" ], split("# Ice\n\n# Steps"), "where there are others of its level, they stay"
    assert_equal [ "Ice", "{}\n" ], split("# Ice")
  end

  def test_a_line_before_it_divides_nothing
    assert_equal [ "Ice", "Text\n" ], split("---\n\n# Ice\n\nText")
    assert_equal [ "notes", "___\n" ], split("---")
  end

  def test_without_one_the_fallback_serves
    assert_equal [ "notes", "## Ice\n" ], split("## Ice")
    assert_equal [ "notes", "Text\n\n# Ice\n" ], split("Text\n\n# Ice")
  end

  def test_a_heading_further_down_is_the_title_where_the_file_is_called_so
    doc = Markup::MarkdownReader.read("A line.\n\n# Ice\n\n## Salt").doc
    title, rest = Exchange::Entitled.split(doc, fallback: "Ice - The manual")
    assert_equal [ "Ice", "A line.\n\n# Salt\n" ], [ title, Markup::MarkdownWriter.write(rest, ids: false) ]
    assert_equal "Grit", Exchange::Entitled.split(doc, fallback: "Grit").first
  end

  def test_a_heading_below_the_first_level_that_says_the_title_again_goes
    again = lambda do |markdown, fallback|
      title, rest = Exchange::Entitled.split(Markup::MarkdownReader.read(markdown).doc, fallback: fallback)
      [ title, Markup::MarkdownWriter.write(rest, ids: false) ]
    end
    assert_equal [ "5. The winch", "Mind it.\n\n# Rope\n" ], again.("## Chapter 5 - The winch\n\nMind it.\n\n### Rope", "5. The winch")
    assert_equal [ "The winch", "Mind it.\n\n## Rope\n" ], again.("## The winch\n\nMind it.\n\n## Rope", "The winch")
    assert_equal [ "The winch", "{}\n" ], again.("### The winch", "The winch")
    assert_equal [ "The winch", "## A winch\n" ], again.("## A winch", "The winch")
    assert_equal "notes", Exchange::Entitled.split(Markup::MarkdownReader.read("## notes").doc, fallback: "notes", told: false).first
  end

  def test_counted_headings_are_parts_of_what_is_called_otherwise
    doc = Markup::MarkdownReader.read("# 1. Background\n\nText\n\n# 2. Rope").doc
    assert_equal [ "How winches work", doc ], Exchange::Entitled.split(doc, fallback: "How winches work")
    assert_equal "1. Background", Exchange::Entitled.split(doc, fallback: "winches", told: false).first, "a file's name gives way"
    assert_equal "1. Winches", Exchange::Entitled.split(Markup::MarkdownReader.read("# 1. Winches\n\n# Rope").doc, fallback: "How winches work").first
  end

  def test_the_first_of_several_headings_that_shares_no_word_with_the_title_is_a_part
    doc = Markup::MarkdownReader.read("# Public forum\n\nText\n\n# Paid help").doc
    assert_equal [ "Ways to be helped", doc ], Exchange::Entitled.split(doc, fallback: "Ways to be helped")
    assert_equal "Public forum", Exchange::Entitled.split(doc, fallback: "The public boards").first, "it shares one"
    assert_equal "Public forum", Exchange::Entitled.split(doc, fallback: "Ways to be helped", told: false).first, "a file's name gives way"
    assert_equal "Public forum", Exchange::Entitled.split(doc, fallback: "Writing program - ways.doc").first, "so does one that is told"
    assert_equal "Public forum", Exchange::Entitled.split(doc, fallback: "Untitled").first
    assert_equal "Making an index", Exchange::Entitled.split(Markup::MarkdownReader.read("# 1. Syntax\n\nText").doc, fallback: "Making an index").first, "what is counted is a part"
    alone = Markup::MarkdownReader.read("# Public forum\n\n## Paid help").doc
    assert_equal "Public forum", Exchange::Entitled.split(alone, fallback: "Ways to be helped").first, "one that stands above all is no part"
  end

  def test_a_title_is_cut_to_what_titles_may_be
    title, = split("# #{"long " * 100}")
    assert_nil Document::Title.problem(title)
    assert title.end_with?("…")
  end

  private

  def split(markdown)
    title, doc = Exchange::Entitled.split(Markup::MarkdownReader.read(markdown).doc, fallback: "notes")
    [ title, Markup::MarkdownWriter.write(doc, ids: false) ]
  end
end
