require "test_helper"

# Who learns what of what points here.
class LinkedFromTest < ActiveSupport::TestCase
  setup do
    @ana, @ben, @cy = person("Ana Koll"), person("Ben Rasch"), person("Cy Dorn", role: "guest")
    @deck, @crew = new_room("Deck", keeper: @ana, open: true), new_room("Crew", keeper: @ana)
    @hold = new_page("Three-point hold", above: @deck, by: @ana, markdown: "## One hand\n\nFor the ship.")
    @section = @hold.edition.document["content"].first["attrs"]["id"]
    @open = new_page("Gangway", above: @deck, by: @ana, markdown: "Before. See [the hold](page:#{@hold.public_id}) first.\n\nThen [one hand](page:#{@hold.public_id}##{@section}).")
    @closed = new_page("Wages", above: @crew, by: @ana, markdown: "[hold](page:#{@hold.public_id})\n\n::: live_insert {page=\"#{@hold.public_id}\"}\n:::")
    @begun = new_page("Begun", above: @deck, by: @ana, markdown: "[hold](page:#{@hold.public_id})", publish: false)
  end

  test "each is told what they read, room by room; drafts to those who see them" do
    assert_equal [ [ "Begun", true ], [ "Gangway", false ], [ "Wages", false ] ], told(@ana)
    assert_equal [ [ "Gangway", false ] ], told(@ben)
    assert_empty told(@cy)
    assert_empty told(nil)
  end

  test "every place is told with its words and its block, and counts agree with lists" do
    [ @ana, @ben, @cy ].each do |who|
      from = from(who)
      assert_equal from.count_of_all, from.by_room(limit: 50).size
      assert_equal from.count, from.links(limit: 50).size
      assert_equal from.count_of_shown_on, from.shown_on(limit: 50).size
    end
    gangway = from(@ben).by_room(limit: 50).first
    assert_equal [ "Before. See the hold first.", "Then one hand." ], gangway.places.map(&:context)
    assert_equal @open.edition.document["content"].map { |node| node["attrs"]["id"] }, gangway.places.map(&:block_id)
    assert_equal [ false, true ], from(@ana).by_room(limit: 50).last.places.map(&:live).sort_by(&:to_s)
  end

  test "what leads to a section alone is told apart" do
    assert_equal({ @section => 1 }, from(@ben).by_block)
    assert_equal [ [ "One hand", 1 ] ], SectionsLedTo.new(@hold, Viewer.new(@ben)).of_shown.map { |part| [ part.title, part.count ] }
    assert_equal [ @open.id ], LinkedFrom.new(@hold, Viewer.new(@ben), block: @section).by_room(limit: 5).map { |link| link.page.id }
    assert_empty SectionsLedTo.new(@hold, Viewer.new(@ana)).to_lose
    save_text(@hold, "For the ship.", by: @ana)
    assert_equal [ "One hand" ], SectionsLedTo.new(@hold.reload, Viewer.new(@ana)).to_lose.map(&:title)
  end

  test "what is set is told to those who see where" do
    @crew.update!(front_page: @hold)
    assert_equal [ [ "front" ], [] ], [ @ana, @ben ].map { |who| from(who).set.map(&:use) }
  end

  test "of a source and a file it is asked alike" do
    source = Source.enter({ title: "Salt on steel" }, by: @ana)
    citing = new_page("Rust", above: @deck, by: @ana, markdown: "Salt eats bolts[](cite:#{source.public_id}).")
    assert_equal [ citing.id ], LinkedFrom.new(source, Viewer.new(@ben)).by_room(limit: 5).map { |link| link.page.id }
  end

  private

  def from(who)
    LinkedFrom.new(@hold, Viewer.new(who))
  end

  def told(who)
    from(who).by_room(limit: 50).sort_by { |link| link.page.title }.map { |link| [ link.page.title, link.draft ] }
  end
end
