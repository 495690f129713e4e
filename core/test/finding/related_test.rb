require_relative "../test_helper"

class RelatedTest < Minitest::Test
  Facts = Zuhause::Finding::Related::Facts

  def test_a_link_binds_more_than_what_only_makes_it_likely
    page = facts(1, to: [ 2, 7 ], from: [ 8 ], tags: [ "ice" ])
    others = [ facts(2), facts(3, to: [ 7 ]), facts(4, from: [ 8 ]), facts(5, tags: [ "ice" ]), facts(6, words: 0.5), facts(10, rare: 0.5), facts(9) ]
    scores = Zuhause::Finding::Related.new(page, carrying: { "ice" => 2 }).ranked(others)
    assert_equal 2, scores.first.id
    assert_equal({ 2 => :linked, 3 => :coupled, 4 => :cited_together, 5 => :tagged, 6 => :words, 10 => :rare }, scores.to_h { |score| [ score.id, score.parts.keys.first ] })
  end

  def test_both_directions_bind_more_than_one
    page = facts(1, to: [ 2, 3 ], from: [ 3 ])
    assert_equal [ 3, 2 ], Zuhause::Finding::Related.new(page).ranked([ facts(2), facts(3) ]).map(&:id)
  end

  def test_a_tag_that_everything_carries_says_less
    of = ->(pages) { Zuhause::Finding::Related.new(facts(1, tags: [ "t" ]), carrying: { "t" => pages }).score(facts(2, tags: [ "t" ])).total }
    assert_operator of.call(2), :>, of.call(500)
  end

  # Whatever is shared, more of it never lowers a score, and what shares nothing is not told.
  def test_more_in_common_never_counts_less
    random = Random.new(SEED)
    200.times do
      page = facts(1, to: some(random), from: some(random), tags: some(random))
      other = facts(2, to: some(random), from: some(random), tags: some(random), words: random.rand.round(2))
      related = Zuhause::Finding::Related.new(page)
      closer = other.dup.tap { |one| one.tags = one.tags | page.tags }
      assert_operator related.score(closer).total, :>=, related.score(other).total
      assert_empty related.ranked([ facts(99) ])
      assert_equal related.ranked([ other, facts(5, to: page.links_to) ]), related.ranked([ facts(5, to: page.links_to), other ])
    end
  end

  private

  def facts(id, to: [], from: [], tags: [], words: 0.0, rare: 0.0)
    Facts.new(id: id, links_to: to, linked_from: from, tags: tags, words: words, rare: rare)
  end

  def some(random)
    (3..20).to_a.sample(random.rand(5), random: random)
  end
end
