require_relative "../test_helper"

class FoldingTest < Minitest::Test
  include Zuhause::Finding

  def test_case_and_accents_make_no_difference
    assert_equal %w[uber die brucke 2], Folding.words("Über die BRÜCKE, 2!")
  end

  def test_forms_of_one_word_have_a_key_in_common
    [ %w[gangway gangways], %w[freezes freezing], %w[carried carries], %w[fahrplan fahrplane], %w[faehre fahre], %w[strasse straße], %w[ticket tickets], %w[rollstuhl rollstuhle], %w[kept keeps], %w[deep depth] ].each do |one, other|
      assert_predicate Folding.keys(one) & Folding.keys(other), :any?, "#{one} and #{other}"
    end
    [ %w[salt sand], %w[ramp rope], %w[b12 b13] ].each { |one, other| assert_empty Folding.keys(one) & Folding.keys(other) }
  end

  def test_families_that_no_rule_of_stems_connects
    [ %w[icy ice], %w[departures depart], %w[payments paid], %w[refusal refused], %w[stormy storms], %w[choices chose] ].each do |one, other|
      assert_predicate Folding.keys(one) & Folding.keys(other), :any?, "#{one} #{other}"
    end
    assert_empty Folding.keys("iced") & Folding.keys("icon")
  end

  def test_common_words_of_both_languages
    assert CommonWords.function?("the")
    assert CommonWords.function?("der")
    refute CommonWords.function?("gangway")
    assert_operator CommonWords.part("need"), :>, 0
    assert_equal 0, CommonWords.part("gangway")
  end
end
