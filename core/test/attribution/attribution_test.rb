require_relative "../test_helper"
require_relative "history"
require_relative "../support/edits"

# Who wrote which words, carried along with each change.
class AttributionTest < Minitest::Test
  include Zuhause

  def test_what_is_new_is_of_whoever_writes_it_and_the_rest_stays
    one = document("a1" => "Salt and grit on the ramp.")
    runs = Attribution.whole(one, source: :ana)
    carried = Attribution.carry(one, runs, document("a1" => "Salt, grit and sand on the icy ramp."), source: :ben)
    assert_equal %i[ana ben ana], carried.runs["a1"].map(&:last).then { |sources| [ sources[0], sources[1], sources[-1] ] }
    assert_equal({ ana: 5, ben: 3 }, count(carried.runs["a1"]).transform_values(&:itself).then { |counted| { ana: counted[:ana], ben: counted[:ben] } })
    assert_equal 3, carried.added
    assert_equal 1, carried.removed
  end

  def test_a_block_that_is_parted_joined_or_moved_keeps_whose_words_it_has
    one = document("a1" => "Salt and grit on the ramp.", "b1" => "Lamps on at dusk.")
    runs = { "a1" => [ [ 3, :ana ], [ 3, :ben ] ], "b1" => [ [ 4, :cay ] ] }
    parted = Attribution.carry(one, runs, document("b1" => "Lamps on at dusk.", "a1" => "Salt and grit", "c1" => "on the ramp."), source: :dee)
    assert_equal({ "b1" => [ [ 4, :cay ] ], "a1" => [ [ 3, :ana ] ], "c1" => [ [ 3, :ben ] ] }, parted.runs)
    assert_equal [ 0, 0 ], [ parted.added, parted.removed ]
    joined = Attribution.carry(one, runs, document("a1" => "Salt and grit on the ramp. Lamps on at dusk."), source: :dee)
    assert_equal({ "a1" => [ [ 3, :ana ], [ 3, :ben ], [ 4, :cay ] ] }, joined.runs)
  end

  def test_a_few_words_are_known_again_only_as_a_whole_block
    one = document("a1" => "Gangway in ice", "b1" => "Salt it", "c1" => "On we go")
    runs = { "a1" => [ [ 3, :ana ] ], "b1" => [ [ 2, :ben ] ], "c1" => [ [ 3, :cay ] ] }
    carried = Attribution.carry(one, runs, document("x1" => "Salt it", "a1" => "Gangway in ice"), source: :dee)
    assert_equal [ [ 2, :ben ] ], carried.runs["x1"]
    carried = Attribution.carry(one, runs, document("a1" => "Gangway in ice, and salt it today"), source: :dee)
    assert_equal [ [ 3, :ana ], [ 4, :dee ] ], carried.runs["a1"], "two words among others are anybody's"
    carried = Attribution.carry(document("a1" => "Salt it on the way out"), { "a1" => [ [ 6, :ben ] ] }, document("a1" => "On the way out", "b1" => "Yes, salt it now"), source: :dee)
    assert_equal [ [ 4, :dee ] ], carried.runs["b1"]
  end

  def test_what_comes_back_from_an_earlier_text_is_whose_it_was
    published = document("a1" => "Salt and grit on the ramp.", "b1" => "Lamps on at dusk.")
    runs = { "a1" => [ [ 6, :ana ] ], "b1" => [ [ 4, :cay ] ] }
    without = document("a1" => "Salt and grit on the ramp.")
    carried = Attribution.carry(without, { "a1" => [ [ 6, :ana ] ] }, published, source: :dee, besides: [ [ published, runs ] ])
    assert_equal [ [ 4, :cay ] ], carried.runs["b1"]
    assert_equal 4, carried.added, "it is more than there was"
  end

  def test_a_picture_is_somebodys_as_a_whole
    picture = ->(id) { { "type" => "divider", "attrs" => { "id" => id } } }
    one = { "type" => "doc", "content" => [ picture.call("a1") ] }
    assert_equal({ "a1" => [ [ 1, :ana ] ] }, Attribution.whole(one, source: :ana))
    carried = Attribution.carry(one, { "a1" => [ [ 1, :ana ] ] }, { "type" => "doc", "content" => [ picture.call("a1"), picture.call("b1") ] }, source: :ben)
    assert_equal [ [ 1, :ana ] ], carried.runs["a1"]
  end

  # Histories at random, whose words are all different: each word is exactly whose it was first.
  def test_generated_histories_agree_with_a_replay_word_by_word
    generate(40) do |number|
      history = History.new(Random.new((SEED * 1000) + number))
      runs = Attribution.whole(history.document, source: history.authors.first)
      40.times do |step|
        old = history.document
        author = history.step
        runs = Attribution.carry(old, runs, history.document, source: author).runs
        assert_equal history.runs, runs, "seed #{SEED}, number #{number}, step #{step}: #{history.told}"
      end
    end
  end

  # With few different words, as people write, what was moved may be taken for another's: rarely.
  def test_generated_histories_of_few_words_agree_nearly_everywhere
    same = all = 0
    generate(15) do |number|
      history = History.new(Random.new((SEED * 1000) + number), words: 60)
      runs = Attribution.whole(history.document, source: history.authors.first)
      40.times do
        old = history.document
        author = history.step
        runs = Attribution.carry(old, runs, history.document, source: author).runs
        assert_equal history.runs.transform_values { |each| each.sum(&:first) }, runs.transform_values { |each| each.sum(&:first) }
        told, found = [ history.runs, runs ].map { |each| each.transform_values { |block| Attribution::Runs.sources(block) } }
        told.each { |id, sources| sources.zip(found.fetch(id)) { |one, other| (all += 1) && (same += 1 if one == other) } }
      end
    end
    assert_operator same, :>=, all * 0.99, "#{(100.0 * same / all).round(1)} %"
  end

  def test_a_first_text_is_all_of_one_source_as_if_it_came_to_an_empty_page
    random = Random.new(SEED)
    generate(60) do
      document = Document.accept(Generated.new(random).document, random: random).doc
      whole = Attribution.whole(document, source: :ana)
      carried = Attribution.carry({ "type" => "doc", "content" => [] }, {}, document, source: :ana)
      assert_equal [ carried.runs, carried.added ], [ whole, Attribution.words(whole) ], -> { "SEED=#{SEED}" }
    end
  end

  # Whatever the edits are, each block's words are all somebody's, and no more.
  def test_any_edits_give_each_word_one_source
    generate(40) do |number|
      random = Random.new((SEED * 1000) + number)
      document = Document.accept(Generated.new(random).document, random: random).doc
      runs = Attribution.whole(document, source: 0)
      5.times do |step|
        changed = Edits.new(random).of(document, 3)
        carried = Attribution.carry(document, runs, changed, source: step + 1)
        blocks = Attribution::Blocks.new(changed)
        assert_equal blocks.ids.to_h { |id| [ id, blocks.words(id).size ] }, carried.runs.transform_values { |each| each.sum(&:first) }
        assert_operator carried.added, :>=, 0
        assert_operator carried.removed, :>=, 0
        document, runs = changed, carried.runs
      end
    end
  end

  private

  def document(blocks)
    { "type" => "doc", "content" => blocks.map { |id, text| { "type" => "paragraph", "attrs" => { "id" => id }, "content" => [ { "type" => "text", "text" => text } ] } } }
  end

  def count(runs)
    runs.each_with_object(Hash.new(0)) { |(number, source), counted| counted[source] += number }
  end
end
