require "test_helper"

class PageTest < ActiveSupport::TestCase
  setup do
    @ana = person("Ana Berg")
    @ben = person("Ben Holt")
    @room = new_room("On Board", keeper: @ana)
    @page = new_page("Gangway in ice", above: @room, by: @ana, markdown: "Old words.")
  end

  test "titles of 1 to 200 characters are taken, anything else refused" do
    [ "x", "x" * 200, "  padded\n " ].each { |title| assert_predicate Page.begin(title: title, above: @room, by: @ana), :persisted?, title }
    [ "", "   ", "\u0000", "x" * 201 ].each do |title|
      page = Page.begin(title: title, above: @room, by: @ana)
      assert_not page.persisted?
      assert page.errors[:title].one?
    end
  end

  test "a title refused leaves nothing behind" do
    assert_no_difference(-> { Page.count + Draft.count }) { Page.begin(title: "", above: @room, by: @ana) }
  end

  test "an address is found by its id whatever its words say" do
    assert_match(/\Agangway-in-ice-[a-z0-9]{10}\z/, @page.to_param)
    assert_equal @page, Page.at_address("another-title-#{@page.public_id}")
    assert_raises(ActiveRecord::RecordNotFound) { Page.at_address("gangway-in-ice") }
  end

  test "each save is a version; one that does not build on the newest is joined with it" do
    first = save("Mine.", base: 2, by: @ana)
    assert_equal 3, first.version
    joined = save("His.", base: 2, by: @ben)
    assert_equal [ 4, 3 ], [ joined.version, joined.base_version ]
    assert_equal %w[His Mine], text(@page.reload.draft).scan(/\w+/).sort
    assert_equal "Mine.", text(first.reload)
  end

  test "the same save again gets the same answer" do
    first = save("Mine.", base: 2, by: @ana, save_id: "save-1")
    save("More.", base: 3, by: @ana)
    assert_equal first, save("Mine.", base: 2, by: @ana, save_id: "save-1")
    assert_equal 4, @page.reload.draft.version
  end

  test "a draft's title changes nothing that readers see until it is published" do
    save_text(@page, "New words.", title: "Gangway in frost", by: @ana)
    assert_equal "Gangway in ice", @page.reload.title
    @page.publish(version: 3, by: @ana)
    assert_equal "Gangway in frost", @page.title
    assert_equal [ "Gangway in ice", "Gangway in frost" ], @page.editions.order(:number).map(&:title)
  end

  test "publishing names the version seen" do
    save_text(@page, "New words.", by: @ben)
    assert_raises(Page::Publishing::Stale) { @page.publish(version: 2, by: @ana) }
    edition = @page.publish(version: 3, by: @ana, note: "Better", small: true)
    assert_equal [ 2, "Better", true ], [ edition.number, edition.note, edition.small ]
    assert_raises(Page::Publishing::Unchanged) { @page.publish(version: 3, by: @ana) }
    assert_equal 2, @page.editions.count
  end

  test "an edition is never changed" do
    assert_raises(ActiveRecord::ReadOnlyRecord) { @page.edition.update!(title: "Other") }
  end

  test "an older edition is put back as a new one, and the draft follows" do
    first = @page.edition
    save_text(@page, "New words.", by: @ana)
    @page.publish(version: 3, by: @ana)
    back = @page.put_back(first, by: @ben)
    assert_equal [ 3, "Old words.", @ben ], [ back.number, text(back), back.author ]
    assert_equal "Old words.", text(@page.reload.draft)
    assert_not @page.unpublished_changes?
    assert_raises(Page::Publishing::Unchanged) { @page.put_back(back, by: @ben) }
  end

  test "putting back leaves a draft with unpublished changes alone" do
    first = @page.edition
    save_text(@page, "New words.", by: @ana)
    @page.publish(version: 3, by: @ana)
    save_text(@page, "Work under way.", by: @ben)
    @page.put_back(first, by: @ana)
    assert_equal "Work under way.", text(@page.reload.draft)
    assert_predicate @page, :unpublished_changes?
  end

  test "links of draft and edition are recorded apart" do
    other = new_page("Three-point hold", above: @room, by: @ana)
    save_text(@page, "Use the [hold](page:#{other.public_id}) and the [list](<promise:Sand box list>).", by: @ana)
    assert_equal({ [ "draft", "page" ] => 1, [ "draft", "promise" ] => 1 }, @page.links.group(:stage, :target_kind).count)
    @page.publish(version: @page.reload.draft.version, by: @ana)
    assert_equal [ "Use the hold and the list." ], @page.links.from_editions.to(:page, other.public_id).pluck(:context)
  end

  test "a promised page is kept by writing it, and renaming it breaks nothing" do
    save_text(@page, "The [list](<promise:Sand box list>).", by: @ana)
    @page.publish(version: 3, by: @ana)
    written = new_page("Sand  box LIST", above: @room, by: @ana)
    assert_equal written, kept("Sand box list", @ana)
    save_text(written, "Words.", title: "Grit by stage", by: @ana)
    written.publish(version: 3, by: @ana)
    assert_equal written, kept("Sand box list", @ana)
  end

  test "a page that keeps a promise is nothing to those who may not see it" do
    Promise.keep(new_page("Sand box list", above: @room, by: @ana), title: "Sand")
    assert_nil kept("Sand", @ben)
    assert_equal "Sand box list", kept("Sand", @ana).title
  end

  test "moving takes all below along, to another room too, and never under itself" do
    sub = new_page("Sand", above: @page, by: @ana)
    subsub = new_page("Grit", above: sub, by: @ana)
    other = new_room("Ashore", keeper: @ana)
    neighbour = new_page("Stages", above: other, by: @ana)
    assert_not @page.move(to: subsub)
    assert @page.reload.move(to: neighbour)
    assert_equal [ other, other, other ], [ @page, sub, subsub ].map { |p| p.reload.room }
    assert_equal [ neighbour.id, @page.id, sub.id ], subsub.ancestor_ids
    assert_equal [ other.reload.access_list_id ], [ @page, sub, subsub ].map(&:access_list_id).uniq
  end

  private

  def save(markdown, base:, by:, save_id: SecureRandom.uuid)
    document = Zuhause::Markup::MarkdownReader.read(markdown).doc
    Page.find(@page.id).save_draft(State.new(title: "Gangway in ice", document: document), base_version: base, save_id: save_id, by: by)
  end

  def text(state)
    Zuhause::Document::Text.of(state.document)
  end

  def kept(title, by)
    Promise.kept(Zuhause::Links::Promised.key(title), viewer: viewer(by), room: @room)
  end
end
