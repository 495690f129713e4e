require_relative "../test_helper"

class UnionTest < Minitest::Test
  include Zuhause

  def test_whatever_stands_in_either_text_stands_in_the_outcome
    random = Random.new(SEED)
    generate(150) do
      base = Document.accept(Generated.new(random).document).doc
      first, second = Array.new(2) { Document.accept(edited(base, random)).doc }
      union = Changes::Union.of(first, second)
      [ first, second ].each do |doc|
        missing = words(doc).tally.select { |word, _count| !words(union).include?(word) }
        assert_empty missing.keys, -> { "SEED=#{SEED}\n#{JSON.generate(doc)}\n#{JSON.generate(union)}" }
      end
    end
  end

  def test_equal_texts_stand_once
    random = Random.new(SEED)
    generate(100) do
      doc = Document.accept(Generated.new(random).document).doc
      assert_equal doc, Changes::Union.of(doc, doc), -> { "SEED=#{SEED}" }
    end
  end

  def test_what_only_one_wrote_stands_in_its_place_and_what_both_changed_stands_twice
    assert_equal "One, and more.\n\nTwo by her.\n\nTwo by me.\n\nThree.\n\nFour.\n", union("One.\n\nTwo by her.\n\nThree.\n\nFour.", "One, and more.\n\nTwo by me.\n\nThree.")
  end

  def test_cells_hold_what_both_wrote_and_tables_of_other_columns_both_stand
    table = joined("| a | b |\n| - | - |\n| 1 | 2 |\n| 3 | 4 |", "| a | b |\n| - | - |\n| 1 | 2 |\n| 3 | five |\n| six | 7 |")["content"]
    assert_equal [ "a", "b", "1", "2", "3", "4\nfive", "six", "7" ], table.first["content"].flat_map { |row| row["content"].map { |cell| Document::Text.of(cell) } }
    assert_equal 1, table.size
    wide = "| a | b | c |\n| --- | --- | --- |\n| 1 | 2 | 9 |\n"
    assert_equal "| a | b |\n| --- | --- |\n| 1 | 2 |\n\n#{wide}", union("| a | b |\n| - | - |\n| 1 | 2 |", wide)
  end

  private

  def union(first, second)
    Markup::MarkdownWriter.write(joined(first, second), ids: false)
  end

  def joined(first, second)
    base = Document.accept(Markup::MarkdownReader.read(first).doc).doc
    other = Document.accept(Changes.carry_ids(base, Markup::MarkdownReader.read(second).doc)).doc
    Changes::Union.of(base, other)
  end

  # Each block's own words, and words in attributes.
  def words(doc)
    Document::Walk.blocks(doc).flat_map do |node|
      own = Document::Schema::NODES.fetch(node["type"]).textblock? ? Document::Text.of(node) : ""
      [ own, *%w[title name alt text].map { |name| node.dig("attrs", name).to_s } ].flat_map { |text| text.scan(/[\p{L}\p{M}\p{N}]+/) }
    end
  end

  # The text with words and blocks put in, taken out and changed places.
  def edited(doc, random)
    Document::Walk.rebuild(doc) do |node|
      content = node["content"]
      next node unless content && random.rand(4).zero?

      type = Document::Schema::NODES.fetch(node["type"])
      if type.textblock?
        node.merge("content" => [ *content, { "type" => "text", "text" => " word#{random.rand(1000)}" } ])
      elsif content.size > type.content.min && random.rand(2).zero?
        node.merge("content" => content.rotate(1).drop(1))
      elsif type.content.names.include?("block")
        node.merge("content" => [ *content, Generated.new(random).block(0) ])
      else
        node
      end
    end
  end
end
