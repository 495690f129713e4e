require "test_helper"

# Making what leads to one thing lead to another.
class MendingTest < ActiveSupport::TestCase
  setup do
    @ana, @ben = person("Ana Koll"), person("Ben Rasch")
    @deck, @crew = new_room("Deck", keeper: @ana, open: true), new_room("Crew", keeper: @ben)
    @deck.grant(holder(@ben), :write)
    @old = new_page("Hold", above: @deck, by: @ana, markdown: "## Hand\n\nOne.")
    @new = new_page("Grip", above: @deck, by: @ana, markdown: "## Hand\n\nOne.")
    @part = @old.edition.document["content"].first["attrs"]["id"]
    link = "[the hold](page:#{@old.public_id}) and [a hand](page:#{@old.public_id}##{@part})."
    @clean = new_page("Clean", above: @deck, by: @ana, markdown: link)
    @busy = new_page("Busy", above: @deck, by: @ana, markdown: link)
    save_text(@busy, "#{link}\n\nMore.", by: @ana)
    @other = new_page("Other", above: @crew, by: @ben, markdown: link)
  end

  test "texts that one may write follow: at once where nothing else waits, in the draft where something does" do
    assert_equal [ 1, 1, 0 ], Mending.outlook(target(@old), Viewer.new(@ana)).to_a
    work = lead(@old, @new, by: @ana)
    assert_equal [ "done", 2 ], [ work.state, work.done ]
    assert_equal [ @new.public_id ] * 2, targets(@clean.reload.edition)
    assert_equal [ @old.public_id ] * 2, targets(@busy.reload.edition)
    assert_equal [ @new.public_id ] * 2, targets(@busy.draft)
    assert_equal [ @old.public_id ] * 2, targets(@other.reload.draft)
    assert_predicate @clean.edition, :small?
    assert_empty Reference.astray
  end

  test "whoever reads a page and may not write it is told that it stays" do
    @crew.grant(holder(@ana), :read)
    assert_equal [ 1, 1, 1 ], Mending.outlook(target(@old), Viewer.new(@ana)).to_a
    lead(@old, @new, by: @ana)
    assert_equal [ @old.public_id ] * 2, targets(@other.reload.edition)
  end

  test "parts lead to parts, where it is said which" do
    part = @new.edition.document["content"].first["attrs"]["id"]
    Mending.start(from: target(@old), to: target(@new), by: @ana, blocks: { @part => part })
    assert_equal [ nil, part ], Zuhause::Links.in(@clean.reload.edition.document).map { |point| point.target.block }
    Mending.start(from: Zuhause::Links::Target.new(:page, @new.public_id, part), to: Zuhause::Links::Target.parse("https://ferry.example/"), by: @ana)
    assert_equal %i[page web], Zuhause::Links.in(@clean.reload.edition.document).map { |point| point.target.kind }
  end

  test "it is undone, and what was written since stays" do
    work = lead(@old, @new, by: @ana)
    text = Zuhause::Markup::MarkdownWriter.write(@clean.reload.draft.document, ids: true)
    save_text(@clean, "#{text}\n\nSince.", by: @ben)
    assert_equal "done", Mending.undo(work, by: @ana).reload.state
    assert_equal [ @old.public_id ] * 2, targets(@clean.reload.draft)
    assert_includes Zuhause::Document::Text.of(@clean.draft.document), "Since."
    assert_equal [ @old.public_id ] * 2, targets(@busy.reload.draft)
    assert_empty Reference.astray
  end

  test "a promise in any spelling is pointed to a page, or made another promise" do
    page = new_page("Ask", above: @deck, by: @ana, markdown: "[a](<promise:Box list>) and [b](promise:box-lists) and [c](promise:Salt)")
    Mending.start(from: Zuhause::Links::Target.promise("Box list"), to: target(@new), by: @ana)
    assert_equal [ @new.public_id, @new.public_id, "Salt" ], targets(page.reload.edition)
    Mending.start(from: Zuhause::Links::Target.promise("salts"), to: Zuhause::Links::Target.promise("Grit"), by: @ana)
    assert_equal "Grit", targets(page.reload.edition).last
  end

  test "front pages and links in the plan follow where one may set them" do
    House.current || House.create!(id: 1, name: "Ternholm Ferries")
    [ @deck, House.current ].each { |holder| holder.update!(front_page: @old) }
    Signpost.new(kind: "link", title: "Hold", target: "page:#{@old.public_id}").stand(above: @deck, before: nil)
    lead(@old, @new, by: @ana)
    assert_equal [ @new, @old ], [ @deck.reload.front_page, House.current.reload.front_page ]
    assert_equal "page:#{@new.public_id}", @deck.signposts.sole.target
  end

  test "an insert follows, a place that shows it live" do
    page = new_page("Shows", above: @deck, by: @ana, markdown: "::: live_insert {page=\"#{@old.public_id}\"}\n:::")
    lead(@old, @new, by: @ana)
    assert_equal [ @new.public_id ], targets(page.reload.edition)
  end

  private

  def target(page)
    Zuhause::Links::Target.new(:page, page.public_id)
  end

  def lead(from, to, by:)
    Mending.start(from: target(from), to: target(to), by: by).reload
  end

  def targets(holder)
    Zuhause::Links.in(holder.document).map { |point| point.target.value }
  end
end
