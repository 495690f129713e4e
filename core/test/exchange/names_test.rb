require_relative "../test_helper"

class NamesTest < Minitest::Test
  NAMES = Zuhause::Exchange::Names.new(%w[manual/index.html manual/Deck/gangway.html manual/Deck/ice\ and\ salt.md manual/engine/README.md manual/pictures/dot.png])

  def test_where_links_lead
    { [ "manual/index.html", "Deck/gangway.html" ] => [ "manual/Deck/gangway.html", nil ], [ "manual/index.html", "./deck/GANGWAY.html#ice" ] => [ "manual/Deck/gangway.html", "ice" ],
      [ "manual/Deck/gangway.html", "../index.html?x=1#a%20b" ] => [ "manual/index.html", "a b" ], [ "manual/Deck/gangway.html", "ice%20and%20salt.md" ] => [ "manual/Deck/ice and salt.md", nil ],
      [ "manual/Deck/gangway.html", "#ice" ] => [ "manual/Deck/gangway.html", "ice" ], [ "manual/Deck/gangway.html", "" ] => [ "manual/Deck/gangway.html", nil ],
      [ "manual/Deck/gangway.html", "../engine/" ] => [ "manual/engine/README.md", nil ], [ "manual/index.html", "Deck/gangway" ] => [ "manual/Deck/gangway.html", nil ],
      [ "manual/index.html", "/manual/pictures/dot.png" ] => [ "manual/pictures/dot.png", nil ], [ "manual/Deck/gangway.html", ".." ] => [ "manual/index.html", nil ] }.each do |(from, address), to|
      assert_equal to, NAMES.follow(from, address), [ from, address ].inspect
    end
  end

  # Written for a site, or for another folder than it came from.
  def test_where_links_lead_that_were_written_for_another_place
    { [ "manual/index.html", "/Deck/gangway" ] => "manual/Deck/gangway.html", [ "manual/index.html", "engine/README.html" ] => "manual/engine/README.md",
      [ "manual/index.html", "../site/Deck/gangway.html" ] => "manual/Deck/gangway.html", [ "manual/index.html", "docs/engine/readme.md" ] => "manual/engine/README.md",
      [ "manual/index.html", "elsewhere/gangway.html" ] => nil, [ "manual/Deck/gangway.html", "README.md" ] => nil, [ "manual/index.html", "../.." ] => nil }.each do |(from, address), to|
      assert_equal [ to, nil ], NAMES.follow(from, address), [ from, address ].inspect
    end
    twice = Zuhause::Exchange::Names.new(%w[a/deck/ice.md b/deck/ice.md c.md])
    assert_equal [ nil, nil ], twice.follow("c.md", "x/deck/ice.md"), "two are called so"
  end

  def test_what_did_not_come
    [ "none.html", "../../../etc/passwd", "../#{"x" * 5000}", "\u0000.html", "%00.html", "%ff.html" ].each { |address| assert_nil NAMES.follow("manual/index.html", address).first, address.inspect }
  end

  def test_addresses_that_lead_elsewhere
    %w[https://quay.example/a mailto:a@quay.example //quay.example/a javascript:x data:text/html,x C:/x].each { |address| assert_nil NAMES.follow("manual/index.html", address), address }
  end
end
