require_relative "../test_helper"

class ArrangementTest < Minitest::Test
  Arrangement = Zuhause::Exchange::Arrangement

  def test_a_list_of_contents_knows_best
    told = { "index.html" => told([ [ 0, "deck.html" ], [ 1, "ice.html" ], [ 1, "gangway.html" ], [ 0, "engine.html" ], [ 1, "engine.html", "cold" ], [ 1, "start.html" ] ]) }
    assert_equal "index(deck(ice gangway) engine(start) about)", tree(%w[about.html deck.html engine.html gangway.html ice.html index.html start.html], told)
  end

  def test_lists_of_each_page_hang_together
    told = { "index.html" => told([ [ 0, "a.html" ], [ 0, "b.html" ], [ 0, "c.html" ] ]), "b.html" => told([ [ 0, "z.html" ], [ 0, "y.html" ], [ 0, "x.html" ] ]) }
    assert_equal "index(a b(z y x) c)", tree(%w[index.html a.html b.html c.html x.html y.html z.html], told)
  end

  def test_a_list_that_names_a_few_of_many_folders_leaves_them_below_what_stands_for_theirs
    paths = %w[index.html a/index.html a/1.html a/2.html a/3.html b/index.html b/1.html b/2.html c.html d.html e.html]
    told = { "index.html" => told(%w[a/2.html b/2.html c.html].map { |path| [ 0, path ] }) }
    assert_equal "index(c index(1 2 3) index(1 2) d e)", tree(paths, told)
    all = { "index.html" => told([ *paths.grep(/\d/), "c.html" ].map { |path| [ 0, path ] }) }
    assert_equal "index(1 2 3 1 2 c index index d e)", tree(paths, all), "what tells of most knows best"
  end

  def test_a_bar_of_all_pages_belongs_to_none_of_them
    bar = [ [ 0, "c.html" ], [ 0, "a.html" ], [ 0, "b.html" ], [ 0, "d.html" ] ]
    paths = %w[index.html a.html b.html c.html d.html e.html]
    assert_equal "index(c a b d e)", tree(paths, paths.to_h { |path| [ path, told(bar) ] })
  end

  def test_a_bar_of_one_manual_among_others_belongs_to_that
    bar = [ [ 0, "b/c.html" ], [ 0, "b/a.html" ], [ 0, "b/d.html" ], [ 0, "b/e.html" ] ]
    paths = %w[a/readme.md a/x.md b/index.html b/a.html b/c.html b/d.html b/e.html]
    assert_equal "readme(x) index(c a d e)", tree(paths, paths.grep(/b/).to_h { |path| [ path, told(bar) ] })
    assert_equal "readme(x) b(c a d e)", tree(paths - [ "b/index.html" ], paths.grep(/b/).to_h { |path| [ path, told(bar) ] })
  end

  # Each page shows the same bar with what stands below itself unfolded.
  def test_a_bar_that_unfolds_is_one
    shown = ->(unfolded) { %w[a b c].flat_map { |name| [ [ 0, "m/#{name}.html" ], *(%w[1 2].map { |i| [ 1, "m/#{name}#{i}.html" ] } if name == unfolded) ] } }
    paths = %w[m/index.html] + %w[a b c a1 a2 b1 b2 c1 c2].map { |name| "m/#{name}.html" }
    bars = paths.to_h { |path| [ path, told(bars: [ [ "m/", shown.(path[/m\/([abc])\d?\.html/, 1]) ] ]) ] }
    assert_equal "index(a(a1 a2) b(b1 b2) c(c1 c2))", tree(paths, bars)
    parts = [ %w[c a b], %w[a1 b1 c1 a2 b2 c2] ].map { |names| [ "m/", names.map { |name| [ 0, "m/#{name}.html" ] } ] }
    assert_equal "index(c a b a1 b1 c1 a2 b2 c2)", tree(paths, paths.to_h { |path| [ path, told(bars: parts) ] })
  end

  def test_links_to_neighbours_are_no_contents
    told = { "a.html" => told([ [ 0, "b.html" ], [ 0, "index.html" ], [ 0, "terms.html" ] ], after: "b.html") }
    assert_equal "index(a b terms)", tree(%w[index.html a.html b.html terms.html], told)
  end

  def test_what_a_page_says_stands_above_and_after_it
    told = { "a.html" => told(up: "z.html", after: "b.html"), "b.html" => told(up: "z.html"), "z.html" => told(after: "a.html") }
    assert_equal "index(m z(a b))", tree(%w[a.html b.html index.html m.html z.html], told).sub("z(a b) m", "m z(a b)")
    order = %w[d a c b].map { |name| "#{name}.html" }
    assert_equal "index(d a c b)", tree(%w[index.html a.html b.html c.html d.html], order.each_cons(2).to_h { |one, next_one| [ one, told(after: next_one) ] })
  end

  # Of some manuals, what comes after the last page below another is what comes after that.
  def test_runs_that_flow_into_each_other
    told = { "a.html" => told(after: "c.html"), "z1.html" => told(up: "a.html", after: "z2.html"), "z2.html" => told(up: "a.html", after: "y.html"),
             "y.html" => told(up: "a.html", after: "c.html"), "c.html" => told(after: "b.html") }
    %i[to_a reverse_each].each { |order| assert_equal "index(a(z1 z2 y) c b)", tree(%w[a.html b.html c.html index.html y.html z1.html z2.html], told.public_send(order).to_h) }
    round = %w[a b c a].map { |name| "#{name}.html" }.each_cons(2).to_h { |one, other| [ one, told(after: other) ] }
    assert_equal "index(a b c)", tree(%w[a.html b.html c.html index.html], round)
  end

  # A list of contents leads to places of pages; what only leads on to them does not count among what it should tell of.
  def test_pages_that_lead_on_are_no_pages
    list = %w[c a b].map { |name| [ 0, "#{name}.html", name ] }
    moved = Array.new(9) { |i| [ "x#{i}.html", told(on: true) ] }.to_h
    assert_match(/\Aindex\(c a b /, tree([ *%w[index.html a.html b.html c.html], *moved.keys ], moved.merge("index.html" => told(list))))
  end

  def test_a_book_is_in_its_order
    assert_equal "b a c", tree(%w[a.md b.md c.md], {}, books: [ book("", %w[b.md a.md]) ])
    assert_equal "b a x(c)", tree(%w[E/a.md E/text/b.md E/x/c.md], {}, books: [ book("", %w[E/text/b.md E/a.md]) ])
  end

  def test_a_book_stands_below_its_contents_or_in_its_folder
    paths = %w[in.md shelf/ropes/E/nav.xhtml shelf/ropes/E/t/1.xhtml shelf/ropes/E/t/2.xhtml shelf/ropes/E/t/3.xhtml]
    texts = paths.last(3).reverse
    assert_equal "in shelf(nav(3 2 1))", tree(paths, {}, books: [ book("shelf/ropes/", texts, front: paths[1]) ])
    assert_equal "in shelf(nav(3 2(1)))", tree(paths, { paths[1] => told([ [ 0, paths[4] ], [ 0, paths[3] ], [ 1, paths[2] ] ]) }, books: [ book("shelf/ropes/", texts, front: paths[1]) ])
    assert_equal "in shelf(ropes(3 2(1) E(nav)))", tree(paths, {}, books: [ book("shelf/ropes/", texts, list: [ [ 0, paths[4] ], [ 0, paths[3] ], [ 1, paths[2] ] ]) ])
    assert_equal "in shelf(ropes(nav(3 2 1)))", tree([ *paths, "shelf/ropes.docx" ], {}, books: [ book("shelf/ropes/", texts, front: paths[1]) ])
  end

  def test_a_text_of_the_book_that_stands_for_its_folder
    assert_equal "nav(index one)", tree(%w[index.xhtml nav.xhtml one.xhtml], {}, books: [ book("", %w[index.xhtml one.xhtml], front: "nav.xhtml") ])
  end

  # Whatever files tell: each stands in it once, after what it stands below.
  def test_any_telling_gives_a_tree
    random = Random.new(SEED)
    generate(150) do
      paths = Array.new(random.rand(1..14)) { |i| [ [ "", "a/", "a/b/", "c/" ].sample(random: random), i, ".html" ].join } + (random.rand(2).zero? ? [ "index.html" ] : [])
      any = -> { [ *paths, "gone.html", nil ].sample(random: random) }
      told = paths.to_h { |path| [ path, told(*Array.new(random.rand(3)) { Array.new(random.rand(8)) { [ random.rand(4), any.call, [ nil, "x" ].sample(random: random) ] } }, bars: Array.new(random.rand(2)) { [ [ "", "a/" ].sample(random: random), Array.new(random.rand(6)) { [ random.rand(3), any.call ] } ] }, up: any.call, before: any.call, after: any.call) ] }
      books = Array.new(random.rand(3)) { book([ "", "a/", "a/b/", "c/" ].sample(random: random), paths.sample(3, random: random), front: any.call, list: [ nil, [ [ 0, any.call ], [ random.rand(3), any.call ] ] ].sample(random: random)) }
      entries = Arrangement.new(paths, told: told, books: books).entries
      assert_equal paths.sort, entries.reject(&:folder?).map(&:path).sort, "SEED=#{SEED}"
      entries.each_with_object({}) { |entry, seen| assert entry.above.nil? || seen[entry.above] == entry.depth - 1, "SEED=#{SEED}"; seen[entry.path] = entry.depth }
    end
  end

  private

  def told(*lists, bars: [], up: nil, before: nil, after: nil, on: false)
    Arrangement::Told.new(lists: lists, bars: bars, up: up, before: before, after: after, on: on)
  end

  def book(root, texts, front: nil, list: nil)
    Arrangement::Book.new(root: root, front: front, texts: texts, list: list)
  end

  def tree(paths, told, books: [])
    entries = Arrangement.new(paths, told: told, books: books).entries
    show = lambda do |above|
      entries.select { |entry| entry.above == above }.map { |entry| show.call(entry.path).then { |inner| inner.empty? ? entry.name : "#{entry.name}(#{inner})" } }.join(" ")
    end
    show.call(nil)
  end
end
