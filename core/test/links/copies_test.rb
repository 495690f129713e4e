require_relative "../test_helper"

# What copies need: new ids, and links that lead elsewhere.
class CopiesTest < Minitest::Test
  include Zuhause

  def test_every_block_gets_a_new_id_and_nothing_else_changes
    documents(200) do |doc|
      renewed, ids = Document::Ids.renew(doc)
      old, new = [ doc, renewed ].map { |tree| Document::Walk.blocks(tree).map { |node| node.dig("attrs", "id") } }
      assert_equal old.zip(new).to_h, ids
      assert_empty old & new
      assert_equal Document::Ids.strip(doc), Document::Ids.strip(renewed)
    end
  end

  def test_links_are_led_elsewhere_and_nothing_else_changes
    documents(200) do |doc|
      assert_equal doc, Links.retarget(doc) { |target| target }
      elsewhere = Links.retarget(doc) { Links::Target.new(:page, "zzzzzzzzzz") }
      assert_equal Links.in(doc).map(&:block_id), Links.in(elsewhere).map(&:block_id) if Links.in(doc).size == Links.in(elsewhere).size
      assert_empty Links.in(elsewhere).select { |link| %i[link insert title].include?(link.use) }.map { |link| link.target.to_s }.uniq - [ "page:zzzzzzzzzz", Generated::CARD ], "a card leads out of the house"
      assert_equal Document::Text.of(doc), Document::Text.of(elsewhere)
      assert_equal Document::Normal.form(elsewhere).first, elsewhere
      fewer = Links.retarget(doc) { |target| target unless target.kind == :page }
      assert_equal Document::Normal.form(fewer).first, fewer
    end
  end

  private

  def documents(count)
    generated = Generated.new(Random.new(SEED))
    generate(count) { yield Zuhause::Document.accept(generated.document).doc }
  end
end
