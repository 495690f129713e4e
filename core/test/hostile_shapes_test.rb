require "test_helper"
require "support/steps"

# Whatever somebody writes to make a reader work for long: the work grows with the text and no faster, or the text is refused.
class HostileShapesTest < Minitest::Test
  include Zuhause

  SIZE = 40
  MOST_GROWTH = 2.9 # of what is added from one doubling to the next: 2 if it grows with the text, 4 if with its square

  MARKDOWN = {
    quotes: ->(n) { "> " * n + "x" }, lists: ->(n) { n.times.map { |i| "#{"  " * [ i, 30 ].min}- x" }.join("\n") }, brackets: ->(n) { "[" * n }, open_links: ->(n) { "[a](" * n },
    emphasis: ->(n) { "*a_ " * n }, strong: ->(n) { "a**b" * n + "c* " * n }, strike: ->(n) { "~~a " * n }, tags: ->(n) { "<a " * n }, attributes: ->(n) { "<a #{"x='1' " * n}>" },
    comments: ->(n) { "<!--" * n }, wide_table: ->(n) { "|#{"a|" * n}\n|#{"-|" * n}\n|#{"b|" * n}\n" }, long_table: ->(n) { "|a|b|\n|-|-|\n#{"|c|d|\n" * n}" },
    ragged_table: ->(n) { "|#{"a|" * n * 40}\n|#{"-|" * n * 40}\n#{"|b|\n" * n}" }, notes: ->(n) { n.times.map { |i| "[^#{i}]" }.join + "\n\n" + n.times.map { |i| "[^#{i}]: x\n" }.join },
    single_footnote: ->(n) { "#{"[^1]" * n}\n\n[^1]: #{"word " * n}" }, unused_notes: ->(n) { n.times.map { |i| "[^#{i}]: x\n" }.join }, references: ->(n) { "[a]: #{"u" * n}\n\n#{"[a] " * n}" },
    open_fences: ->(n) { "::: fold\n\n" * n }, fences: ->(n) { "::: fold\n\nx\n\n:::\n\n" * n }, fence_attributes: ->(n) { "::: fold {#{"title=\"a\" " * n}}" }, trailers: ->(n) { "x {#aaaaaaaa#{" ^aaaaaaaa" * n}}" },
    terms: ->(n) { "T\n: x\n\n" * n }, underlines: ->(n) { "<u>a" * n }, nested_underlines: ->(n) { "<u>" * n + "x" + "</u>" * n }, sub_and_sup: ->(n) { "<sub>a<sup>b" * n },
    blanks: ->(n) { "a#{" " * n}b\n" * 3 }, address_blanks: ->(n) { "[a](<#{" " * n}http://x>)" }, symbols: ->(n) { "*£" * n }, escapes: ->(n) { "\\{" * n }, entities: ->(n) { "&#x" * n },
    tasks: ->(n) { "- [ ] a\n" * n }, notices: ->(n) { "> [!NOTE]\n> x\n\n" * n }, headings: ->(n) { "# a\n" * n }, images: ->(n) { "![a](b)\n\n" * n }, mentions: ->(n) { "[@](mention:aaaaaaaaaa) " * n }
  }.freeze

  HTML = {
    nested: ->(n) { "<div>" * n + "x" }, beside: ->(n) { "<div>x</div>" * n }, bold: ->(n) { "<b>" * n + "x" }, bold_blocks: ->(n) { "<b>" * 50 + "<p>x" * n }, fonts: ->(n) { n.times.map { |i| "<font color=#{i}>" }.join + "<p>x" * n },
    tables: ->(n) { "<table><tr><td>" * n }, spans: ->(n) { "<table>#{"<tr><td colspan=100 rowspan=100>x" * n}</table>" }, row_spans: ->(n) { "<table>#{"<tr><td rowspan=100>x" * n}" },
    ragged: ->(n) { "<table><tr>#{"<td>x" * 99}#{"<tr><td>x" * n * 20}" }, attributes: ->(n) { "<p #{n.times.map { |i| "a#{i}=1 " }.join}>x" }, styles: ->(n) { "<p style='#{"text-decoration:" * n}'>x" },
    style_blanks: ->(n) { "<p style='font-weight:#{" " * n}'>x" }, styled: ->(n) { "<p style='font-weight:bold;text-decoration:underline'>x" * n }, lists: ->(n) { "<ul><li>" * n + "x" }, bare_lists: ->(n) { "<ul>#{"<li>a<ul><li>b</ul>" * n}" },
    bullets: ->(n) { "<p>· x</p>" * n }, office: ->(n) { n.times.map { |i| "<p style='mso-list:l0 level#{i % 9 + 1} lfo1'>x</p>" }.join }, indents: ->(n) { n.times.map { |i| "<p style='margin-left:#{i}pt'>· x</p>" }.join },
    links: ->(n) { "<a href='http://a.example/'>x</a>" * n }, long_links: ->(n) { "<a href='http://a.example/#{"x" * 900}'>#{"<p>a</p>" * n}</a>" }, address_blanks: ->(n) { "<a href='http://a#{" " * n}b'>x" },
    notes: ->(n) { n.times.map { |i| "<a href='#f#{i}'>1</a>" }.join + "<div class=footnotes>#{n.times.map { |i| "<li id=f#{i}>x" }.join}" }, breaks: ->(n) { "a <br> " * n }, marks: ->(n) { "<p>#{"<b>a</b> " * n}" },
    terms: ->(n) { "<dl>#{"<dt>a<dd>b" * n}" }, data: ->(n) { "<img src='data:image/png;base64,#{"A" * n}'>" * 3 }
  }.freeze

  def self.text(words, *marks)
    { "type" => "text", "text" => words, "marks" => marks }.reject { |_key, value| value.empty? }
  end

  def self.doc(*blocks)
    { "type" => "doc", "content" => blocks }
  end

  def self.line(*inline)
    { "type" => "paragraph", "content" => inline }
  end

  # Two documents each, to be compared as well.
  DOCUMENTS = {
    equal: ->(n) { [ doc(*Array.new(n) { line(text("a")) }), doc(*Array.new(n) { |i| line(text(i.odd? ? "a" : "b")) }) ] },
    different: ->(n) { [ doc(*Array.new(n) { |i| line(text("a#{i}")) }), doc(*Array.new(n) { |i| line(text("b#{i}")) }) ] },
    reversed: ->(n) { [ doc(*Array.new(n) { |i| line(text("w#{i}")) }), doc(*Array.new(n) { |i| line(text("w#{n - i}")) }) ] },
    empty: ->(n) { [ doc(*Array.new(n) { { "type" => "paragraph" } }), doc(*Array.new(n + 1) { { "type" => "paragraph" } }) ] },
    mentions: ->(n) { %w[a b].map { |letter| doc(line(*Array.new(n) { { "type" => "mention", "attrs" => { "person" => letter * 10 } } })) } },
    links: ->(n) { %w[a b].map { |letter| doc(line(*Array.new(n) { |i| text("é", { "type" => "link", "attrs" => { "target" => "http://#{letter}.example/#{i}" } }) })) } },
    marks: ->(n) { %w[strong emphasis].map { |mark| doc(line(*Array.new(n) { |i| text("a", *[ ({ "type" => mark } if i.odd?) ].compact) })) } },
    blanks: ->(n) { [ doc(line(text(" " * n))), doc(line(text("a#{" " * n}"))) ] }, notes: ->(n) { %w[a b].map { |letter| doc(line(*Array.new(n) { { "type" => "footnote", "content" => [ text(letter) ] } })) } },
    code: ->(n) { %w[a b].map { |letter| doc({ "type" => "code_block", "content" => [ text("#{letter}\n" * n) ] }) } }
  }.freeze

  WORK = {
    accepting: ->(one, _other) { Zuhause::Document.accept(one) }, showing: ->(one, _other) { Markup::HTML.write(one) }, writing: ->(one, _other) { Markup::MarkdownWriter.write(one) },
    counting: ->(one, _other) { Document::Text.words(one) }, linking: ->(one, _other) { Links.in(one) }, sections: ->(one, _other) { Document::Outline.sections(one) },
    copying: ->(one, _other) { Document::Ids.renew(one) }
  }.freeze

  def test_markdown
    MARKDOWN.each { |name, shape| assert_bounded("Markdown #{name}") { |n| shape.call(n).then { |text| -> { Markup::MarkdownReader.read(text) } } } }
  end

  def test_html
    HTML.each { |name, shape| assert_bounded("HTML #{name}") { |n| shape.call(n).then { |text| -> { Markup::HTMLReader.read(text) } } } }
  end

  def test_documents
    DOCUMENTS.to_a.product(WORK.to_a).each do |(name, shape), (act, work)|
      assert_bounded("#{act} #{name}") { |n| shape.call(n).map { |doc| Document.accept(doc).doc }.then { |one, other| -> { work.call(one, other) } } }
    end
  end

  # What is compared with each other is limited as a whole.
  def test_comparisons_stop_where_too_much_differs
    DOCUMENTS.each do |name, shape|
      one, other = shape.call(1500).map { |doc| Document.accept(doc).doc }
      comparison = Changes::Comparison.new(one, other)
      assert_equal other, comparison.apply, name
      assert_equal Document::Text.of(other), Document::Text.of(Changes.carry_ids(one, Document::Ids.strip(other))), name
    end
    one, other = DOCUMENTS[:different].call(1500)
    assert_predicate Changes::Comparison.new(one, other), :bounded?
    refute_predicate Changes::Comparison.new(*DOCUMENTS[:different].call(30)), :bounded?
  end

  def test_more_than_a_document_can_hold_is_refused_in_words
    { most_markdown: -> { Markup::MarkdownReader.read("x" * (2 * 1024 * 1024 + 1)) }, most_cells: -> { Markup::MarkdownReader.read(MARKDOWN[:ragged_table].call(40)) }, most_nodes: -> { Markup::MarkdownReader.read("*a* " * 50_001) },
      most_markup: -> { Markup::HTMLReader.read(HTML[:fonts].call(600)) }, most_attributes: -> { Markup::HTMLReader.read(HTML[:attributes].call(51)) }, too_large: -> { Markup::HTMLReader.read(HTML[:long_links].call(2500)) } }.each do |code, act|
      assert_equal [ code ], assert_raises(Document::Invalid, code) { act.call }.problems.map(&:code)
    end
    table = { "type" => "table", "content" => [ { "type" => "row", "content" => Array.new(600) { Document::Table.empty_cell } }, *Array.new(100) { { "type" => "row", "content" => [ Document::Table.empty_cell ] } } ] }
    assert_equal [ :most_cells ], assert_raises(Document::Invalid) { Document.accept({ "type" => "doc", "content" => [ table ] }) }.problems.map(&:code)
  end

  private

  # @yieldparam size [Integer]
  # @yieldreturn [#call] what is measured
  def assert_bounded(name, &at)
    at.call(SIZE).call # whatever is made once
    one, two, four = [ SIZE, SIZE * 2, SIZE * 4 ].map { |size| Steps.of(&at.call(size)) }
    assert_operator four - two, :<=, (MOST_GROWTH * [ two - one, 0 ].max) + (one / 2), "#{name}: #{[ one, two, four ].join(", ")} steps"
  rescue Document::Invalid
    pass # refused at the smallest size
  end
end
