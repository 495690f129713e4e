require "test_helper"

# Searches that people keep, and what is new in them.
class KeptSearchTest < ActiveSupport::TestCase
  setup do
    set_up_house
    @ana = person("Ana Berg")
    @room = new_room("On Board", keeper: @ana, open: true)
    @ben = person("Ben Holt")
    new_page("Gangway", above: @room, by: @ana, at: 3.days.ago)
    @kept = KeptSearch.keep(Search.new("gangway", viewer(@ben)), viewer(@ben), at: 1.day.ago)
  end

  test "what was published since one looked is new, as far as one may read it" do
    assert_equal 0, @kept.news(viewer(@ben))
    new_page("Gangway in ice", above: @room, by: @ana)
    new_page("Gangway of ideas", above: new_room("Ideas", keeper: @ana), by: @ana)
    assert_equal 1, @kept.news(viewer(@ben))
    before = @kept.look
    assert_in_delta 1.day.ago, before, 5
    assert_equal 0, @kept.reload.news(viewer(@ben))
  end

  test "the same is kept once, with its filters, and found again" do
    filters = SearchFilters.new({ room: @room.public_id, has: "tasks" }, viewer(@ben))
    search = Search.new("gangway", viewer(@ben), filters: filters)
    narrowed = KeptSearch.keep(search, viewer(@ben))
    assert_equal narrowed, KeptSearch.keep(search, viewer(@ben))
    assert_equal [ narrowed, @kept ], [ KeptSearch.of(search, viewer(@ben)), KeptSearch.of(Search.new("gangway", viewer(@ben)), viewer(@ben)) ]
    assert_nil KeptSearch.of(search, viewer(@ana))
    assert_equal({ "q" => "gangway", "room" => @room.public_id, "has" => "tasks" }, narrowed.to_address)
    assert_equal %i[room has], narrowed.filters_for(viewer(@ben)).set.keys
  end

  test "not without end, and not for nobody" do
    (KeptSearch::MOST - 1).times { |i| assert KeptSearch.keep(Search.new("word #{i}", viewer(@ben)), viewer(@ben)).persisted? }
    assert_match(/already/, KeptSearch.keep(Search.new("one more", viewer(@ben)), viewer(@ben)).errors.full_messages.first)
    assert_not KeptSearch.keep(Search.new("  ", viewer(@ana)), viewer(@ana)).persisted?
    assert_nil KeptSearch.of(Search.new("gangway", viewer(nil)), viewer(nil))
  end
end
