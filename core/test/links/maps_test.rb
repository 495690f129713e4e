require_relative "../test_helper"

class MapsTest < Minitest::Test
  include Zuhause
  Page = Links::Neighbourhood::Page

  def test_what_leads_there_stands_to_the_left_and_what_it_leads_to_to_the_right_step_by_step
    map = neighbourhood(:c, [ %i[a b], %i[b c], %i[c d], %i[d e], %i[e f], %i[x y] ], steps: 2)
    assert_equal({ a: -2, b: -1, c: 0, d: 1, e: 2 }, map.steps)
    assert_equal [ %i[a b c d e] ], [ map.drawing.doors.sort_by(&:x).map(&:id) ]
    assert_equal [ %i[a b], %i[b c], %i[c d], %i[d e] ], map.drawing.strands.map { |strand| [ strand.from, strand.to ] }
    assert_equal 3, neighbourhood(:c, [ %i[c d], %i[d e], %i[e f], %i[f g] ], steps: 9).steps.values.max
  end

  def test_of_two_ways_the_shorter_counts_and_kinds_are_told_together
    map = neighbourhood(:c, [ %i[c a], %i[a b], %i[b c] ], steps: 3)
    assert_equal({ a: 1, b: -1, c: 0 }, map.steps)
    map = Links::Neighbourhood.new(1, [ Page.new(1, "One", 1), Page.new(2, "Two", 1) ], [ [ 1, 2, :link ], [ 1, 2, :insert ], [ 1, 1, :link ] ], steps: 1)
    assert_equal [ [ 1, 2, %i[insert link] ] ], map.drawing.strands.map { |strand| [ strand.from, strand.to, strand.kinds ] }
  end

  def test_what_is_too_much_is_gathered_by_room_the_farthest_first
    pages = Array.new(400) { |i| Page.new(i, "Page #{i}", i % 7) }
    edges = (1..90).map { |i| [ 0, i, :link ] } + (91..399).map { |i| [ i % 90 + 1, i, :link ] }
    map = Links::Neighbourhood.new(0, pages, edges, steps: 2)
    assert_operator map.drawing.doors.size, :<=, 150
    assert_equal 91, map.drawing.doors.count { |door| door.more.nil? }
    assert_equal 309, map.drawing.doors.sum { |door| door.more.to_i }
    assert_equal 400, map.door_of.size
  end

  def test_over_generated_graphs_no_two_labels_cross_and_the_same_is_drawn_whatever_the_order
    random = Random.new(SEED)
    generate(40) do
      size = random.rand(1..300)
      pages = Array.new(size) { |i| Page.new(i, Array.new(random.rand(1..60)) { %w[W i].sample(random: random) }.join, random.rand(5)) }
      edges = Array.new(random.rand(size * 3)) { [ random.rand(size), random.rand(size), %i[link insert].sample(random: random) ] }
      drawings = [ [ pages, edges ], [ pages.shuffle(random: random), edges.shuffle(random: random) ] ].map do |some, ties|
        [ Links::Neighbourhood.new(0, some, ties, steps: random.rand(1..1) + 1).drawing, Links::RoomMap.new(some, ties, outside: { 0 => 2 }).drawing ]
      end
      drawings.first.each { |drawing| hold(drawing) }
      assert_equal(*drawings.map { |both| both.map { |drawing| [ drawing.doors.map(&:to_a), drawing.strands.map(&:to_a).sort_by(&:to_s) ] } }, -> { "SEED=#{SEED}" })
    end
  end

  def test_a_room_has_clusters_bridges_and_islands
    pages = %i[a b c d e f g].map { |id| Page.new(id, id.to_s, 1) }
    map = Links::RoomMap.new(pages, [ %i[a b], %i[b c], %i[d e] ].map { |pair| [ *pair, :link ] }, outside: { f: 2, a: 1 })
    assert_equal [ %i[b a c], %i[d e] ], map.clusters
    assert_equal [ %i[f a], %i[g] ], [ map.bridges, map.islands ]
    assert_equal %i[a b c d e f], map.drawing.doors.map(&:id).sort
  end

  def test_clusters_are_those_of_a_search_from_each_page
    random = Random.new(SEED)
    generate(100) do
      size = random.rand(1..40)
      pages = Array.new(size) { |i| Page.new(i, "P#{i}", 1) }
      edges = Array.new(random.rand(size * 2)) { [ random.rand(size), random.rand(size), :link ] }
      together = (0...size).map { |id| [ id ].to_set }
      edges.each { |from, to, _| (together[from] | together[to]).then { |all| all.each { |id| together[id] = all } } }
      map = Links::RoomMap.new(pages, edges)
      assert_equal together.uniq.select { |set| set.size > 1 }.map(&:sort).sort, map.clusters.map(&:sort).sort, -> { "SEED=#{SEED}" }
      assert_equal together.select(&:one?).flat_map(&:to_a).sort, map.islands.sort
    end
  end

  private

  def neighbourhood(centre, pairs, steps:)
    Links::Neighbourhood.new(centre, pairs.flatten.uniq.push(centre).uniq.map { |id| Page.new(id, id.to_s, 1) }, pairs.map { |pair| [ *pair, :link ] }, steps: steps)
  end

  def hold(drawing)
    boxes = drawing.doors.map(&:box)
    boxes.combination(2) { |one, other| assert one[2] <= other[0] || other[2] <= one[0] || one[3] <= other[1] || other[3] <= one[1], -> { "labels cross, SEED=#{SEED}" } }
    boxes.each { |left, top, right, bottom| assert left >= 0 && top >= 0 && right <= drawing.width && bottom <= drawing.height }
    assert_operator drawing.doors.size, :<=, 150
    assert_equal drawing.doors.map(&:id).uniq.size, drawing.doors.size
  end
end
