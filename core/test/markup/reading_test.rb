require_relative "../test_helper"

class ReadingTest < Minitest::Test
  include Zuhause

  def test_notices_and_their_other_spellings
    doc = read("> [!WARNING]\n> Salt eats **bolts**.\n\n> [!tip] {#aaaaaaaa}\n>\n> - a\n\n> \\[!NOTE] said").doc
    assert_equal %w[notice notice quote], doc["content"].map { |n| n["type"] }
    assert_equal [ { "tone" => "caution" }, { "id" => "aaaaaaaa", "tone" => "tip" } ], doc["content"].first(2).map { |n| n["attrs"] }
    assert_equal "Salt eats bolts.", Document::Text.of(doc["content"][0])
  end

  def test_what_cannot_be_kept_becomes_text_or_code_and_is_reported
    read = read("<script>x</script>\n\n<b>y</b> ![drawing](https://x.example/a.png) [z](javascript:z)\n\n###### six")
    assert_equal %i[heading_level html html html picture target], read.reports.map(&:code).sort
    assert_equal %w[code_block paragraph heading], read.doc["content"].map { |n| n["type"] }
    assert_equal "<script>x</script>", Document::Text.of(read.doc["content"][0])
    assert_equal "<b>y</b> drawing z", Document::Text.of(read.doc["content"][1])
  end

  def test_reports_tell_their_line
    read = read("Fine.\n\n::: nothing\n\n<div>\nx\n</div>\n\n- a\n- [b](java:c)\n\n::: fold\n\nnever closed\n\n:::: \n")
    assert_equal [ [ :html, 5 ], [ :target, 10 ], [ :fence, 12 ] ], read.reports.map { |report| [ report.code, report.line ] }
  end

  def test_pictures_that_stand_alone
    doc = Markup::MarkdownReader.read("![The *ramp*](ramp.png)\n\nbeside ![x](ramp.png)", picture: ->(address, _words) { "abcdefghij" if address == "ramp.png" }).doc
    assert_equal [ { "type" => "figure", "attrs" => { "file" => "abcdefghij", "alt" => "The ramp" } }, "beside x" ], [ doc["content"][0], Document::Text.of(doc["content"][1]) ]
  end

  def test_any_text_can_be_read
    random = Random.new(SEED)
    pieces = Generated::PIECES + [ "\n", "\n\n", "\n> ", "\n- ", "\n1. ", "\n    ", "\n```", "\u0000", "\xff", "\r\n", "\ufdd0" ]
    generate(400) do
      text = Array.new(random.rand(60)) { pieces.sample(random: random) }.join
      doc = read(text).doc
      assert_empty Document::Check.problems(doc), -> { "SEED=#{SEED} #{text.inspect}" }
    end
  end

  def test_hostile_nesting_is_bounded
    ends do
      [ ">" * 20_000, "> " * 50_000, "- " * 30_000, "1. " * 30_000, "[" * 50_000, "*a " * 50_000, "**a _b " * 20_000, "x #{"`" * 50_000}",
        (0..900).map { |i| "#{"  " * i}- x" }.join("\n") ].each do |text|
        read = read("#{text}deep")
        assert_empty Document::Check.problems(read.doc), text[0, 20]
        assert_includes Document::Text.of(read.doc), "deep", text[0, 20]
      end
    end
  end

  def test_html_escapes_everything
    doc = read("## \\<b>&\"'\n\n`<script>` [\"x\"](https://x.example/?a='b'&c)\n\n```html\n<script>\n```\n\n> [!DANGER]\n> y").doc
    html = Markup::HTML.write(doc, tones: { "danger" => "Gefahr <!>" })
    refute_match(/<script|<b>|='b'/, html)
    assert_includes html, "<h3>&lt;b&gt;&amp;&quot;&#39;</h3>"
    assert_includes html, "<a href=\"https://x.example/?a=&#39;b&#39;&amp;c\">&quot;x&quot;</a>"
    assert_includes html, "<div class=\"notice notice-danger\" role=\"note\"><p class=\"notice-name\">Gefahr &lt;!&gt;</p><p>y</p></div>"
  end

  def test_html_of_each_construct
    markdown = "1. a\n2. b\n   - c\n\n---\n\n> q\n\nx **s _e_** ~~k~~ `c`\\\ny {#abcd1234}\n\n[to *it*](page:abcdefghij)"
    html = Markup::HTML.write(read(markdown).doc, link: ->(target, label) { "{#{target}|#{label}}" })
    assert_equal "<ol><li><p>a</p></li><li><p>b</p><ul><li><p>c</p></li></ul></li></ol><hr><blockquote><p>q</p></blockquote>" \
                 "<p id=\"b-abcd1234\">x <strong>s </strong><strong><em>e</em></strong> <s>k</s> <code>c</code><br>y</p>" \
                 "<p>{page:abcdefghij|to <em>it</em>}</p>", html
  end

  private

  def read(text)
    Markup::MarkdownReader.read(text)
  end
end
