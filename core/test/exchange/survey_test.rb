require_relative "../test_helper"

class SurveyTest < Minitest::Test
  def test_neighbours_are_what_it_states_or_what_links_at_its_edges_are_called
    stated = survey("<head><link rel=next href=b.html></head><body><a href=x.html>Next</a> <a href=y.html><img alt=up src=u.png></a></body>")
    assert_equal({ "next" => "b.html", "up" => "y.html" }, stated.rels)
    said = survey("<body>[<a href=a.html> &lt; Previous </a>] <a href='#top'>Up</a> <a href=all.html>Up</a><p>#{"word " * 90}<a href=n.html>next to it</a></p></body>")
    assert_equal({ "prev" => "a.html", "up" => "all.html" }, said.rels)
    middle = Array.new(80) { |i| "<a href=#{i}.html>#{i == 40 ? "Next" : "no"}</a>" }.join
    assert_empty survey("<body>#{middle}</body>").rels
  end

  def test_a_title_is_no_longer_than_any
    assert_equal [ "Salt and grit", 500, nil ], [ survey("<title> Salt\n and grit</title>").title, survey("<title>#{"( " * 100_000}</title>").title.size, survey("<title> </title>").title ]
  end

  def test_what_only_leads_on
    on = ->(content, words = 4) { survey("<head><meta http-equiv=Refresh content=\"#{content}\"></head><body>#{"word " * words}</body>").leads_on }
    assert_equal [ "b.html#ice", "b c.html".sub(" ", "%20"), nil, nil, nil ], [ on.("0; url=b.html#ice"), on.("5;URL='b%20c.html'"), on.("30"), on.("0; url="), on.("0; url=b.html", 90) ]
    assert_nil on.("0; url=#{"b" * 501}")
    assert_nil survey("<body>Go to b</body>").leads_on
  end

  def test_what_is_little_more_than_links_to_others
    list = "<ul><li><a href=a.html>Salt and grit</a><li><a href=b.html>Ice</a></ul>"
    assert_equal [ true, true, false, false, false ], [ list, "<p>Three more words</p>#{list}", "<p>#{"word " * 5}</p>#{list}", "<a href='#a'>Salt</a>", "" ].map { |body| survey("<body>#{body}</body>").leading? }
  end

  def test_ways_through_the_pages_are_no_lists_of_them
    list = ->(*names, **around) { survey("<body><div #{around.map { |name, value| "#{name}='#{value}'" }.join}><ul>#{names.map.with_index { |name, i| "<li><a href=#{i}.html>#{name}</a>" }.join}</ul></div></body>").lists.size }
    assert_equal [ 0, 0, 1 ], [ list.("Index", "next", "Manual", "Deck"), list.("Manual", "Deck", "&laquo; Previous"), list.("Manual", "Deck", "Next to the stage") ]
    assert_equal [ 0, 0, 1 ], [ list.("Manual", "Deck", "Ropes", class: "breadcrumbs wide"), list.("Manual", "Deck", "Ropes", "aria-label": "Breadcrumb"), list.("Manual", "Deck", "Ropes", class: "crumbling") ]
    assert_equal 1, list.(*Array.new(50, "Ropes"), "Next"), "of so many, one may be called so"
  end

  private

  def survey(html)
    Zuhause::Exchange::Survey.of("<html>#{html}</html>")
  end
end
