require_relative "../test_helper"

class NamesTest < Minitest::Test
  include Zuhause
  Names = Links::Names

  def test_whole_words_whatever_their_case_accents_hyphens_and_plural
    { "The gangways in ice are cold." => [ "gangways in ice" ], "GANGWAY IN ICE" => [ "GANGWAY IN ICE" ], "A gangway-in-ice." => [ "gangway-in-ice" ], "Gängway in icé" => [ "Gängway in icé" ],
      "Gangway, in ice" => [], "gangways in iceland" => [], "megagangway in ice" => [], "gangway  in\nice" => [ "gangway  in ice" ], "" => [] }.each do |text, found|
      assert_equal found, found_in(text, "Gangway in ice"), text
    end
    assert_equal [ "keeper's" ], found_in("Ask the keeper's mate.", "Keepers")
    assert_equal [ "Hull, deck & sail" ], found_in("See Hull, deck & sail.", "Hull, deck & sail")
    assert_empty found_in("See hull deck & sail.", "Hull, deck: sail")
  end

  def test_german_names_in_german_texts
    assert_equal [ "Leinen" ], found_in("Die Leinen los.", "Leine", language: "de")
    assert_empty found_in("Die Leinen los.", "Leine")
    assert_equal [ "Grüsse" ], found_in("Viele Grüsse.", "Grüße", language: "de")
  end

  def test_common_words_and_short_names_only_as_they_are_written
    assert_equal [ "About" ], found_in("It is about About.", "About")
    assert_equal [ "IC" ], found_in("The ic and the IC and ICs.", "IC")
    assert_equal [ "the way" ].size, found_in("All the way. The Way.", "The Way").size
  end

  def test_not_in_code_headings_and_links
    assert_empty found_in("# Drills\n\n`Drills` and [Drills](https://x.example) and [x](promise:Drills)\n\n```\nDrills\n```", "Drills")
    assert_equal [ "Drills" ], found_in("- **Dri**lls", "Drills")
    assert_equal [ "Drills" ], found_in("| Drills |\n| --- |", "Drills")
    assert_empty found_in("Man [over](https://x.example) board", "Man over board")
  end

  def test_places_count_as_the_text_of_the_block_does
    doc = document("Am [](date:2026-11-27) Drills.")
    place = Names.new([ Names::Name.new("Drills", 1) ]).places(doc).first
    assert_equal "Drills", Anchors::PageText.new(doc).block(place.block).text[place.start, place.length]
  end

  def test_the_first_and_the_longest_of_places_in_each_other_and_all_that_share_it
    doc = document("Gangway in ice, gangway, in ice gangway.")
    names = { "Gangway" => 1, "Gangway in ice" => 2, "Ice gangway" => 3, "gangways in ice" => 4 }.map { |text, id| Names::Name.new(text, id) }
    all = Names.new(names).places(doc)
    assert_equal [ 2, 4, 1, 3 ], Names.outermost(all).map(&:id)
    assert_equal [ 1, 1, 1 ], Names.outermost(all.select { |place| place.id == 1 }).map(&:id)
  end

  def test_names_that_are_forgotten_are_found_no_more_and_others_are
    names = Names.new([ [ "Gangway", 1 ], [ "Gangway in ice", 2 ], [ "Brow", 1 ], [ "Gangway", 3 ] ].map { |name| Names::Name.new(*name) })
    doc = document("A gangway in ice, a brow.")
    assert_equal [ 1, 1, 2, 3 ], names.places(doc).map(&:id).sort
    names.forget(1)
    assert_equal [ 2, 3 ], names.places(doc).map(&:id).sort
    [ 2, 3, 9 ].each { |id| names.forget(id) }
    assert_empty names.places(doc)
  end

  # The same by looking for each name at each word.
  def test_over_generated_texts_as_a_search_of_each_name_at_each_word
    random = Random.new(SEED)
    generate(300) do
      words = %w[ice gangway the in Gangways rope-walk drill's IC and Ängel drills].sample(6, random: random)
      names = Array.new(12) { |id| Names::Name.new(Array.new(random.rand(1..3)) { words.sample(random: random) }.join([ " ", "-", ", " ].sample(random: random)), id) }
      text = Array.new(30) { words.sample(random: random).then { |word| [ word, word.upcase, "**#{word}**", "[#{word}](https://x.example)", "`#{word}`" ].sample(random: random) } }.each_slice(6).map { |line| line.join([ " ", " ", "-", ", " ].sample(random: random)) }.join("\n\n")
      doc, language = document(text), [ nil, "de" ].sample(random: random)
      assert_equal by_looking(doc, names, language), Names.new(names, language).places(doc).map(&:to_a).sort, -> { "SEED=#{SEED}" }
    end
  end

  private

  def document(markdown)
    Document.accept(Markup::MarkdownReader.read(markdown).doc).doc
  end

  def found_in(markdown, name, language: nil)
    doc = document(markdown)
    Names.new([ Names::Name.new(name, 1) ], language).places(doc).map { |place| Anchors::PageText.new(doc).block(place.block).text[place.start, place.length] }
  end

  def by_looking(doc, names, language)
    Document::Walk.blocks(doc).select { |block| block["type"] == "paragraph" }.flat_map do |block|
      letters = block["content"].to_a.flat_map { |node| node["text"].chars.map { |letter| (node["marks"] || []).any? { |mark| %w[link code].include?(mark["type"]) } ? "\u0001" : letter } }.join
      words = letters.to_enum(:scan, /[\p{L}\p{N}]+(?:['’][\p{L}\p{N}]+)*/).map { Regexp.last_match.then { |match| [ match[0], match.begin(0), match.end(0) ] } }
      names.flat_map { |name| at(name, letters, words, language).map { |start, length| [ block.dig("attrs", "id"), start, length, name.id ] } }
    end.sort
  end

  def at(name, letters, words, language)
    own = name.text.split(/[ ,-]+/)
    words.each_cons(own.size).filter_map do |some|
      stretch = letters[some.first[1]...some.last[2]]
      next unless some.map { |word, _from, _upto| Links::Promised.key(word, language) } == own.map { |word| Links::Promised.key(word, language) }
      next unless some.each_cons(2).all? { |one, other| [ "", "-", *name.text.scan(/[ ,-]+/).map(&:strip) ].include?(letters[one[2]...other[1]].strip) }
      next if Names.exact?(name.text) && stretch != name.text

      [ some.first[1], stretch.length ]
    end
  end
end

class LinkingTest < Minitest::Test
  include Zuhause

  def test_words_are_linked_where_they_stand_whatever_their_marks
    doc = Document.accept(Markup::MarkdownReader.read("The **gang**way in ice, and drills.\n\nDrills.").doc).doc
    first, second = doc["content"].map { |block| block.dig("attrs", "id") }
    places = [ Links::Names::Place.new(first, 4, 14, "page:aaaaaaaaaa"), Links::Names::Place.new(first, 24, 6, "page:bbbbbbbbbb"), Links::Names::Place.new(second, 0, 6, "page:bbbbbbbbbb") ]
    linked = Links::Linking.put(doc, places)
    assert_equal "The [**gang**way in ice](page:aaaaaaaaaa), and [drills](page:bbbbbbbbbb).\n\n[Drills](page:bbbbbbbbbb).\n", Markup::MarkdownWriter.write(Document::Ids.strip(linked))
    assert_equal linked, Document.accept(linked).doc
    assert_equal Document::Text.of(doc), Document::Text.of(linked)
  end

  def test_over_generated_texts_what_is_linked_is_no_name_without_a_link_any_more
    random = Random.new(SEED)
    generate(200) do
      doc = Document.accept(Generated.new(random).document, random: random).doc
      words = Document::Text.of(doc).scan(/\p{L}{4,}/).uniq.sample(3, random: random)
      names = Links::Names.new(words.each_with_index.map { |word, i| Links::Names::Name.new(word, "page:#{"abc"[i] * 10}") })
      linked = Links::Linking.put(doc, Links::Names.outermost(names.places(doc)).uniq { |place| [ place.block, place.start ] })
      assert_empty names.places(linked), -> { "SEED=#{SEED}" }
      assert_equal Document::Text.of(doc), Document::Text.of(linked), -> { "SEED=#{SEED}" }
      assert_equal linked, Document.accept(linked).doc
    end
  end
end
