require_relative "../test_helper"

class SourcesTest < Minitest::Test
  Sources = Zuhause::Exchange::Sources

  def test_sources_lie_beside_what_is_made_of_them_or_in_a_folder_of_their_own
    paths = %w[m/add.html m/add.txt m/_sources/deck/ropes.rst.txt m/deck/ropes.html m/notes.txt m/Read.HTM m/read.text m/3.11.html m/3.11.rst.txt m/more.md m/more.html]
    assert_equal({ "m/add.txt" => "m/add.html", "m/_sources/deck/ropes.rst.txt" => "m/deck/ropes.html", "m/read.text" => "m/Read.HTM", "m/3.11.rst.txt" => "m/3.11.html" }, Sources.made_of(paths))
  end

  def test_hardly_anything_but_sources_in_a_folder_of_them
    paths = [ *Array.new(9) { |i| "m/_sources/#{i}.rst.txt" }, "m/_sources/deck/toc.rst.txt", "m/notes.txt", "m/more.txt" ]
    same = paths.first(9) + [ "m/more.txt" ]
    assert_equal paths - [ "m/notes.txt" ], Sources.among(paths, same)
    assert_equal paths.drop(1).first(8) + [ "m/more.txt" ], Sources.among(paths, same.drop(1)), "two of ten are not"
    assert_equal same.drop(2), Sources.among(paths.drop(2), same.drop(2)), "there are few"
  end

  def test_what_says_something_else_is_no_source
    made = "<h1>Ropes</h1><p>Coil the rope and hang it up, away from the sun.</p>"
    assert Sources.same?("Ropes\n=====\n\n.. note:: Coil the rope and hang it up, away from the sun.", made)
    refute Sources.same?("Bought on Tuesday: four ropes, two fenders, paint", made)
    refute Sources.same?("", made)
  end
end
