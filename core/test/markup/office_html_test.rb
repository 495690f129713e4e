require_relative "../test_helper"

# What office programs put on the clipboard besides lists.
class OfficeHTMLTest < Minitest::Test
  def test_items_that_say_that_they_are_ticked_become_tasks
    read = markdown(%(<ul><li role="checkbox" aria-checked="true"><img src="data:image/png;base64,AAAA" alt="checked"><p>Done</p></li><li role="checkbox" aria-checked="false"><p>Open</p></li></ul>))
    assert_equal "- [x] Done\n- [ ] Open\n", read
  end

  def test_words_on_a_vivid_ground_are_marked_in_the_nearest_tone
    { "yellow" => "ochre", "#ff0" => "ochre", "rgb(0, 255, 0)" => "moss", "aqua" => "petrol", "#0070c0" => "petrol", "rgba(255,0,0,1)" => "brick", "magenta" => "brick" }.each do |value, tone|
      assert_equal %(A <mark class="#{tone}">word</mark>.\n), markdown(%(<p>A <span style="background:#{value}">word</span>.</p>)), value
    end
  end

  def test_pale_grounds_greys_and_what_is_no_colour_mark_nothing
    [ "white", "#fff", "#f5f5f5", "#eef", "transparent", "rgba(255,255,0,0.1)", "url(x.png)", "none", "" ].each do |value|
      assert_equal "A word.\n", markdown(%(<p>A <span style="background-color:#{value}">word</span>.</p>)), value
    end
    assert_equal "Whole\n", markdown(%(<p style="background:yellow">Whole</p>))
  end

  def test_a_first_row_that_alone_is_bold_heads_its_columns
    assert_equal "| Ship | Length |\n| --- | --- |\n| Tern | _42_ m |\n", markdown("<table><tr><td><p><b>Ship</b></p></td><td><strong>Length</strong></td></tr><tr><td>Tern</td><td><i>42</i> m</td></tr></table>")
  end

  def test_bold_cells_elsewhere_stay_what_they_are
    [ "<tr><td><b>A</b></td><td>b</td></tr><tr><td>c</td><td>d</td></tr>", "<tr><td><b>A</b></td><td><b>B</b></td></tr><tr><td><b>c</b></td><td><b>d</b></td></tr>", "<tr><td><b>A</b></td><td></td></tr><tr><td>c</td><td>d</td></tr>", "<tr><td><b>A</b></td><td><b>B</b></td></tr>" ].each do |rows|
      types = Zuhause::Document::Walk.blocks(read("<table>#{rows}</table>").doc).map { |node| node["type"] }
      refute_includes types, "header_cell", rows
      assert_includes markdown("<table>#{rows}</table>"), "**A**"
    end
  end

  def test_numbers_that_lead_to_each_other_are_notes
    { "<div id=ftn1><p><a href=#r1 name=n1>[1]</a> Says the yard.</p></div>" => "Says the yard.", "<p><a href=#r1 name=n1>1</a>Says <i>she</i>.</p>" => "Says _she_.", "<div><p><a href=#r1 id=n1>[1]</a> One.</p><p>Two.</p></div>" => "One.\\\n    Two." }.each do |note, words|
      sign = note[/\[?1\]?<\/a>/].delete_suffix("</a>")
      assert_equal "Ramp[^1] and more.\n\n[^1]: #{words}\n", markdown("<p>Ramp<a href=#n1 name=r1><sup>#{sign}</sup></a> and more.</p><div><hr>#{note}</div>"), note
    end
  end

  def test_words_below_a_picture_that_say_so_are_its_caption
    sign = Zuhause::Markup::OfficeCaptions::SIGN
    [ "<p class=MsoCaption>The <b>lamp</b></p>", "<p>#{sign}The <b>lamp</b></p>" ].each do |caption|
      figure, after = figures("<p><img src=a.png alt=Lamp></p>#{caption}<p>After</p>")
      assert_equal [ "figure", "The lamp", [ "strong" ] ], [ figure["type"], Zuhause::Document::Text.of(figure), figure["content"].last["marks"].map { |mark| mark["type"] } ]
      assert_equal "paragraph", after["type"]
    end
  end

  def test_such_words_elsewhere_are_words_and_no_sign_stays
    sign = Zuhause::Markup::OfficeCaptions::SIGN
    [ "<p>Words <img src=a.png></p><p>#{sign}Lamp</p>", "<p>#{sign}Lamp</p><p><img src=a.png></p>", "<p><img src=a.png><img src=b.png></p><p>#{sign}Lamp</p>", "<ul><li>#{sign}Lamp</li></ul>" ].each do |html|
      doc = { "type" => "doc", "content" => figures(html) }
      assert_includes Zuhause::Document::Walk.blocks(doc).map { |node| [ node["type"], Zuhause::Document::Text.of(node) ] }, %w[paragraph Lamp], html
    end
  end

  def test_contents_lists_and_headings_that_lead_to_each_other_are_none
    [ "<ul><li><a name=t1 href=#s1>1</a> Intro</li></ul><p><a name=s1 href=#t1>1</a> Intro</p>", "<p>See <a name=t1 href=#s1>1</a></p><h2><a name=s1 href=#t1>1</a> Intro</h2>", "<p>See <a name=t1 href=#s1>1</a></p><div><a name=s1 href=#t1>1</a><h2>Intro</h2></div>",
      "<p>See <a name=t1 href=#s1>1</a></p><p>Chapter <a name=s1 href=#t1>1</a></p>", "<p>See <a href=#s1>1</a></p><p><a name=s1>1</a> Intro</p>" ].each do |html|
      refute_includes markdown(html), "[^", html
    end
  end

  def test_of_many_notes_none_is_lost
    html = ->(count) { (1..count).map { |i| "<p>Word<a href=#n#{i} name=r#{i}>#{i}</a></p>" }.join + "<div>#{(1..count).map { |i| "<p><a href=#r#{i} name=n#{i}>#{i}</a> Note #{i}.</p>" }.join}</div>" }
    assert_equal 300, Zuhause::Document::Walk.each(read(html.call(300)).doc).count { |node, _ancestors| node["type"] == "footnote" }
  end

  private

  # Where every picture is known.
  def figures(html)
    Zuhause::Markup::HTMLReader.read(html, picture: ->(_address, _words) { "abcdefghjk" }).doc["content"]
  end

  def read(html)
    Zuhause::Markup::HTMLReader.read(html)
  end

  def markdown(html)
    Zuhause::Markup::MarkdownWriter.write(read(html).doc)
  end
end
