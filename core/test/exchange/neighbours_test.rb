require_relative "../test_helper"

class NeighboursTest < Minitest::Test
  def test_links_at_the_edges_go_with_what_holds_nothing_else
    assert_equal "<h1>Salt</h1><p>Text</p>", left("<ul><li><a href=a>Table of Contents</a><li>[<a href=b>Next Chapter</a> &gt;&gt;]</ul><h1>Salt</h1><p>Text</p><div><a href=p>&lt;-previous</a> | <a href=n><img alt=next src=n.png></a></div>")
    assert_equal "<script>var a</script><div><h1>Salt</h1></div>", left("<body><script>var a</script><div><a href=p>&lt;- previous</a><a href=n>next -&gt;</a><h1>Salt</h1></div>")
  end

  def test_links_back_to_where_a_page_begins_go
    html = "<h1 id=h>Salt</h1><p>Text <a href=#top>top</a> of</p><p>%s</p><h2 id=g>Grit</h2><p>More</p><div>%s</div>"
    gone = left(format(html, "", "")).delete_suffix("<div></div>").sub("<p></p>", "")
    assert_equal gone, left(format(html, "<a href=#h>Salt</a>", "<a href=#h>Salt</a>")), "the same several times"
    assert_equal gone, left(format(html, "<a href=#>Nach oben</a>", "<a href=#bar><img alt='To the top' src=up.gif></a>")), "what is not there any more stood above"
    assert_includes left(format(html, "<a href=#g>top</a>", "<a href=#h>Salt</a>")), "<p><a href=\"#g\">top</a></p>", "it leads elsewhere"
    assert_includes left(format(html, "", "<a href=#h>Salt</a>")), "<a href=\"#h\">Salt</a>", "once it may be meant"
  end

  def test_what_says_something_stays
    [ "<p><a href=a>Home</a></p><p>Text</p>", "<h1>Salt</h1><p><a href=a>Next</a> text</p><p>Text</p>", "<p>See <a href=a>next chapter</a></p>", "<p><a href=a>Up</a> on deck</p>", "<p>Text</p><p><a href=#a>Back</a></p>", "<p><a href=a>Next to the stage</a></p><p>Text</p>", "<p><a name=up>Up</a></p><p>Text</p>", "<p><img src=a.png></p><p><a href=a>next</a> to it</p>" ].each do |html|
      assert_equal html.gsub(/=([a-z.#]+)/, '="\\1"'), left(html)
    end
  end

  def test_a_page_of_nothing_else_is_left_empty
    assert_equal "", left("<p><a href=a>Up</a></p>")
    assert_equal "", left("")
  end

  private

  def left(html)
    root = Nokogiri::HTML5.parse(html).root
    Zuhause::Exchange::Neighbours.take_out(root)
    root.at_css("body").inner_html
  end
end
