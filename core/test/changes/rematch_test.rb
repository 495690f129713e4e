require_relative "../test_helper"

# A text written as Markdown without ids and read again keeps the ids of what was not touched.
class RematchTest < Minitest::Test
  include Zuhause

  def test_an_untouched_text_keeps_all_ids
    documents(150) { |doc| assert_equal ids(doc), ids(again(doc)), "SEED=#{SEED}" }
  end

  def test_changing_one_paragraph_leaves_every_other_id
    documents(150) do |doc, random|
      paragraphs = Document::Walk.blocks(doc).select { |node| node["type"] == "paragraph" }
      next if paragraphs.empty?

      changed = paragraphs[random.rand(paragraphs.size)]
      text = [ "Something else altogether.", "Kept #{Document::Text.of(changed)}".tr("\n", " ") ][random.rand(2)]
      new = replace(doc, changed.dig("attrs", "id"), text)
      assert_equal ids(doc) - [ changed.dig("attrs", "id") ], ids(Changes.carry_ids(doc, Document::Ids.strip(new))) - [ changed.dig("attrs", "id") ], "SEED=#{SEED}"
    end
  end

  def test_no_id_is_given_twice
    documents(60) do |doc|
      twice = doc.merge("content" => [ doc, doc ].flat_map { |each| Document::Ids.strip(each)["content"] })
      given = ids(Changes.carry_ids(doc, twice))
      assert_equal given.uniq, given
    end
  end

  def test_moved_and_new_blocks
    old = Document.accept(Markup::MarkdownReader.read("# Ice\n\nGrit first.\n\n---\n\nThen salt on the tread.").doc).doc
    ice, grit, line, salt = ids(old)
    new = Markup::MarkdownReader.read("New words here.\n\nThen salt on the tread.\n\n# Ice\n\nGrit first.\n\n---\n\n---").doc
    assert_equal [ nil, salt, ice, grit, line, nil ], Changes.carry_ids(old, new)["content"].map { |node| node.dig("attrs", "id") }
  end

  private

  def replace(doc, id, text)
    Document::Walk.rebuild(doc) { |node| node.dig("attrs", "id") == id ? node.merge("content" => [ { "type" => "text", "text" => text } ]) : node }
  end

  def again(doc)
    read = Markup::MarkdownReader.read(Markup::MarkdownWriter.write(doc, ids: false)).doc
    Changes.carry_ids(doc, read)
  end

  def ids(doc)
    Document::Walk.blocks(doc).filter_map { |node| node.dig("attrs", "id") }
  end

  def documents(count)
    random = Random.new(SEED)
    generated = Generated.new(random)
    generate(count) { yield Document.accept(generated.document).doc, random }
  end
end
