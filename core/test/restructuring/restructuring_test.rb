require_relative "../test_helper"
require_relative "../support/generated"

class RestructuringTest < Minitest::Test
  include Zuhause

  COUNT = ENV["LONG"] ? 3000 : 150

  def test_a_text_comes_after_before_or_under_a_heading
    into, from = document("Start.\n\n# One\n\nA.\n\n## Deep\n\nB.\n\n# Two\n\nC."), document("# Salt\n\nD.")
    assert_equal "Start.|# One|A.|## Deep|B.|# Two|C.|# Ice|## Salt|D.", told(Restructuring.join(into, from, title: "Ice").document)
    assert_equal "# Ice|## Salt|D.|Start.|# One|A.|## Deep|B.|# Two|C.", told(Restructuring.join(into, from, title: "Ice", place: :before).document)
    one = into["content"][1]["attrs"]["id"]
    assert_equal "Start.|# One|A.|## Deep|B.|## Ice|### Salt|D.|# Two|C.", told(Restructuring.join(into, from, title: "Ice", place: one).document)
    assert_raises(Restructuring::Impossible) { Restructuring.join(into, from, title: "Ice", place: "nowhere1") }
  end

  def test_a_heading_that_says_the_title_is_not_said_twice
    assert_equal "A.|# Ice|B.", told(Restructuring.join(document("A."), document("# ICE\n\nB."), title: "Ice").document.then { |doc| rename(doc) })
  end

  def test_what_both_have_stands_once_and_is_led_to
    into, from = document("Same.\n\nA.", 1), document("Same.\n\nB.", 2)
    joined = Restructuring.join(into, from, title: "Ice")
    assert_equal "Same.|A.|# Ice|B.", told(joined.document)
    assert_equal into["content"][0]["attrs"]["id"], joined.ids[from["content"][0]["attrs"]["id"]]
    assert_equal "Same.|A.|# Ice|Same.|B.", told(Restructuring.join(into, from, title: "Ice", once: false).document)
  end

  def test_what_stands_under_a_heading_becomes_a_page_and_its_headings_rise
    parted = Restructuring.split(doc = document("Start.\n\n# One\n\nA.\n\n## Deep\n\nB.\n\n### Deeper\n\nC.\n\n## Next\n\nD.\n\n# Two\n\nE."), doc["content"][3]["attrs"]["id"])
    assert_equal [ "Deep", "B.|# Deeper|C." ], [ parted.title, told(parted.document) ]
    assert_equal "Start.|# One|A.|x|## Next|D.|# Two|E.", told(parted.left({ "type" => "paragraph", "content" => [ { "type" => "text", "text" => "x" } ] }))
    assert_equal doc["content"][3..6].map { |block| block["attrs"]["id"] }, parted.ids
    assert_raises(Restructuring::Impossible) { Restructuring.split(doc, doc["content"][0]["attrs"]["id"]) }
  end

  def test_every_block_is_kept_and_led_to_whatever_is_joined
    each_pair do |into, from, random, which|
      joined = Restructuring.join(into, from, title: "Title", once: random.rand(2).zero?, place: %i[after before].sample(random: random), random: random)
      there = ids(joined.document)
      assert_equal there.uniq, there, which
      assert_empty ids(into) - there, which
      assert_equal ids(from).sort, (joined.ids.keys & ids(from)).sort, which
      assert_empty joined.ids.values - there, which
      assert_empty words(from) - words(joined.document), which
    end
  end

  def test_every_block_stands_on_one_of_both_pages_after_a_split
    each_pair do |document, _from, random, which|
      heading = document["content"].select { |block| block["type"] == "heading" && !Document::Text.of(block).strip.empty? }.sample(random: random) or next
      parted = Restructuring.split(document, heading["attrs"]["id"], random: random)
      left = parted.left({ "type" => "paragraph" }, random: random)
      assert_empty ids(document) - ids(left) - ids(parted.document) - [ heading["attrs"]["id"] ], which
      assert_empty ids(left) & parted.ids, which
      assert_empty words(document) - words(left) - words(parted.document) - words({ "type" => "doc", "content" => [ heading ] }), which
    rescue Restructuring::Impossible
      next
    end
  end

  private

  def each_pair
    COUNT.times do |number|
      random = Random.new((SEED * 10_000) + number)
      into, from = Array.new(2) { Document.accept(Generated.new(random).document(size: 6, depth: 2), random: random).doc }
      yield into, from, random, "seed #{SEED}, number #{number}"
    end
  end

  def document(markdown, seed = 1)
    Document.accept(Markup::MarkdownReader.read(markdown).doc, random: Random.new(seed)).doc
  end

  def rename(doc)
    doc.merge("content" => doc["content"].map { |block| Document::Text.of(block) == "ICE" ? block.merge("content" => [ { "type" => "text", "text" => "Ice" } ]) : block })
  end

  def told(document)
    document["content"].map { |block| "#{"#" * Restructuring.level_of(block).to_i} #{Document::Text.of(block)}".strip }.join("|")
  end

  def ids(document)
    Document::Walk.blocks(document).map { |node| node.dig("attrs", "id") }
  end

  def words(document)
    Document::Walk.each(document).flat_map { |node, _ancestors| node["text"].to_s.scan(/[\p{L}\p{N}]+/) }.to_set
  end
end
