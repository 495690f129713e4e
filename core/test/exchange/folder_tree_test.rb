require_relative "../test_helper"

class FolderTreeTest < Minitest::Test
  def test_a_front_may_say_in_which_language_it_is
    assert_equal [ "m/index.en.html", nil ], Zuhause::Exchange::FolderTree.new(%w[m/a.en.html m/index.en.html]).entries.then { |one, two| [ two.above, one.above ] }
    assert_equal [ 0, 1, nil ], %w[index.pt-br.html README.de.md reindex.html].map { |path| Zuhause::Exchange::FolderTree.front(path) }
  end

  def test_files_below_the_one_that_stands_for_their_folder
    assert_equal [ "index.html", " 2-second.md", " 10-tenth.md", " engine/README.md", "  engine/cold.md", " ship.md", "  ship/hull.md", " stages/", "  stages/vikness.md" ],
                 tree("10-tenth.md", "2-second.md", "index.html", "engine/cold.md", "engine/README.md", "ship/hull.md", "ship.md", "stages/vikness.md")
  end

  def test_a_folder_around_it_all_stands_for_nothing
    assert_equal [ "manual/a/b.md", "manual/a/c.md" ], tree("manual/a/b.md", "manual/a/c.md")
    assert_equal [ "manual/a.md", "manual/b/", " manual/b/c.md" ], tree("manual/b/c.md", "manual/a.md")
  end

  def test_one_file_is_one_page
    assert_equal [ "index.html" ], tree("index.html")
    assert_empty tree
  end

  def test_a_folder_named_after_a_file_with_an_index_of_its_own
    assert_equal [ "ship.md", "ship/index.md", " ship/hull.md" ].sort, tree("ship.md", "ship/index.md", "ship/hull.md").sort
  end

  # Each path once, after what it stands below, one deeper.
  def test_nothing_is_lost_and_nothing_twice
    generate(200) do |number|
      random = Random.new((SEED * 1000) + number)
      paths = Array.new(1 + random.rand(25)) { (Array.new(random.rand(4)) { %w[a b c 10 9].sample(random: random) } + [ "#{%w[index a b readme z 2].sample(random: random)}.md" ]).join("/") }.uniq
      entries = Zuhause::Exchange::FolderTree.new(paths).entries
      assert_equal paths.sort, entries.reject(&:folder?).map(&:path).sort, paths.inspect
      assert_equal entries.map(&:path).uniq, entries.map(&:path)
      entries.each_with_index do |entry, i|
        above = entries.first(i).find { |other| other.path == entry.above }
        assert_equal entry.depth, above ? above.depth + 1 : 0, paths.inspect
        assert_equal entry.above.nil?, above.nil?, paths.inspect
      end
    end
  end

  private

  def tree(*paths)
    Zuhause::Exchange::FolderTree.new(paths).entries.map { |entry| "#{" " * entry.depth}#{entry.path}" }
  end
end
