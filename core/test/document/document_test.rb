require_relative "../test_helper"

class DocumentTest < Minitest::Test
  include Zuhause

  def test_normal_form_is_the_same_for_trees_that_mean_the_same
    one = doc({ "type" => "paragraph", "attrs" => { "id" => nil }, "content" => [ text("Salt ", "code", "strong"), text("eats", "strong", "code"), text(" bolts") ] },
              { "type" => "heading", "attrs" => { "level" => 1 }, "content" => [] })
    other = doc({ "content" => [ text("Salt eats", "strong", "code", "strong"), text(" bo"), text("lts") ], "type" => "paragraph" }, { "type" => "heading" })
    assert_equal JSON.generate(Document::Normal.form(one).first), JSON.generate(Document::Normal.form(other).first)
  end

  def test_normal_form_and_ids_are_stable_over_generated_documents
    random = Random.new(SEED)
    generate(500) do
      accepted = Document.accept(Generated.new(random).document, random: random)
      again = Document.accept(accepted.doc, random: random)
      assert_equal JSON.generate(accepted.doc), JSON.generate(again.doc)
      assert_empty again.new_ids
      ids = Document::Walk.blocks(accepted.doc).map { |node| node.dig("attrs", "id") }
      assert ids.all? { |id| id.match?(Document::Schema::ID) }
      assert_equal ids.uniq, ids
    end
  end

  def test_a_copied_id_is_mended_where_it_comes_second
    paragraph = { "type" => "paragraph", "attrs" => { "id" => "aaaaaaaa" } }
    accepted = Document.accept(doc(paragraph, { "type" => "quote", "content" => [ paragraph, { "type" => "divider", "attrs" => { "id" => "bbbbbbbb" } } ] }))
    assert_equal [ 1, 2 ], accepted.new_ids.keys, "the quote had none, its paragraph another's"
    assert_equal "aaaaaaaa", accepted.doc["content"][0].dig("attrs", "id")
    refute_equal "aaaaaaaa", accepted.doc["content"][1]["content"][0].dig("attrs", "id")
  end

  def test_what_does_not_fit_is_named
    {
      "nonsense" => :not_a_document,
      { "type" => "paragraph" } => :not_a_document,
      doc => :too_few,
      doc({ "type" => "script" }) => :unknown_type,
      doc({ "type" => "doc", "content" => [] }) => :unknown_type,
      doc("text") => :unknown_type,
      doc(text("loose")) => :wrong_place,
      doc({ "type" => "list_item", "content" => [ { "type" => "paragraph" } ] }) => :wrong_place,
      doc({ "type" => "bullet_list" }) => :too_few,
      doc({ "type" => "heading", "attrs" => { "level" => 7 } }) => :bad_attr,
      doc({ "type" => "heading", "content" => [ { "type" => "hard_break" } ] }) => :wrong_place,
      doc({ "type" => "paragraph", "attrs" => { "onclick" => "x" } }) => :unknown_attr,
      doc({ "type" => "paragraph", "attrs" => { "id" => "Not one" } }) => :bad_attr,
      doc({ "type" => "paragraph", "content" => [ { "type" => "text", "text" => "" } ] }) => :bad_text,
      doc({ "type" => "paragraph", "content" => [ { "type" => "text", "text" => 7 } ] }) => :bad_text,
      doc({ "type" => "paragraph", "content" => [ text("x", "blink") ] }) => :bad_mark,
      doc({ "type" => "code_block", "content" => [ text("x", "strong") ] }) => :bad_mark
    }.each do |tree, code|
      error = assert_raises(Document::Invalid, tree.inspect) { Document.accept(tree) }
      assert_includes error.problems.map(&:code), code
    end
    error = assert_raises(Document::Invalid) { Document.accept(doc({ "type" => "paragraph" }, { "type" => "notice", "attrs" => { "tone" => "loud" }, "content" => [ { "type" => "paragraph" } ] })) }
    assert_equal "notice at 1 has no valid tone", error.message
  end

  def test_limits_of_depth_and_size
    deep = ->(levels) { (levels - 1).times.reduce({ "type" => "paragraph", "content" => [ text("x") ] }) { |inner, _| { "type" => "quote", "content" => [ inner ] } } }
    assert Document.accept(doc(deep.(20)))
    assert_equal [ :too_deep ], Document::Check.problems(doc(deep.(21))).map(&:code)
    assert_equal [ :too_deep ], Document::Check.problems(doc(deep.(5000))).map(&:code)
    assert_equal [ :too_large ], Document::Check.problems(doc({ "type" => "paragraph", "content" => [ text("x" * Document::Schema::MAX_BYTES) ] })).map(&:code)
  end

  def test_links_that_mean_nothing_become_text_and_are_told
    link = text("press").merge("marks" => [ { "type" => "link", "attrs" => { "target" => "javascript:alert(1)" } } ])
    accepted = Document.accept(doc({ "type" => "paragraph", "content" => [ link ] }))
    assert_equal [ "javascript:alert(1)" ], accepted.dropped_targets
    assert_equal [ text("press") ], accepted.doc["content"][0]["content"]
  end

  def test_plain_text_words_and_sections
    tree = Markup::MarkdownReader.read("Before **all**.\n\n## One {#aaaaaaaa}\n\n- item\n- two\\\n  lines\n\n#### Two\n\n> said").doc
    assert_equal "Before all.\nOne\nitem\ntwo\nlines\nTwo\nsaid", Document::Text.of(tree)
    assert_equal 8, Document::Text.words(tree)
    sections = Document::Outline.sections(tree)
    assert_equal [ [ nil, "Before all." ], [ "One", "item\ntwo\nlines" ], [ "Two", "said" ] ], sections.map { |s| [ s.heading&.text, s.text ] }
    assert_equal [ [ "aaaaaaaa", 2 ], [ nil, 4 ] ], Document::Outline.headings(tree).map { |h| [ h.id, h.level ] }
  end

  def test_titles
    assert_equal "De-icing stock", Document::Title.clean("  De-icing\n\u0000 stock ")
    assert_equal [ :blank, nil, nil, :too_long ], [ "", "x", "x" * 200, "x" * 201 ].map { |t| Document::Title.problem(t) }
    assert_equal Document::Title.normalise("SAND  Box\u00a0list"), Document::Title.normalise("sand box LIST")
    assert_equal "eis-am-gangway-ol", Document::Title.slug("Eis am Gangway: Öl!")
    assert_equal "", Document::Title.slug("日本")
  end

  private

  def doc(*blocks)
    { "type" => "doc", "content" => blocks }
  end

  def text(text, *marks)
    node = { "type" => "text", "text" => text }
    marks.empty? ? node : node.merge("marks" => marks.map { |mark| { "type" => mark } })
  end
end
