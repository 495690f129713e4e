require_relative "../test_helper"

class SnippetTest < Minitest::Test
  include Zuhause::Finding

  def test_the_stretch_with_most_of_the_words
    filler = Array.new(60) { |i| "w#{i}" }.join(" ")
    assert_equal "… w55 w56 w57 w58 w59 [Spray] freezes the [tread] w0 w1 w2 w3 w4 w5 w6 w7 w8 w9 w10 w11 w12 w13 w14 w15 w16 w17 w18 …",
                 snippet("spray here. #{filler} Spray freezes the tread #{filler}", "tread spray ")
  end

  def test_short_texts_stand_whole
    assert_equal "The [tread] freezes\u0020from [spray].", snippet("The tread freezes\nfrom spray.", "spray tread")
    assert_equal "Nothing of it.", snippet("Nothing of it.", "spray")
    assert_equal "", snippet("", "spray")
  end

  def test_accents_and_case
    assert_equal "[Füße] auf der [Brücke]", snippet("Füße auf der Brücke", "FUßE brucke")
    assert_equal "Füße auf der Brücke", snippet("Füße auf der Brücke", "bruck ")
  end

  def test_any_text_and_any_query
    random = Random.new(SEED)
    generate(200) do
      text = Array.new(random.rand(80)) { Generated::PIECES.sample(random: random) }.join(" ")
      query = Array.new(random.rand(4)) { Generated::PIECES.sample(random: random) }.join(" ")
      plain = snippet(text, query, "", "").delete_prefix("… ").delete_suffix(" …")
      assert_includes text, plain, -> { "SEED=#{SEED}" }
    end
  end

  private

  def snippet(text, query, opening = "[", closing = "]")
    Snippet.of(text, Folding.words(query).to_h { |word| [ word, word ] }, opening: opening, closing: closing)
  end
end
