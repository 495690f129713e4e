require "test_helper"

class BinTest < ActiveSupport::TestCase
  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @page = new_page("Gangway", above: @room, by: @ana, markdown: "Grit.")
    @sub = new_page("Sand", above: @page, by: @ana, markdown: "Grit.")
    @other = new_page("Signals", above: @room, by: @ana, markdown: "See [it](page:#{@page.public_id}).")
  end

  test "a page goes with all below it, out of every list, and comes back with what went along" do
    earlier = new_page("Earlier", above: @page, by: @ana)
    earlier.put_in_bin(by: @ana)
    @page.put_in_bin(by: @ana)
    assert_equal [ @other ], Page.seen_by(viewer(@ben)).to_a
    assert_equal [ @other ], Page.seen_by(viewer(@ana)).to_a
    assert_empty Search.new("grit", viewer(@ana)).results
    assert_equal [ "Signals" ], Plan.new(viewer(@ana), room: @room).top.items.map { |item| item.page.title }
    assert_equal [ :draft, :nothing ], [ @ana, @ben ].map { |who| viewer(who).sight_of(@page.reload) }
    assert_equal [ earlier, @page ], Page.bin_roots.in_bin_of(viewer(@ana)).order(:binned_at).to_a
    assert_empty Page.in_bin_of(viewer(@ben))

    @page.put_back_from_bin
    assert_equal [ @other, @page, @sub ], Page.seen_by(viewer(@ben)).order(:title).to_a.sort_by { |page| page == @other ? 0 : page.id }
    assert_predicate earlier.reload, :binned?
    assert_equal @page, @sub.reload.parent
  end

  test "a page whose place is gone comes back where one chooses" do
    @sub.put_in_bin(by: @ana)
    @page.put_in_bin(by: @ana)
    assert_not @sub.reload.place_to_return?
    @sub.put_back_from_bin(to: @other)
    assert_equal [ @other, false ], [ @sub.reload.parent, @sub.binned? ]
    assert_predicate @page.reload, :binned?
  end

  test "erasing leaves nothing of a page and all below it" do
    @page.make_own_list(by: @ana)
    @page.put_in_bin(by: @ana)
    assert_equal 2, @page.erase
    assert_equal [ @other.id ], Page.ids
    [ Draft, Edition, Section, Reference ].each { |rows| assert_equal [ @other.id ], rows.distinct.pluck(:page_id), rows.name }
    assert_equal 1, AccessList.count
    assert_empty Page.connection.select_rows("PRAGMA foreign_key_check")
  end

  test "renaming publishes the title alone" do
    save_text(@page, "Unfinished words.", by: @ana)
    assert @page.rename("Gangway in ice", by: @ben)
    edition = @page.reload.edition
    assert_equal [ "Gangway in ice", "Gangway in ice", true, 2 ], [ @page.title, edition.title, edition.small, edition.number ]
    assert_equal "Grit.", Zuhause::Document::Text.of(edition.document)
    assert_equal [ "Gangway in ice", "Unfinished words." ], [ @page.draft.title, Zuhause::Document::Text.of(@page.draft.document) ]
    assert_predicate @page, :unpublished_changes?
    assert_equal [ "Gangway in ice" ], Search.new("ice", viewer(@ben)).results.map { |result| result.page.title }
  end

  test "renaming a page without other changes leaves it without any, and no title that will not do is taken" do
    assert @page.rename("Gangway in ice", by: @ana)
    assert_not @page.reload.unpublished_changes?
    assert_no_difference(-> { Edition.count }) { assert_not @page.rename(" ", by: @ana) }
    assert_equal "Gangway in ice", @page.reload.title
    draft = new_page("Draft", above: @room, by: @ana, publish: false)
    assert draft.rename("Plan", by: @ana)
    assert_equal [ "Plan", "Plan", nil ], [ draft.reload.title, draft.draft.title, draft.edition ]
  end

  test "pages take the place they are given among others" do
    third = new_page("Third", above: @room, by: @ana)
    third.move(to: @room, after: nil)
    assert_equal %w[Third Gangway Signals], top
    third.reload.move(to: @room, after: @page.reload)
    assert_equal %w[Gangway Third Signals], top
    @sub.reload.move(to: @room, after: third.reload)
    assert_equal %w[Gangway Third Sand Signals], top
  end

  private

  def top
    Plan.new(viewer(@ana), room: @room).top.items.map { |item| item.page.title }
  end
end
