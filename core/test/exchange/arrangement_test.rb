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

  def test_a_bar_of_all_pages_belongs_to_none_of_them
    bar = [ [ 0, "c.html" ], [ 0, "a.html" ], [ 0, "b.html" ], [ 0, "d.html" ] ]
    paths = %w[index.html a.html b.html c.html d.html e.html]
    assert_equal "index(c a b d e)", tree(paths, paths.to_h { |path| [ path, told(bar) ] })
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

  def test_a_manifest_orders_what_no_list_has
    assert_equal "b a c", tree(%w[a.md b.md c.md], {}, first: %w[b.md a.md])
  end

  # Whatever files tell: each stands in it once, after what it stands below.
  def test_any_telling_gives_a_tree
    random = Random.new(SEED)
    generate(150) do
      paths = Array.new(random.rand(1..14)) { |i| [ [ "", "a/", "a/b/", "c/" ].sample(random: random), i, ".html" ].join } + (random.rand(2).zero? ? [ "index.html" ] : [])
      any = -> { [ *paths, "gone.html", nil ].sample(random: random) }
      told = paths.to_h { |path| [ path, told(*Array.new(random.rand(3)) { Array.new(random.rand(8)) { [ random.rand(4), any.call, [ nil, "x" ].sample(random: random) ] } }, up: any.call, before: any.call, after: any.call) ] }
      entries = Arrangement.new(paths, told: told, first: paths.sample(2, random: random)).entries
      assert_equal paths.sort, entries.reject(&:folder?).map(&:path).sort, "SEED=#{SEED}"
      entries.each_with_object({}) { |entry, seen| assert entry.above.nil? || seen[entry.above] == entry.depth - 1, "SEED=#{SEED}"; seen[entry.path] = entry.depth }
    end
  end

  private

  def told(*lists, up: nil, before: nil, after: nil)
    Arrangement::Told.new(lists: lists, up: up, before: before, after: after)
  end

  def tree(paths, told, first: [])
    entries = Arrangement.new(paths, told: told, first: first).entries
    show = lambda do |above|
      entries.select { |entry| entry.above == above }.map { |entry| show.call(entry.path).then { |inner| inner.empty? ? entry.name : "#{entry.name}(#{inner})" } }.join(" ")
    end
    show.call(nil)
  end
end
