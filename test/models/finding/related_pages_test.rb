require "test_helper"

# Pages that belong together, as far as one sees them.
class RelatedPagesTest < ActiveSupport::TestCase
  setup do
    set_up_house
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @ice = new_page("Ice", above: @room, by: @ana, markdown: "Slippery.")
    @page = new_page("Mooring", above: @room, by: @ana, markdown: "See [ice](page:#{@ice.public_id}).")
    @like = new_page("Swell", above: @room, by: @ana, markdown: "See [ice](page:#{@ice.public_id}) too.")
    @far = new_page("Lost property", above: @room, by: @ana, markdown: "Umbrellas.")
  end

  test "what is linked first, then what leads to the same" do
    assert_equal [ [ @ice, :linked ], [ @like, :coupled ] ], told(@ben)
  end

  test "closed pages are not told, and change nothing" do
    before = told(@ben)
    closed = new_room("Ideas", keeper: @ana)
    5.times { |i| new_page("Mooring #{i}", above: closed, by: @ana, markdown: "[ice](page:#{@ice.public_id}) [m](page:#{@page.public_id}) [l](page:#{@far.public_id})") }
    assert_equal before, told(@ben)
    assert_operator told(@ana).size, :>, before.size
  end

  test "tags and words of the title bind too" do
    [ @page, @far ].each { |page| page.tag_with([ "ropes" ], by: @ana) }
    title = new_page("Knots", above: @room, by: @ana, markdown: "For mooring one knot will do.")
    assert_equal({ @far => :tagged, title => :words }, told(@ben).to_h.slice(@far, title))
  end

  test "rare words in common bind, and how often they stand in closed pages changes nothing" do
    one = new_page("Winding", above: @room, by: @ana, markdown: "Grease the capstan and the pawl.")
    two = new_page("Anchors", above: @room, by: @ana, markdown: "A capstan holds by its pawl.")
    CountedPage.catch_up
    before = RelatedPages.new(one.reload, viewer(@ben)).list.map { |found| [ found.page, found.why ] }
    assert_equal [ [ two, :rare ] ], before
    closed = new_room("Ideas", keeper: @ana)
    3.times { |i| new_page("Closed #{i}", above: closed, by: @ana, markdown: "Capstan, pawl, grease.") }
    CountedPage.catch_up
    assert_equal before, RelatedPages.new(one.reload, viewer(@ben)).list.map { |found| [ found.page, found.why ] }
    assert_equal 4, RelatedPages.new(one.reload, viewer(@ana)).list.size
  end

  private

  def told(who)
    RelatedPages.new(@page.reload, viewer(who)).list.map { |one| [ one.page, one.why ] }
  end
end
