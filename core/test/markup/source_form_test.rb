require_relative "../test_helper"

# The form for writing as text: of the ids only those that something points to, and all others carried over.
class SourceFormTest < Minitest::Test
  include Zuhause

  def test_linked_ids_are_written_and_all_others_carried_over
    random = Random.new(SEED)
    generated = Generated.new(random)
    generate(100) do
      doc = Document.accept(generated.document).doc
      linked = Document::Walk.blocks(doc).map { |node| node.dig("attrs", "id") }.sample(2, random: random).to_set
      markdown = Markup::MarkdownWriter.write(doc, ids: linked)
      linked.each { |id| assert_includes markdown, id, "SEED=#{SEED}" }
      assert_equal doc, Changes.carry_ids(doc, Markup::MarkdownReader.read(markdown).doc), "SEED=#{SEED}"
    end
  end
end
