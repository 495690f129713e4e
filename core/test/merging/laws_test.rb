require_relative "../test_helper"
require_relative "../support/generated"
require_relative "../support/edits"

# What holds of joining whatever was written: over documents of every kind of block, changed at random on both sides.
class MergingLawsTest < Minitest::Test
  include Zuhause

  WORD = /[\p{L}\p{M}\p{N}]+/

  COUNT = ENV["LONG"] ? 10_000 : ENV["QUICK"] ? 60 : 300
  # What is joined once more with one of its sides is as it was, but where the same words stand several times in what was
  # removed, or where tables lose and gain columns at once: in fewer than one of four hundred joinings of changes made blindly.
  OTHERWISE = 0.0025

  def test_laws
    @otherwise = []
    COUNT.times do |number|
      random = Random.new((SEED * 100_000) + number)
      base = Document.accept(Generated.new(random).document(size: 5, depth: 2), random: random).doc
      one, other = Array.new(2) { Edits.new(random).of(base, 1 + random.rand(5)) }
      sides = [ side(base, 1, nil), side(one, 2, "onewrites1"), side(other, 3, "otherwrit1") ]
      judge(*sides, "seed #{SEED}, number #{number}")
    end
    assert_operator @otherwise.size, :<=, [ COUNT * OTHERWISE, 1 ].max, @otherwise.join("; ")
  end

  private

  def side(document, version, by)
    Merging::Side.new(document: document, title: "Title", by: by, version: version)
  end

  def judge(base, one, other, which)
    outcome = Merging.merge(base, one, other)
    merged = outcome.document
    assert_equal merged, Merging.merge(base, other, one).document, "symmetric: #{which}"
    assert_equal merged, Document.accept(merged).doc, "valid and in normal form: #{which}"
    assert_equal one.document, Merging.merge(base, base, one).document, "an unchanged side: #{which}"
    nothing_added_is_missing(base, one, other, merged, which)
    nothing_removed_is_back(base, one, other, merged, which)
    again = Merging::Side.new(document: merged, title: outcome.title, by: nil, version: 4)
    @otherwise << which unless [ one, other ].all? { |each| but_for_spaces(merged) == but_for_spaces(Merging.merge(base, each, again).document) }
  end

  def nothing_added_is_missing(base, one, other, merged, which)
    there = words(merged)
    [ one, other ].each { |side| assert_empty words(side.document) - words(base.document) - there, "words: #{which}" }
    had, kept = pictures(base.document), pictures(merged)
    [ one, other ].each { |side| assert_empty pictures(side.document) - had - kept, "pictures: #{which}" }
  end

  # What stands unchanged on one side, with all in it, and was removed on the other.
  def nothing_removed_is_back(base, one, other, merged, which)
    was, ids = by_id(base.document), by_id(merged)
    [ [ one, other ], [ other, one ] ].each do |removing, leaving|
      left = by_id(leaving.document)
      gone = was.keys - by_id(removing.document).keys
      back = gone.select { |id| ids.key?(id) && left[id] == was[id] && !%w[row cell header_cell].include?(was[id]["type"]) }
      assert_empty back, "removed: #{which}"
    end
  end

  # Of several spaces beside each other it cannot be told which one was put in.
  def but_for_spaces(document)
    Document::Walk.blocks(document).map { |node| [ node["type"], node["attrs"], (Document::Text.of(node).gsub(/[[:space:]]+/, "") if Document::Schema::NODES.fetch(node["type"]).textblock?) ] }
  end

  def by_id(document)
    Document::Walk.blocks(document).to_h { |node| [ node.dig("attrs", "id"), node ] }
  end

  # A word ends where its marks do.
  def words(document)
    Document::Walk.each(document).flat_map { |node, _ancestors| node["text"].to_s.scan(WORD) }.to_set
  end

  def pictures(document)
    Document::Walk.blocks(document).select { |node| %w[figure embed live_insert].include?(node["type"]) }.map { |node| [ node["type"], *node["attrs"].values_at("file", "address", "page") ] }.to_set
  end
end
