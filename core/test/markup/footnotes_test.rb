require_relative "../test_helper"

class FootnotesTest < Minitest::Test
  include Zuhause

  def test_markdown_has_them_where_their_number_stands
    doc, reports = read("Grit[^a] and salt[^b].\n\n[^b]: *Coarse*, from [the quay](https://quay.example).\n\n[^a]: Fine.\n\n    Kept dry.\n")
    assert_empty reports
    assert_equal [ "Fine.\nKept dry.", "Coarse, from the quay." ], notes(doc).map { |note| Document::Text.of(note) }
    assert_equal "Grit[^1] and salt[^2].\n\n[^1]: Fine.\\\n    Kept dry.\n\n[^2]: _Coarse_, from [the quay](https://quay.example).\n", Markup::MarkdownWriter.write(doc, ids: false)
  end

  def test_one_that_is_referred_to_twice_stands_twice_and_one_that_never_is_stays_as_text
    doc, reports = read("A[^1] b[^1].\n\n[^1]: Note.\n\n[^2]: Never.\n\n```\n[^3]: code\n```\n")
    assert_equal [ "Note.", "Note." ], notes(doc).map { |note| Document::Text.of(note) }
    assert_includes Document::Text.of(doc), "[^2]: Never."
    assert_includes Document::Text.of(doc), "[^3]: code"
    assert_equal [ [ :footnote, "2" ] ], reports
  end

  def test_few_words_referred_to_by_many_stay_few
    often = Markup::Footnotes::MOST_COPIES + 5
    doc, reports = read("#{"a[^1] " * often}\n\n[^1]: Said once.\n")
    assert_equal Markup::Footnotes::MOST_COPIES, notes(doc).size
    assert_equal [ [ :footnote, "1" ] ] * 5, reports
    html = Markup::HTMLReader.read("<p>#{"a<a href='#n'>1</a> " * often}</p><aside class='footnote' id='n'>Said once.</aside>")
    assert_equal Markup::Footnotes::MOST_COPIES, notes(html.doc).size
    assert_equal [ :footnote ], html.reports.map(&:code)
  end

  def test_what_cannot_stand_at_the_foot_is_kept_as_words
    doc, reports = read("A[^1].\n\n[^1]: - one\n    - two[^1]\n")
    assert_equal "one two", Document::Text.of(notes(doc).first)[/\Aone two/]
    assert_includes reports, [ :misplaced, "footnote" ]
    doc, reports = read("# Head[^1]\n\n[^1]: Note.\n")
    assert_equal "Head (Note.)", Document::Text.of(doc)
    assert_includes reports, [ :misplaced, "heading" ]
  end

  def test_what_looks_like_one_in_text_is_not
    doc = document({ "type" => "text", "text" => "x [^1] y" }, { "type" => "footnote", "content" => [ { "type" => "text", "text" => "n" } ] }, { "type" => "text", "text" => "(z): [^1]: w" })
    assert_equal doc, Markup::MarkdownReader.read(Markup::MarkdownWriter.write(doc, ids: false)).doc
  end

  def test_html_shows_them_at_the_foot_with_the_ways_there_and_back_and_reads_them_again
    doc, = read("Grit[^1], salt[^2].\n\n[^1]: Fine <b>.\n\n[^2]: Coarse.\n")
    html = Markup::HTML.write(doc)
    tree = Nokogiri::HTML5.fragment(html)
    assert_equal %w[1 2], tree.css("p sup a").map(&:text)
    tree.css("p sup a").each do |link|
      item = tree.at_css(link["href"])
      assert_equal "##{link["id"]}", item.at_css("a[role=doc-backlink]")["href"]
    end
    assert_equal doc, Markup::HTMLReader.read(html).doc
  end

  def test_html_of_others_is_read_where_numbers_stand
    html = <<~HTML
      <h1>Ice</h1><p>Grit<sup id="ref1"><a href="#fn1">1</a></sup> and <a href="#ice">ice</a>, once more<a href="#fn1">1</a>.</p>
      <div class="footnotes"><hr><ol><li id="fn1"><p>Fine,</p><p><em>dry</em>.&nbsp;<a href="#ref1">back</a></p></li><li id="fn2">Nobody asks.</li></ol></div>
    HTML
    doc = Markup::HTMLReader.read(html).doc
    assert_equal [ "Fine,\ndry.\u00a0" ] * 2, notes(doc).map { |note| Document::Text.of(note) }
    assert_includes Document::Text.of(doc), "Nobody asks."
    hostile = Markup::HTMLReader.read(%(<p><a href="#x">1</a></p><aside class="footnote" id="x"><a href="#x">1</a><table><tr><td>T</table></aside>))
    assert_includes Document::Text.of(hostile.doc), "T"
    assert_empty Document::Check.problems(hostile.doc)
  end

  def test_their_links_count_and_a_comparison_shows_them_in_their_place
    doc, = read("Grit[^1].\n\n[^1]: See [the quay](page:abcdefghij).\n")
    assert_equal [ [ "page:abcdefghij", "the quay" ] ], Links.in(doc).map { |reference| [ reference.target.to_s, reference.label ] }
    led = Links.retarget(doc) { |_target| Links::Target.parse("page:zzzzzzzzzz") }
    assert_equal [ "page:zzzzzzzzzz" ], Links.in(led).map { |reference| reference.target.to_s }
    other, = read("Grit[^1].\n\n[^1]: See the bridge.\n")
    comparison = Changes::Comparison.new(doc, other)
    assert_equal other, comparison.apply
    html = Markup::ComparisonHTML.write(comparison, label: ->(_entry) { "" }).join
    assert_includes html, %(<del><span class="footnote-words">See the quay.</span></del>)
    assert_includes html, %(<ins><span class="footnote-words">See the bridge.</span></ins>)
  end

  private

  def read(markdown)
    read = Markup::MarkdownReader.read(markdown)
    assert_empty Document::Check.problems(read.doc)
    [ read.doc, read.reports.map { |report| [ report.code, report.detail ] } ]
  end

  def notes(doc)
    Document::Walk.each(doc).filter_map { |node, _ancestors| node if node["type"] == "footnote" }
  end

  def document(*inline)
    { "type" => "doc", "content" => [ { "type" => "paragraph", "content" => inline } ] }
  end
end
