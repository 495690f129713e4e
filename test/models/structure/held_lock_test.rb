require "test_helper"

# Acts that come to the lock while another holds it: what they read before has changed by the time that it is theirs.
class HeldLockTest < ActiveSupport::TestCase
  include ApartFromTransactions

  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @one, @two = %w[One Two].map { |title| new_page(title, above: @room, by: @ana) }
    @sub = new_page("Sub", above: @one, by: @ana)
  end

  teardown { assert_empty HouseCheck.run }

  test "a page begun while its place is being closed is closed" do
    above = Page.find(@one.id).tap(&:access_list)
    fresh = held_up(-> { Page.begin(title: "Fresh", above: above, by: @ana) }) do
      page = Page.find(@one.id)
      page.make_own_list(by: @ana)
      page.grant(holder(:everyone), :none)
    end
    assert_predicate fresh, :persisted?
    assert_equal :none, viewer(@ben).level_on(fresh.reload)
  end

  test "of two moves each below the other one is refused" do
    one, two = Page.find(@one.id), Page.find(@two.id)
    moved = held_up(-> { two.move(to: one) }) { assert Page.find(@one.id).move(to: Page.find(@two.id)) }
    assert_not moved
    assert_equal [ @two, @room ], [ @one, @two ].map { |page| Page.find(page.id).above }
  end

  test "a page begun below one that is being moved stands below it, in its new room" do
    other = new_room("Ashore", keeper: @ana)
    above = Page.find(@sub.id)
    fresh = held_up(-> { Page.begin(title: "Fresh", above: above, by: @ana) }) { Page.find(@one.id).move(to: other) }
    assert_equal [ @sub, other ], Page.find(fresh.id).then { |page| [ page.above, page.room ] }
  end

  test "what is being put in the bin is not moved out of it, nor anything into it" do
    sub, two, one = [ @sub, @two, @one ].map { |page| Page.find(page.id) }
    assert_not held_up(-> { sub.move(to: two) }) { Page.find(@one.id).put_in_bin(by: @ana) }
    assert_predicate @sub.reload, :binned?
    Page.find(@one.id).put_back_from_bin
    assert_not held_up(-> { two.move(to: one) }) { Page.find(@one.id).put_in_bin(by: @ana) }
    assert_equal [ false, @room ], Page.find(@two.id).then { |page| [ page.binned?, page.above ] }
  end

  test "pages moved away while their place goes into the bin stay out of it" do
    one = Page.find(@one.id).tap { |page| page.children.to_a }
    held_up(-> { one.put_in_bin(by: @ana) }) { Page.find(@sub.id).move(to: @room) }
    assert_equal [ true, false ], [ @one, @sub ].map { |page| page.reload.binned? }
  end

  test "undoing while what it stood in goes into the bin puts nothing back, and erasing takes only what is in the bin" do
    Page.find(@sub.id).put_in_bin(by: @ana)
    sub = Page.find(@sub.id)
    assert_raises(Page::Binnable::NoPlace) { held_up(-> { sub.put_back_from_bin }) { Page.find(@one.id).put_in_bin(by: @ana) } }
    one = Page.find(@one.id)
    held_up(-> { one.erase(by: @ana) }) { Page.find(@one.id).put_back_from_bin }
    assert_equal [ true, true ], [ Page.exists?(@one.id), Page.exists?(@sub.id) ]
  end

  test "somebody who is suspended while they are being let in again stays as it was said last" do
    ben = Person.find(@ben.id)
    held_up(-> { ben.change(suspended: false) }) { Person.find(@ben.id).change(suspended: true) }
    assert_not_predicate @ben.reload, :suspended?
  end

  test "access given while it is being taken away is judged anew: nobody is left who keeps it" do
    page = Page.find(@one.id)
    Page.find(@one.id).make_own_list(by: @ana)
    Page.find(@one.id).grant(holder(@ben), :keep)
    stale = Page.find(page.id)
    assert_raises(Placed::NoKeeper) { held_up(-> { stale.grant(holder(@ana), :none) }) { Page.find(page.id).grant(holder(@ben), :none) } }
    assert_equal :keep, viewer(@ana).level_on(Page.find(page.id))
  end
end
