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
    [ "<ul><li><a href=#a>Salt</a>, much of it<li><a href=#b>Grit</a></ul>", "<ul><li><a href=#a>Salt</a><li><a href=b.html>Grit</a></ul>", "<ul><li><a href=#a>The salt</a><li><a href=#b>Grit</a></ul>" ].each do |list|
      assert_match(/Salt.*Salt|The salt/, left(list + heads), list)
    end
  end

  def test_what_refers_from_one_part_to_others_stays
    see = "<h3>See also</h3><ul><li><a href=#b>Grit</a><li><a href=#c>Rope</a></ul>"
    [ "<h2 id=a>Salt</h2>eats#{see}<h2 id=b>Grit</h2><h2 id=c>Rope</h2>", "<h2 id=b>Grit</h2><h2 id=c>Rope</h2><h2 id=a>Salt</h2>eats#{see}",
      "<ul><li><a href=#a>Salt</a><li><a href=#b>Grit</a><li><a href=#c>Rope</a></ul><h2 id=a>Salt</h2>eats#{see}<h2 id=b>Grit</h2><h2 id=c>Rope</h2>" ].each { |html| assert_equal 2, left(html).scan("Rope").size, html }
    assert_equal "SaltGritRope", left("<h1>Salt</h1>#{see.sub("See also", "Parts")}<h2 id=b>Grit</h2><h2 id=c>Rope</h2>")
    assert_equal "GritRope", left("<h2 id=b>Grit</h2><h2 id=c>Rope</h2>#{see}")
    assert_equal "SaltGritRope", left("<h2>Topics</h2><ul><li><a href=#a>Salt</a><li><a href=#b>Grit</a></ul><h2>Parts</h2><ul><li><a href=#c>Rope</a></ul><h2 id=a>Salt</h2><h2 id=b>Grit</h2><h2 id=c>Rope</h2>")
    assert_equal "WallSaltGritRope", left("<h2>Wall</h2><ul><li><a href=#a>Salt</a></ul><h2>Parts</h2><ul><li><a href=#b>Grit</a><li><a href=#c>Rope</a></ul><h3 id=a>Salt</h3><h3 id=b>Grit</h3><h3 id=c>Rope</h3>".sub("<h2>Parts</h2>", ""))
  end

  def test_a_list_of_one_goes_only_before_all_that_could_be_in_it
    list, heads = "<ul><li><a href=#a>Salt</a></ul>", "<h2 id=a>Salt</h2><h2>Grit</h2>"
    assert_equal "SaltGrit", left(list + heads)
    assert_equal "SaltGrit", left("<h2>On this page</h2>#{list}#{heads}")
    [ heads + list, "<h2>Lead</h2>said#{list}#{heads}", "<h2>Grit</h2>bites#{list}<h2 id=a>Salt</h2>said" ].each { |html| assert_equal 2, left(html).scan("Salt").size, html }
  end

  def test_what_goes_is_told
    assert_equal [ "Topics Salt Grit", "Rope" ], told("<div><b>Topics</b><ul><li><a href=#a>Salt</a><li><a href=#b>Grit</a></ul></div><h2 id=a>Salt</h2><h2 id=b>Grit</h2><h3 id=c>Rope</h3>".sub("<h2", "<ol><li><a href=#c>Rope</a></ol><h2"))
    assert_empty told("<h2 id=a>Salt<a href=#a>¶</a></h2><p><a href=#a>Salt</a>")
  end

  def test_signs_beside_headings_go
    assert_equal "Salt and more", left("<h2 id=a>Salt<a class=headerlink href=#a>¶</a> and <a href=#b>more</a></h2>")
  end

  private

  def told(html)
    Zuhause::Exchange::OwnContents.take_out(Nokogiri::HTML5.parse(html).root)
  end

  def left(html)
    root = Nokogiri::HTML5.parse(html).root
    Zuhause::Exchange::OwnContents.take_out(root)
    root.text
  end
end
