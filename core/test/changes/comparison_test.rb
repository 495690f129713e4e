require_relative "../test_helper"

class ComparisonTest < Minitest::Test
  include Zuhause

  def test_applying_what_was_found_to_the_old_gives_the_new_over_generated_documents
    random = Random.new(SEED)
    generate(400) do
      old = accepted(Generated.new(random).document, random)
      new = accepted(changed(old, random), random)
      comparison = Changes::Comparison.new(old, new)
      assert_equal new, comparison.apply, -> { "SEED=#{SEED}" }
      assert_equal Document::Ids.strip(old), Document::Ids.strip(new), -> { "SEED=#{SEED}" } if comparison.differences.empty?
    end
  end

  def test_unrelated_documents_too
    random = Random.new(SEED)
    generate(200) do
      old, new = Array.new(2) { accepted(Generated.new(random).document, random) }
      assert_equal new, Changes::Comparison.new(old, new).apply
      bare, other = Document::Ids.strip(old), Document::Ids.strip(new)
      assert_equal other, Changes::Comparison.new(bare, other).apply
    end
  end

  def test_nothing_changed_is_nothing_found
    random = Random.new(SEED)
    generate(100) do
      doc = accepted(Generated.new(random).document, random)
      assert_empty Changes::Comparison.new(doc, JSON.parse(JSON.generate(doc))).differences
    end
  end

  def test_words_that_changed_inside
    entry = only_difference("Clear the **tread** from the top.", "Clear the _tread_ from the very top.")
    assert_equal [ [ :same, "Clear the " ], [ :formatted, "tread" ], [ :same, " from the " ], [ :added, "very " ], [ :same, "top." ] ],
                 entry.parts.map { |part| [ part.kind, (part.new || part.old).map { |n| n["text"] }.join ] }
  end

  def test_a_rewritten_block_is_one_change
    entry = only_difference("Salt eats the hinge bolts in winter.", "Sand spares the hinge bolts in winter.")
    assert_equal :changed, entry.kind
    assert_equal "Salt eats", removed_text(entry).strip
  end

  def test_a_moved_section_is_neither_removed_nor_added
    old = "# One\n\nFirst words.\n\n# Two\n\nSecond words.\n\n# Three\n\nThird words."
    new = "# Three\n\nThird words.\n\n# One\n\nFirst words.\n\n# Two\n\nSecond words."
    assert_equal({ [ :moved, "heading" ] => 1 }, compare(old, new).summary)
  end

  def test_a_moved_and_changed_block_is_both
    comparison = compare("Alpha words stand here.\n\nBeta.\n\nGamma.", "Beta.\n\nGamma.\n\nAlpha words stand there.")
    entry = comparison.differences.first
    assert_equal [ true, :changed, 1 ], [ entry.moved, entry.kind, comparison.differences.size ]
  end

  def test_attributes_are_told
    assert_equal({ "tone" => [ nil, "danger" ] }, only_difference("> [!NOTE]\n> Salt.", "> [!DANGER]\n> Salt.").attrs)
    assert_equal({ "level" => [ nil, 2 ] }, only_difference("# Same", "## Same").attrs)
  end

  def test_items_of_lists_are_found_inside_them
    comparison = compare("- one\n- two\n- three", "- one\n- three\n- four")
    assert_equal({ [ :removed, "list_item" ] => 1, [ :added, "list_item" ] => 1 }, comparison.summary)
  end

  def test_a_summary_counts_by_kind_and_type
    comparison = compare("One here now.\n\nTwo here now.\n\n___", "One here then.\n\nTwo here then.\n\n# New")
    assert_equal({ [ :changed, "paragraph" ] => 2, [ :removed, "divider" ] => 1, [ :added, "heading" ] => 1 }, comparison.summary)
  end

  def test_one_change_can_be_put_back_and_the_others_stay
    comparison = compare("One here now.\n\nTwo here now.\n\nGone.", "One here then.\n\nTwo here then.\n\n# New")
    put_back = comparison.differences.to_h { |entry| [ [ entry.kind, entry.node["type"], Document::Text.of(entry.node) ], text(comparison.put_back(entry.number)) ] }
    assert_equal({
      [ :changed, "paragraph", "One here then." ] => "One here now.\nTwo here then.\nNew",
      [ :changed, "paragraph", "Two here then." ] => "One here then.\nTwo here now.\nNew",
      [ :removed, "paragraph", "Gone." ] => "One here then.\nTwo here then.\nGone.\nNew",
      [ :added, "heading", "New" ] => "One here then.\nTwo here then."
    }, put_back)
    assert_raises(KeyError) { comparison.put_back(99) }
  end

  def test_ids_are_carried_over_to_a_text_read_without_them
    random = Random.new(SEED)
    generate(100) do
      old = accepted(Generated.new(random).document, random)
      carried = Changes.carry_ids(old, Document::Ids.strip(old))
      assert_equal Document::Ids.strip(old), Document::Ids.strip(carried)
      ids = ->(doc) { Document::Walk.blocks(doc).reject { |node| Document::Text.of(node).empty? }.map { |node| node.dig("attrs", "id") } }
      assert_equal ids.(old).sort, ids.(carried).compact.sort
    end
    old = accepted(Markup::MarkdownReader.read("One stands here.\n\nTwo stands there.").doc, random)
    new = Changes.carry_ids(old, Markup::MarkdownReader.read("New.\n\nTwo stands over there.").doc)
    assert_equal [ nil, old["content"][1]["attrs"]["id"] ], new["content"].map { |node| node.dig("attrs", "id") }
  end

  def test_what_is_put_back_is_always_a_document
    random = Random.new(SEED)
    generate(150) do
      old = accepted(Generated.new(random).document, random)
      comparison = Changes::Comparison.new(old, accepted(changed(old, random), random))
      comparison.differences.each { |entry| assert_empty Document::Check.problems(comparison.put_back(entry.number)), -> { "SEED=#{SEED}" } }
    end
  end

  private

  def accepted(doc, random)
    Document.accept(doc, random: random).doc
  end

  def compare(old, new)
    Changes::Comparison.new(*[ old, new ].map { |markdown| Markup::MarkdownReader.read(markdown).doc })
  end

  def only_difference(old, new)
    compare(old, new).differences.tap { |found| assert_equal 1, found.size }.first
  end

  def removed_text(entry)
    entry.parts.select { |part| part.kind == :removed }.flat_map(&:old).map { |node| node["text"] }.join(" ")
  end

  def text(doc)
    Document::Text.of(doc)
  end

  # A few edits at random: blocks dropped, put in, swapped, wrapped, reworded, their ids renewed.
  def changed(doc, random)
    content = JSON.parse(JSON.generate(doc))["content"]
    made = Generated.new(random)
    random.rand(5).times do
      i = random.rand(content.size)
      case random.rand(7)
      when 0 then content.delete_at(i) if content.size > 1
      when 1 then content.insert(i, made.block(2))
      when 2 then content.push(content.delete_at(i))
      when 3 then content[i] = { "type" => "quote", "content" => [ content[i] ] } unless depth(content[i]) > 12
      when 4 then content[i] = Document::Ids.strip(content[i])
      when 5 then content.replace(content.rotate(random.rand(content.size)))
      else reword(content[i], made)
      end
    end
    { "type" => "doc", "content" => content }
  end

  def reword(block, made)
    texts = Document::Walk.each(block).map { |node, _ancestors| node }.select { |node| node["type"] == "text" }
    node = texts.first and node["text"] = "#{node["text"]}#{made.text}"
  end

  def depth(node)
    Document::Walk.each(node).map { |_node, ancestors| ancestors.size }.max
  end
end
