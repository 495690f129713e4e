require_relative "../test_helper"

class ScoringTest < Minitest::Test
  include Zuhause::Finding

  def test_a_word_in_a_heading_or_title_counts_more_than_in_the_text
    assert_operator total("grit", heading: "Where the grit is"), :>, total("grit", body: "Where the grit is")
    more = " with some more words that say what it is for" * 8
    assert_operator total("grit", title: "Grit", body: more), :>, total("grit", body: "Grit#{more}")
    assert_operator total("grit", body: "Grit#{more}"), :>, total("grit", path: "Grit", body: more)
  end

  def test_rare_words_count_more
    asked = [ asked("grit", sections: 2), asked("stage", sections: 400) ]
    assert_equal %w[grit stage], order(asked, { "grit" => { body: "Some grit here" }, "stage" => { body: "Some stage here" } })
  end

  def test_all_that_is_asked_before_much_of_one_word
    assert_equal %w[both much], order(asks("grit stage"), { "much" => { body: "grit grit grit grit grit" }, "both" => { body: "the stage has a box of grit" } })
  end

  def test_words_that_stand_close
    far = "grit #{"other " * 40}stage"
    assert_equal %w[close far], order(asks("grit stage"), { "far" => { body: far }, "close" => { body: "#{"other " * 40}stage grit" } })
  end

  def test_words_written_as_one_are_looked_for_as_one
    assert_equal %w[one apart], order(asks("winch_limit"), { "apart" => { body: "the limit of the winch is told" }, "one" => { body: "winch_limit is told here too" } }, "winch_limit")
  end

  def test_phrases_have_to_stand_and_what_is_left_out_must_not
    fields = { "phrase" => { body: "a second rope" }, "apart" => { body: "a rope, the second" } }
    assert_equal %w[phrase], order(asks('"second rope"'), fields, '"second rope"')
    assert_equal %w[apart], order(asks("rope"), { "with" => { body: "rope on the gangway" }, "apart" => { body: "rope" } }, "rope -gangway")
  end

  def test_what_the_question_wants
    assert_equal %w[time none], order(asks("when ship"), { "none" => { body: "the ship of ours" }, "time" => { body: "the ship at 06:20" } }, "when ship")
  end

  def test_words_that_hold_others_together_decide_among_equals_and_are_not_told
    question = "index over only some of the rows"
    asked = asks(question)
    assert_equal %w[so other], order(asked, { "other" => { body: "an index with many rows in it" }, "so" => { body: "an index over some of the rows" } }, question)
    score = Scoring.new(Question.new(question), asked).score(candidate("x", body: "an index over some of the rows"))
    assert_equal %w[index rows], score.matched.map { |match| match.asked.word }
    assert_in_delta 1.0, score.covered, 0.001
  end

  def test_a_short_word_with_a_slip_may_be_any_and_makes_nobody_sure
    sure = lambda do |word, found, form|
      scoring = Scoring.new(Question.new(word), asks(word, word => { found => form }))
      scoring.sure?(scoring.score(candidate("x", body: "the #{found} is here")))
    end
    assert sure.call("gangwya", "gangway", :slip)
    refute sure.call("tyre", "type", :slip)
    refute sure.call("gang", "gangway", :begun)
  end

  # Whoever asks by a title, or by another name of a page, means the page and not what tells of it.
  def test_a_page_that_is_called_what_is_asked
    named = { title: "Winch\nAnchor hoist", heading: "Winch\nAnchor hoist", body: "What it lifts and what it does not." }
    telling = { title: "Winch\nAnchor hoist", heading: "Limits of the winch", body: "The winch lifts; a winch of the anchor hoist, the anchor hoist by the winch." }
    [ "winch", "anchor hoist" ].each { |question| assert_equal %w[named telling], order(asks(question), { "telling" => telling, "named" => named }, question), question }
    [ "winch", "the winch", "anchor hoist" ].each do |question|
      assert_predicate Scoring.new(Question.new(question), asks(question)).score(candidate("named", **named)).parts[:named], :positive?, question
    end
    [ "winch limit", "anchor", "hoists" ].each { |question| assert_predicate Scoring.new(Question.new(question), asks(question)).score(candidate("named", **named)).parts[:named].to_f, :zero?, question }
  end

  def test_a_heading_that_says_little_else
    body = "The ramp is kept clear of salt"
    assert_equal %w[just much], order(asks("ramp"), { "much" => { heading: "Ramp cable fender hatch winch", body: body }, "just" => { heading: "Ramp", body: body } }, "ramp")
  end

  def test_why_is_told
    score = Scoring.new(Question.new("salt ramps"), asks("salt ramps", "ramps" => { "ramp" => :stem })).score(candidate("x", heading: "The ramp", body: "Grit."))
    assert_equal [ [ "ramps", "ramp", :stem, :heading ] ], score.matched.map { |match| [ match.asked.word, match.word, match.form, match.field ] }
    assert_in_delta 0.5, score.covered, 0.01
    assert_in_delta score.total, score.parts.values.sum
  end

  def test_what_has_too_little_of_what_is_asked_is_no_answer
    asked = asks("winch brake limit")
    scoring = Scoring.new(Question.new("winch brake limit"), asked)
    all, one = [ "the winch brake has its limit here", "the winch is green, as we all know" ].map { |text| scoring.score(candidate("x", body: text)) }
    assert scoring.sure?(all)
    refute scoring.sure?(one)
    refute Scoring.new(Question.new(""), []).sure?(one)
  end

  def test_what_only_stands_below_is_none
    fields = { "below" => { path: "Gangway in ice", body: "Sand" }, "both" => { path: "Gangway in ice", body: "Sand for ice" } }
    assert_equal %w[both], order(asks("ice"), fields, "ice")
    assert_equal %w[both below], order(asks("ice sand"), fields, "ice sand")
  end

  def test_nothing_found_is_nothing
    assert_empty Scoring.new(Question.new("salt"), asks("salt")).ranked([ candidate("x", body: "Grit") ])
    assert_empty Scoring.new(Question.new(""), []).ranked([ candidate("x", body: "Grit") ])
  end

  # All else being equal, a text that has one more of the words asked never comes later.
  def test_more_of_what_is_asked_never_ranks_lower
    words = %w[salt grit ramp rope tide lamp]
    generate(300) do |number|
      random = Random.new((SEED * 1000) + number)
      asked = words.sample(2 + random.rand(3), random: random).map { |word| asked(word, sections: 1 + random.rand(50)) }
      filler = Array.new(10 + random.rand(60)) { "w#{random.rand(500)}" }
      less = asked.first(random.rand(asked.size)).map(&:word)
      more = asked.find { |one| !less.include?(one.word) }.word
      place = random.rand(filler.size)
      texts = [ less, less + [ more ] ].map { |some| filler.dup.insert(place, *some).join(" ") }
      scores = texts.map { |text| Scoring.new(Question.new("x"), asked).score(candidate("x", body: text)).total }
      assert_operator scores.last, :>=, scores.first, "seed #{SEED}, number #{number}"
    end
  end

  private

  def asked(word, sections: 5, forms: { word => :same }, joined: false)
    Asked.new(Question::Word.new(word: word, common: CommonWords.part(word), joined: joined), forms: forms, sections: sections, of: 1000)
  end

  def asks(text, forms = {})
    Question.new(text).words.map { |word| asked(word.word, forms: forms[word.word] || { word.word => :same }, joined: word.joined) }
  end

  def candidate(id, **fields)
    Candidate.new(id: id, page: id, fields: fields)
  end

  def total(text, **fields)
    Scoring.new(Question.new(text), asks(text)).score(candidate("x", **fields)).total
  end

  def order(asked, texts, question = "x")
    Scoring.new(Question.new(question), asked).ranked(texts.map { |id, fields| candidate(id, **fields) }).map { |score| score.candidate.id }
  end
end
