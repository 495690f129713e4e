require_relative "../test_helper"

class OwnContentsTest < Minitest::Test
  def test_lists_of_the_pages_own_headings_go
    left = left("<div class=toc><p>Contents</p><ul><li><a href=#a>1. Salt</a><ul><li><a href=#b>1.1 Grit</a></ul></ul></div><h2 id=a>Salt</h2><h3 id=b>1.1 Grit and sand</h3><p>text</p>")
    assert_equal "Salt1.1 Grit and sandtext", left
  end

  def test_the_heading_of_such_a_list_goes_if_nothing_else_stands_below_it
    heads = "<h2 id=a>Salt</h2>Salt eats<h2 id=b>Grit</h2>Grit bites"
    list = "<ul><li><a href=#a>Salt</a><li><a href=#b>Grit</a></ul>"
    kept = "Lead.SaltSalt eatsGritGrit bites"
    assert_equal kept, left("<p>Lead.</p><div><h3>Topics</h3>\n#{list}<h3>See also</h3><p>More</p></div>#{heads}").sub("See alsoMore", "").gsub("\n", "")
    assert_equal kept, left("<p>Lead.</p><div class=a><p></p><h3>On this page</h3>#{list}</div>#{heads}")
    assert_equal "Topics and more besides#{kept}", left("<h3>Topics and more besides</h3>#{list}<h2>Lead.</h2>#{heads}")
    assert_equal "TopicsLead.#{kept.delete_prefix("Lead.")}", left("<h3>Topics</h3>#{list}<p>Lead.</p>#{heads}")
  end

  def test_lists_that_say_more_or_lead_elsewhere_stay
    heads = "<h2 id=a>Salt</h2><h3 id=b>Grit</h3>"
    [ "<ul><li><a href=#a>Salt</a>, much of it<li><a href=#b>Grit</a></ul>", "<ul><li><a href=#a>Salt</a><li><a href=b.html>Grit</a></ul>", "<ul><li><a href=#a>The salt</a><li><a href=#b>Grit</a></ul>", "<ul><li><a href=#a>Salt</a></ul>" ].each do |list|
      assert_match(/Salt.*Salt|The salt/, left(list + heads), list)
    end
  end

  def test_signs_beside_headings_go
    assert_equal "Salt and more", left("<h2 id=a>Salt<a class=headerlink href=#a>¶</a> and <a href=#b>more</a></h2>")
  end

  private

  def left(html)
    root = Nokogiri::HTML5.parse(html).root
    Zuhause::Exchange::OwnContents.take_out(root)
    root.text
  end
end
