require_relative "../test_helper"

class CommonPartTest < Minitest::Test
  def test_what_most_titles_end_with
    assert_equal [ "Logs", "Access - how to", "Index", nil ], without("Logs - The manual 2.4", "Access - how to - The manual 2.4", "Index - The manual 2.4", nil)
    assert_equal [ "Logs", "Gangway", "Ice", "No ending" ], without("Logs | Site", "Gangway | Site", "Ice | Site", "No ending")
  end

  def test_what_most_titles_end_with_in_brackets
    assert_equal [ "Logs", "Ice (thin)", "Salt" ], without("Logs (The manual (2.4))", "Ice (thin) (The manual (2.4))", "Salt (The manual (2.4))")
    assert_equal [ "ls(1)", "cat(1)", "cp(1)" ], without("ls(1)", "cat(1)", "cp(1)")
  end

  def test_what_most_titles_begin_with
    assert_equal [ "access(5)", "aliases(5)", "Howto", "The manual" ], without("The manual - access(5)", "The manual - aliases(5)", "The manual - Howto", "The manual")
    assert_equal [ "A", "B - x", "C" ], without("Deck - A - All", "Deck - B - x - All", "Deck - C - All").map { |title| title.delete_prefix("Deck - ") }, "one or the other"
  end

  def test_few_or_different_endings_stay
    [ [ "A - x", "B - x" ], [ "A - x", "B - y", "C - z", "D" ], [ "A - x", "B - x", "C - x", "D", "E", "F", "G" ], [ "A", "B", "C" ], [] ].each { |titles| assert_equal titles, without(*titles) }
  end

  def test_each_folder_may_have_its_own
    titles = { "a/1" => "Ice - The deck", "a/2" => "Salt - The deck", "a/b/3" => "Grit - The deck", "c/1" => "Oil - The engine", "c/2" => "Cold - The engine", "c/3" => "Start - The engine", "d" => "All" }
    assert_equal %w[Ice Salt Grit Oil Cold Start All], Zuhause::Exchange::CommonPart.without(titles).values
  end

  def test_a_hyphen_within_a_word_is_none
    assert_equal %w[three-point two-point one-point], without("three-point", "two-point", "one-point")
  end

  private

  def without(*titles)
    Zuhause::Exchange::CommonPart.without(titles.each_with_index.to_h { |title, i| [ "manual/#{i}.html", title ] }).values
  end
end
