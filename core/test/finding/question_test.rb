require_relative "../test_helper"

class QuestionTest < Minitest::Test
  include Zuhause::Finding

  def test_words_in_their_order_each_once_and_which_of_them_tell_something
    question = Question.new("How much salt do we need, and how much grit?")
    assert_equal %w[how much salt do we need and grit], question.words.map(&:word)
    assert_equal %w[salt need grit], question.telling.map(&:word)
    assert_equal %w[what is it], Question.new("What is it?").telling.map(&:word), "where nothing else is asked"
  end

  def test_how_long_asks_for_a_time_and_not_for_what_is_long
    assert_equal %w[bicycles kept], Question.new("How long are bicycles kept?").telling.map(&:word)
    assert_equal %w[long line], Question.new("the long line").telling.map(&:word)
  end

  def test_the_last_word_may_go_on_while_one_types
    assert Question.new("gang").words.last.unfinished
    refute Question.new("gang ").words.last.unfinished
    refute Question.new("gangway?").words.last.unfinished
  end

  def test_phrases_and_what_is_left_out
    question = Question.new(%("second rope" frozen -gangway))
    assert_equal [ %w[second rope] ], question.phrases
    assert_equal %w[gangway], question.without
    assert_equal %w[second rope frozen], question.words.map(&:word)
    assert_equal [ %w[second rope] ], Question.new("„second rope“").phrases
    assert_empty Question.new("a well-known - thing").without
  end

  def test_names_in_code_are_words_written_as_one
    assert_equal [ [ "winch", false ], [ "limit", true ] ], Question.new("winch_limit").words.map { |word| [ word.word, word.joined ] }
    assert_equal %w[dry run], Question.new("--dry-run").words.map(&:word)
    assert_equal [ "b", "12" ], Question.new("B-12").words.map(&:word)
    assert_empty Question.new("--dry-run").without
  end

  def test_what_kind_of_answer_is_wanted
    { "how do I close it" => :steps, "who closes it" => :people, "when is it closed" => :times, "how much does it cost" => :amounts, "where is it" => :places,
      "wie mache ich das" => :steps, "wer macht das" => :people, "wann ist das" => :times, "wie viele sind es" => :amounts, "wo ist das" => :places }.each do |text, kind|
      assert_equal [ kind ], Question.new(text).kinds, text
    end
    assert_empty Question.new("closing the gangway").kinds
  end

  def test_short_forms_are_no_words
    assert_equal %w[what the limit], Question.new("What's the limit").words.map(&:word)
  end

  def test_any_input_is_safe
    random = Random.new(SEED)
    generate(300) do
      text = Array.new(random.rand(12)) { (Generated::PIECES + [ "\"", "-", "“", "--", "_", "\u0000", "\xff", "NEAR(", "*", "'s" ]).sample(random: random) }.join([ "", " " ].sample(random: random))
      question = Question.new(text)
      assert_operator question.words.size, :<=, Question::MOST
      question.words.each { |word| assert_match(/\A[\p{L}\p{M}\p{N}]+\z/, word.word) }
    end
    [ nil, 12, [], {} ].each { |odd| Question.new(odd) }
  end
end
