require "test_helper"

# Acts of which each was right when it was asked for, and which happen one after the other: what the second relies on has
# changed since it was read.
class RacesTest < ActiveSupport::TestCase
  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @one = new_page("One", above: @room, by: @ana)
    @two = new_page("Two", above: @room, by: @ana)
    @sub = new_page("Sub", above: @one, by: @ana)
  end

  teardown { assert_empty HouseCheck.run }

  test "a page begun where its place has been closed meanwhile is closed too" do
    stale = Page.find(@one.id)
    stale.access_list
    @one.make_own_list(by: @ana)
    @one.grant(holder(:everyone), :none)
    fresh = Page.begin(title: "Fresh", above: stale, by: @ana)
    assert_equal :none, viewer(@ben).level_on(fresh)
  end

  test "of two moves that would stand each below the other, the second is refused" do
    stale_one, stale_two = Page.find(@one.id), Page.find(@two.id)
    assert stale_one.move(to: stale_two)
    assert_not Page.find(@two.id).move(to: stale_one)
    stale_two.reload
    assert_not stale_two.move(to: Page.find(@sub.id))
    assert_equal [ @two, @room ], [ @one.reload.above, @two.reload.above ]
  end

  test "a page begun below one that has moved meanwhile stands below it" do
    stale = Page.find(@sub.id)
    other = new_room("Ashore", keeper: @ana)
    @one.move(to: other)
    fresh = Page.begin(title: "Fresh", above: stale, by: @ana)
    assert_equal [ @sub, other ], [ fresh.above, fresh.room ]
  end

  test "what has been put in the bin meanwhile is not moved, nor anything below it" do
    stale = Page.find(@two.id)
    @two.put_in_bin(by: @ana)
    assert_not stale.move(to: @one)
    assert_not Page.find(@sub.id).move(to: stale)
    assert_equal [ :in_bin ], stale.errors.details[:base].map { |detail| detail[:error] }
  end

  test "a page moved away meanwhile does not go into the bin with what it stood in, and what moved there does" do
    stale = Page.find(@one.id)
    stale.children.to_a
    @sub.move(to: @room)
    @two.move(to: Page.find(@one.id))
    stale.put_in_bin(by: @ana)
    assert_equal [ true, true, false ], [ @one, @two, @sub ].map { |page| page.reload.binned? }
  end

  test "the draft of a page that has been erased meanwhile is not found" do
    stale = Page.find(@two.id)
    @two.put_in_bin(by: @ana).erase(by: @ana)
    assert_raises(ActiveRecord::RecordNotFound) { stale.draft }
  end

  test "a page whose place went into the bin meanwhile does not come back into it" do
    @sub.put_in_bin(by: @ana)
    @one.put_in_bin(by: @ana)
    assert_raises(Page::Binnable::NoPlace) { Page.find(@sub.id).put_back_from_bin }
    assert_raises(Page::Binnable::NoPlace) { Page.find(@sub.id).put_back_from_bin(to: @one) }
    Page.find(@sub.id).put_back_from_bin(to: @two)
    @one.reload.erase(by: @ana)
    assert_equal @two, @sub.reload.above
  end
end
