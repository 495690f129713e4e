require_relative "../test_helper"

class HTMLReaderTest < Minitest::Test
  include Zuhause

  def test_blocks
    read = read("<h2>Ice</h2><p>One <b>two</b>\n three<br>four </p>loose <i>words</i><ul><li>a<ol start=3><li>b</ol><li><p>c</p></ul><hr>" \
                "<blockquote>said</blockquote><pre><code class='language-ruby'>puts 1\n</code></pre><details open><summary>More</summary>inside</details>")
    assert_equal "# Ice\n\nOne **two** three\\\nfour\n\nloose _words_\n\n- a\n  3. b\n- c\n\n___\n\n> said\n\n```ruby\nputs 1\n```\n\n" \
                 "::: fold {title=\"More\" open=\"true\"}\n\ninside\n\n:::\n", markdown(read).sub("- a\n\n  3. b\n\n- c", "- a\n  3. b\n- c")
    assert_empty read.reports
  end

  # HTML 5, 13.2.6.4.7: the parser leaves out one line end after the tag; what stands there besides is code.
  def test_code_is_kept_as_it_is
    code = read("<pre>\n\n  first <b>two</b>&lt;\n<span>a</span>\tb\n\n</pre>").doc["content"].first
    assert_equal "\n  first two<\na\tb\n", Document::Text.of(code)
  end

  def test_headings_keep_their_steps_below_the_first
    assert_equal [ 1, 2, 1 ], levels("<h2>a</h2><h3>b</h3><h2>c</h2>")
    assert_equal [ 1, 4, 4 ], levels("<h1>a</h1><h4>b</h4><h6>c</h6>")
  end

  def test_tables
    read = read("<table><caption>Fares</caption><thead><tr><th>To<th align=right>Fare</tr></thead><tbody><tr><td colspan=2><p>Free</p><h3>x</h3></td></tr></tbody></table>")
    paragraph, table = read.doc["content"]
    assert_equal "Fares", Document::Text.of(paragraph)
    assert_equal [ %w[header_cell header_cell], %w[cell] ], table["content"].map { |row| row["content"].map { |cell| cell["type"] } }
    assert_equal({ "align" => "right" }, table.dig("content", 0, "content", 1, "attrs"))
    assert_equal({ "colspan" => 2 }, table.dig("content", 1, "content", 0, "attrs"))
    assert_equal %w[paragraph paragraph], table.dig("content", 1, "content", 0, "content").map { |node| node["type"] }
  end

  def test_pictures_are_as_wide_as_they_say_and_lead_where_they_did
    figures = Markup::HTMLReader.read("<p><img src=a width=300><img src=b width='50%'><img src=c style='width: 420px'><img src=d width=16><img src=e width=900><img src=f width=auto></p>" \
                                      "<a href='https://example.org/x'><img src=g></a><a href='javascript:x'><img src=h></a>", picture: ->(*) { "abcdefghij" }).doc["content"]
    assert_equal [ 40, 50, 60, nil, nil, nil, nil, nil ], figures.map { |figure| figure.dig("attrs", "width") }
    assert_equal [ *[ nil ] * 6, "https://example.org/x", nil ], figures.map { |figure| figure.dig("attrs", "target") }
  end

  def test_many_pictures_take_no_time_that_grows_with_their_square
    ends do
      read = Markup::HTMLReader.read("<table>#{"<tr><td><a href='https://example.org'><img src=a width=300></a></td></tr>" * 8000}</table>", picture: ->(*) { "abcdefghij" })
      assert_equal 8000, read.doc.dig("content", 0, "content").size
    end
  end

  def test_pictures_in_cells
    cells = Markup::HTMLReader.read("<table><tr><td><img src=a width=300> one</td><td><p>two <a href='https://example.org'><img src=b></a></p></td></tr></table>",
                                    picture: ->(*) { "abcdefghij" }).doc.dig("content", 0, "content", 0, "content")
    assert_equal [ %w[figure paragraph], %w[paragraph figure] ], cells.map { |cell| cell["content"].map { |node| node["type"] } }
    assert_nil cells.first.dig("content", 0, "attrs", "width")
  end

  def test_tables_that_lay_out_a_page_give_way_to_what_they_hold
    inner = "<table><tr><th>a<th>b</tr><tr><td>1<td>2</tr></table>"
    assert_equal %w[heading table paragraph], types("<table border=0><tr><td><h2>Ice</h2>#{inner}</td><td>beside</td></tr></table>")
    assert_equal %w[paragraph table table], types("<table><tr><td>one</td></tr><tr><td>#{inner}</td></tr><tr><td>#{inner}</td></tr></table>")
    assert_equal %w[paragraph paragraph], types("<table role=presentation><tr><td>one</td><td>two</td></tr></table>")
    assert_equal %w[table], types("<table><tr><td>a</td><td>#{inner}</td></tr><tr><td>b</td><td>c</td></tr><tr><td>d</td><td>e</td></tr></table>"), "rows and columns of its own"
    assert_equal %w[table], types("<table><tr><th>a</th></tr><tr><td>#{inner}</td></tr></table>")
    assert_equal %w[table], types("<table border=0><tr><td>a</td><td>b</td></tr></table>")
  end

  def test_tasks_and_pictures
    read = Markup::HTMLReader.read("<ul><li><input type=checkbox checked> done<li><label><input type=checkbox> open</label></ul><p>See <img src=a.png alt='The ramp'> here <img src=b.png alt=no></p>" \
                                   "<figure><img src=a.png><figcaption>A <b>ramp</b></figcaption></figure>", picture: ->(address, _words) { "abcdefghij" if address == "a.png" })
    tasks, before, figure, after, captioned = read.doc["content"]
    assert_equal [ { "done" => true }, nil ], tasks["content"].map { |task| task["attrs"] }
    assert_equal [ "See", "here no" ], [ before, after ].map { |node| Document::Text.of(node) }
    assert_equal({ "file" => "abcdefghij", "alt" => "The ramp" }, figure["attrs"])
    assert_equal "A ramp", Document::Text.of(captioned)
    assert_equal [ %w[picture b.png] ], read.reports.map { |report| [ report.code.to_s, report.detail ] }
  end

  def test_what_programs_write_into_styles
    line = read("<b style='font-weight:normal'><span style='font-weight:700'>bold</span> <span style='font-style: italic; text-decoration: underline'>both</span></b>").doc["content"].first["content"]
    assert_equal [ %w[strong], nil, %w[emphasis underline] ], line.map { |node| node["marks"]&.map { |mark| mark["type"] } }
  end

  def test_nothing_that_could_run_comes_in
    read = read("<p onclick='x()'>a<script>alert(1)</script><a href='javascript:x'>b</a><a href=' JaVa\tScript:x'>c</a><a href='data:text/html,x'>d</a></p>" \
                "<svg onload=x><text>e</text></svg><iframe src=//x></iframe><img src=x onerror=x><style>p{}</style><form action=x><input value=y></form><math><mi>z</mi></math>")
    html = Markup::HTML.write(read.doc)
    assert_equal "<p>abcd</p><p><code>z</code></p>", html
    assert_equal %w[iframe input], read.reports.select { |report| report.code == :element }.map(&:detail).sort
    assert_equal 3, read.reports.count { |report| report.code == :target }
  end

  def test_formulas_stand_as_the_words_that_they_are_written_with
    tex = "<math><semantics><msup><mi>d</mi><mn>2</mn></msup><annotation encoding='application/x-tex'>d^{2}</annotation></semantics></math>"
    read = read("<p>Depth #{tex} or <math alttext='1/2 b'><mi>b</mi></math> or <math><mi>c</mi> <mo>+</mo><mn>1</mn></math><math></math></p><script type='math/tex; mode=display'>\\sqrt{a}</script><script>b()</script>")
    assert_equal "<p>Depth <code>d^{2}</code> or <code>1/2 b</code> or <code>c +1</code></p><p><code>\\sqrt{a}</code></p>", Markup::HTML.write(read.doc)
    assert_equal [ [ :formula, "1/2 b" ], [ :formula, "\\sqrt{a}" ], [ :formula, "c +1" ], [ :formula, "d^{2}" ] ], read.reports.map { |report| [ report.code, report.detail ] }.sort
  end

  def test_names_belong_to_the_block_that_links_lead_to
    read = read("<div id=top><h2 id=ice><a name=ice-en></a>Ice</h2><a name=salt></a><p>Salt</p><dl id=terms><dt id=grit>Grit<dd><p id=said>rough</dl>" \
                "<table id=fares><tr id=first><td>a<tr id=second><td>b</table><ul><li id=one>x<li id=two><p>y</ul><pre id=code>z</pre><p>mid<span id=mid>dle</span></p></div><a name=end></a>")
    of = Document::Walk.blocks(read.doc).to_h { |block| [ block.dig("attrs", "id"), [ block["type"], Document::Text.of(block) ] ] }
    led = read.anchors.transform_values { |id| of.fetch(id) }
    assert_equal({ "top" => %w[heading Ice], "ice" => %w[heading Ice], "ice-en" => %w[heading Ice], "salt" => %w[paragraph Salt], "grit" => %w[term Grit], "said" => %w[paragraph rough],
                   "first" => %w[paragraph a], "second" => %w[paragraph b], "one" => %w[paragraph x], "two" => %w[paragraph y], "code" => %w[code_block z], "mid" => %w[paragraph middle],
                   "end" => %w[paragraph middle] }, led.except("terms", "fares"))
    assert_equal %w[definition_list table], led.values_at("terms", "fares").map(&:first)
    unclosed = read("<p>One <a name=two></a><h2>Two</h2><p id=three>Three <b id=bold>bold</b> words<span id=last></span>")
    led = unclosed.anchors.transform_values { |id| Document::Text.of(Document::Walk.blocks(unclosed.doc).find { |block| block.dig("attrs", "id") == id }) }
    assert_equal({ "two" => "Two", "three" => "Three bold words", "bold" => "Three bold words", "last" => "Three bold words" }, led)
    assert_equal read("<p>new</p><h2 id=ice>Frost</h2>").anchors, read("<h2 id=ice>Ice</h2>").anchors
  end

  def test_links_lead_where_whoever_brings_the_text_says
    asked = []
    read = Markup::HTMLReader.read("<p><a href=' #ice '>a</a><a href='b.html#x'>b</a><a href=c>c</a></p>", lead: ->(address) { asked << address; { "#ice" => "page:abcdefghij#aaaaaaaa", "b.html#x" => "page:abcdefghik" }[address] })
    assert_equal [ "#ice", "b.html#x", "c" ], asked
    assert_equal [ "page:abcdefghij#aaaaaaaa", "page:abcdefghik", nil ], read.doc.dig("content", 0, "content").map { |text| text.dig("marks", 0, "attrs", "target") }
    assert_empty read("<p><a href='#ice'>a</a></p>").doc.dig("content", 0, "content", 0).fetch("marks", [])
  end

  def test_notices
    read = read("<div class='admonition warning'><p class=admonition-title>Warning</p><p>Hot</p></div><aside role=note>Aside</aside><div class=note><h3>Note</h3><ul><li>a</ul></div>" \
                "<p class='tip'>Short <b>one</b></p><div class='danger'><h3 id=x>Mind the ramp</h3><p>It moves</p></div><span class=note>no</span><div class=notes>neither</div>")
    assert_equal [ %w[caution Hot], [ nil, "Aside" ], [ nil, "a" ], [ "tip", "Short one" ], [ "danger", "Mind the ramp\nIt moves" ] ],
                 read.doc["content"].select { |node| node["type"] == "notice" }.map { |node| [ node.dig("attrs", "tone"), Document::Text.of(node) ] }
    assert_equal [ "paragraph", "paragraph" ], read.doc["content"].last(2).map { |node| node["type"] }
    assert read.anchors.key?("x")
  end

  def test_pictures_that_are_objects_or_drawings
    shown = {}
    read = Markup::HTMLReader.read("<object data=a.svg type=image/svg+xml>Ramp</object><embed src=b.png><p>t <svg viewBox='0 0 1 1'><title>Dot</title><rect/></svg></p><object data=x.swf>no</object>",
                                   picture: ->(address, words) { shown[words] = address and "abcdefghi#{shown.size}" })
    assert_equal [ "a.svg", "b.png" ], shown.values_at("Ramp", "")
    assert_match %r{\A<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 0 1 1">}, shown.fetch("Dot").split(",").last.unpack1("m")
    assert_equal 3, read.doc["content"].count { |node| node["type"] == "figure" }
    assert_equal [ "object" ], read.reports.map(&:detail)
  end

  def test_where_links_within_drawings_led_is_told
    read = Markup::HTMLReader.read("<p>t</p><svg><a href='a.html'><text>A</text></a><a xlink:href='#b'><text>B</text></a></svg>", picture: ->(_address, _words) { "abcdefghjk" })
    assert_equal [ [ :drawn_link, "a.html" ], [ :drawn_link, "#b" ] ], read.reports.map { |one| [ one.code, one.detail ] }
  end

  def test_where_links_within_code_led_is_told
    read = Markup::HTMLReader.read("<pre><a href='#l1'>1</a> f(<a href='x.html#g'>G</a>)<a href='y.html'></a></pre>")
    assert_equal [ [ :code_link, "x.html#g" ] ], read.reports.map { |one| [ one.code, one.detail ] }
    assert_equal "1 f(G)", Document::Text.of(read.doc)
  end

  def test_words_in_a_line_that_are_not_shown_are_left_out_and_told
    read = Markup::HTMLReader.read("<p>Seven <span style='Display: NONE; color: red'>007</span>bells.<a name=x></a> <h hidden>Bells</h></p><p>Next</p><div style='display:none'><p>Open me</p></div>")
    assert_equal "Seven bells.\n\nNext\n\nOpen me\n", Markup::MarkdownWriter.write(read.doc, ids: false).gsub(/ \{#.*\}/, "")
    assert_equal [ [ :hidden, "007" ], [ :hidden, "Bells" ] ], read.reports.map { |one| [ one.code, one.detail ] }
    assert_equal read.doc.dig("content", 1, "attrs", "id"), read.anchors.fetch("x"), "a name before them belongs to what follows"
  end

  def test_what_stands_in_a_list_and_is_no_item_stays
    list, = Markup::HTMLReader.read("<ul>Bare <i>words</i><li>One</li><p>Loose</p></ul>").doc["content"]
    assert_equal [ "Bare words", "One", "Loose" ], list["content"].map { |item| Document::Text.of(item) }
  end

  def test_a_list_of_terms_that_was_not_closed_ends_where_others_begin
    doc = Markup::HTMLReader.read("<dl><dt>Bow</dt><dd>Front</dd>and <b>more</b><hr><h2>Stern</h2><table><tr><th>A<td>B</table><div><dt>Port</dt><dd>Left</dd></div></dl>").doc
    assert_equal %w[definition_list paragraph divider heading table definition_list], doc["content"].map { |node| node["type"] }
    assert_equal "and more", Document::Text.of(doc["content"][1])
  end

  def test_any_text_can_be_read
    random = Random.new(SEED)
    pieces = %w[<p> </p> <ul> </ul> <li> <ol> <td> <table> <tr> </table> <th\ colspan=999> <h3> </h3> <b> </b> <i> <a\ href=https://x.example> </a> <div> </div> <br> <pre> </pre>
                <blockquote> <details> <summary> </details> <img\ src=a> <input\ type=checkbox> <figure> <figcaption> </figure> <dl> <dt> <hr> & &lt; <!-- --> x] + [ "<![CDATA[", "\u0000", " ", "\n", "words ", "\ufdd0" ]
    generate(300) do
      html = Array.new(random.rand(80)) { pieces.sample(random: random) }.join
      doc = Markup::HTMLReader.read(html, picture: ->(_address, _words) { "abcdefghij" if random.rand(2).zero? }).doc
      assert_empty Document::Check.problems(doc), -> { "SEED=#{SEED} #{html.inspect}" }
    end
  end

  def test_hostile_nesting_is_bounded
    ends do
      [ "<ul><li>" * 100_000, "<div>" * 50_000, "<b>" * 30_000, "<table><tr><td>" * 30_000, "<blockquote>" * 30_000, "<span " * 200_000, "<p>x" * 10_000, "<a href=x>" * 10_000 ].each do |html|
        read = read("#{html}>deep")
        assert_empty Document::Check.problems(read.doc), html[0, 20]
      end
    end
  end

  private

  def read(html)
    Markup::HTMLReader.read(html)
  end

  def markdown(read)
    Markup::MarkdownWriter.write(read.doc, ids: false)
  end

  def types(html)
    read(html).doc["content"].map { |node| node["type"] }
  end

  def levels(html)
    read(html).doc["content"].map { |node| node.dig("attrs", "level") || 1 }
  end
end
