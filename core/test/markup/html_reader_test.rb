require_relative "../test_helper"
require "timeout"

class HTMLReaderTest < Minitest::Test
  include Zuhause

  def test_blocks
    read = read("<h2>Ice</h2><p>One <b>two</b>\n three<br>four </p>loose <i>words</i><ul><li>a<ol start=3><li>b</ol><li><p>c</p></ul><hr>" \
                "<blockquote>said</blockquote><pre><code class='language-ruby'>\nputs 1\n</code></pre><details open><summary>More</summary>inside</details>")
    assert_equal "# Ice\n\nOne **two** three\\\nfour\n\nloose _words_\n\n- a\n  3. b\n- c\n\n___\n\n> said\n\n```ruby\nputs 1\n```\n\n" \
                 "::: fold {title=\"More\" open=\"true\"}\n\ninside\n\n:::\n", markdown(read).sub("- a\n\n  3. b\n\n- c", "- a\n  3. b\n- c")
    assert_empty read.reports
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
    assert_equal "<p>abcd</p>", html
    assert_equal %w[iframe input math script svg], read.reports.select { |report| report.code == :html }.map(&:detail).sort
    assert_equal 3, read.reports.count { |report| report.code == :target }
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
    Timeout.timeout(30) do
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

  def levels(html)
    read(html).doc["content"].map { |node| node.dig("attrs", "level") || 1 }
  end
end
