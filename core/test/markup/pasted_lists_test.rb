require_relative "../test_helper"

# Lists as programs put them on the clipboard; the texts are made for this test.
class PastedListsTest < Minitest::Test
  include Zuhause

  NESTED = "- Clear the tread\n  - with the shovel\n  - with the broom\n- Spread grit\n".freeze

  def test_paragraphs_that_name_their_list_and_level_in_their_style
    assert_equal NESTED, read(<<~HTML)
      <html><body><p class=ListStart style='margin-left:36.0pt;text-indent:-18.0pt;mso-list:l0 level1 lfo1'><![if !supportLists]><span style='font-family:Symbol'><span style='mso-list:Ignore'>·<span style='font:7.0pt "Serif"'>&nbsp;&nbsp;&nbsp; </span></span></span><![endif]>Clear the tread</p>
      <p style='margin-left:72.0pt;mso-list:l0 level2 lfo1'><!--[if !supportLists]--><span style='mso-list:Ignore'>o<span>&nbsp;&nbsp; </span></span><!--[endif]-->with the shovel</p>
      <p style='margin-left:72.0pt;mso-list:l0 level2 lfo1'><span style='mso-list:Ignore'>o<span>&nbsp;&nbsp; </span></span>with the broom</p>
      <p style='margin-left:36.0pt;mso-list:l0 level1 lfo1'><span style='mso-list:Ignore'>·<span>&nbsp; </span></span>Spread grit</p></body></html>
    HTML
  end

  def test_numbers_among_them_with_where_they_begin
    assert_equal "Before.\n\n3. Call\n   - by horn\n4. Cast off\n\nAfter.\n", read(<<~HTML)
      <p>Before.</p><p style="mso-list:l3 level1 lfo2"><span style="mso-list:Ignore">3.<span>&nbsp;</span></span>Call</p><p style="mso-list:l3 level2 lfo2"><span style="mso-list:Ignore">·</span>by horn</p><p style="mso-list:l3 level1 lfo2"><span style="mso-list:Ignore">4.</span>Cast off</p><p>After.</p>
    HTML
  end

  def test_lists_beside_the_item_they_belong_to
    assert_equal NESTED, read("<b style='font-weight:normal'><ul><li>Clear the tread</li><ul><li>with the shovel</li><li>with the broom</li></ul><li>Spread grit</li></ul></b>")
  end

  def test_items_that_each_stand_in_a_list_of_their_own
    item = ->(level, text) { %(<div class="ListContainerWrapper"><ul><li data-aria-level="#{level}"><p>#{text}</p></li></ul></div>) }
    assert_equal NESTED, read(item.(1, "Clear the tread") + item.(2, "with the shovel") + item.(2, "with the broom") + item.(1, "Spread grit"))
  end

  def test_paragraphs_that_begin_with_a_bullet
    assert_equal NESTED, read("<p style='margin-left:18pt'>•&nbsp; Clear the tread</p><p style='margin-left:36pt'>o&nbsp;&nbsp; with the shovel</p><p style='margin-left:36pt'><span>o</span>&nbsp;&nbsp;with the <b></b>broom</p><p style='margin-left:18pt'>•&nbsp; Spread grit</p>")
  end

  def test_plain_text_with_bullets
    assert_equal NESTED, Markup::Bullets.to_markdown("•\tClear the tread\n\t◦\twith the shovel\n\t◦\twith the broom\n•\tSpread grit\n").then { |text| "#{text}\n" }
    assert_equal NESTED.chomp, Markup::Bullets.to_markdown("• Clear the tread\n◦ with the shovel\n◦ with the broom\n• Spread grit")
    assert_equal "2 · 3 is six\n- x", Markup::Bullets.to_markdown("2 · 3 is six\n- x")
  end

  def test_what_is_no_such_list_stays_as_it_is
    assert_equal "One.\n\nTwo · three.\n\n- a\n\n1. b\n", read("<p>One.</p><p>Two · three.</p><ul><li>a</li></ul><ol><li>b</li></ol>")
  end

  def test_any_depth_and_jumps_between_levels_give_a_document
    random = Random.new(SEED)
    generate(100) do
      html = Array.new(1 + random.rand(12)) { %(<p style="mso-list:l0 level#{random.rand(14)} lfo1"><span style="mso-list:Ignore">#{[ "·", "1.", "a)" ].sample(random: random)}</span>x#{random.rand(9)}</p>) }.join
      doc = Markup::HTMLReader.read(html).doc
      assert_empty Document::Check.problems(Document.accept(doc).doc), "SEED=#{SEED}"
      assert_equal html.scan(/x\d/), Document::Text.of(doc).scan(/x\d/), "SEED=#{SEED}"
    end
  end

  private

  def read(html)
    Markup::MarkdownWriter.write(Markup::HTMLReader.read(html).doc, ids: false)
  end
end
