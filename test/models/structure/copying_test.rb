require "test_helper"

class CopyingTest < ActiveSupport::TestCase
  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @drills = new_page("Drills", above: @room, by: @ana)
    @overboard = new_page("Man overboard", above: @drills, by: @ana, markdown: "# Throw the ring\n\nBack to [drills](page:#{@drills.public_id}).")
    block = @overboard.edition.document["content"].first.dig("attrs", "id")
    @elsewhere = new_page("Elsewhere", above: @room, by: @ana)
    save_text(@drills, "See [the ring](page:#{@overboard.public_id}##{block}) and [elsewhere](page:#{@elsewhere.public_id}).", by: @ana)
    @drills.publish(version: @drills.draft.version, by: @ana)
    @drills.tag_with([ "safety" ])
  end

  test "links among the copies lead to the copies, to their blocks too; others lead where they led" do
    copy = @drills.copy(to: @room, viewer: viewer(@ana), title: "Drills, 2027")
    below = copy.children.first
    assert_equal [ "Drills, 2027", "Man overboard" ], [ copy.title, below.title ]
    ring = below.draft.document["content"].first.dig("attrs", "id")
    assert_equal [ "page:#{below.public_id}##{ring}", "page:#{@elsewhere.public_id}" ], targets(copy)
    assert_equal [ "page:#{copy.public_id}" ], targets(below)
    assert_equal [ "safety" ], copy.tags.map(&:name)
  end

  test "a copy is a draft unless it is published, and shares no id of a block" do
    copy = @drills.copy(to: @room, viewer: viewer(@ana))
    assert_not copy.published?
    ids = [ @drills.edition, copy.draft ].map { |state| Zuhause::Document::Walk.blocks(state.document).map { |node| node.dig("attrs", "id") } }
    assert_empty ids.reduce(:&)
    assert @drills.copy(to: @room, viewer: viewer(@ana), publish: true).published?
  end

  test "a reader's copy holds what a reader sees: the edition, and no page that is hidden" do
    save_text(@drills, "Unpublished.", by: @ana)
    @overboard.make_own_list(by: @ana)
    @overboard.grant(holder(:everyone), :none)
    own = new_room("Ideas", keeper: @ben)
    copy = @drills.reload.copy(to: own, viewer: viewer(@ben))
    assert_no_match(/Unpublished/, copy.draft.document.to_json)
    assert_empty copy.children
    assert_equal :keep, viewer(@ben).level_on(copy)
  end

  test "a page alone is copied without what is below it" do
    assert_empty @drills.copy(to: @room, viewer: viewer(@ana), below: false).children
  end

  test "a title that will not do copies nothing" do
    assert_no_difference(-> { Page.count }) { assert_raises(ActiveRecord::RecordInvalid) { @drills.copy(to: @room, viewer: viewer(@ana), title: " ") } }
  end

  private

  def targets(page)
    Zuhause::Links.in(page.draft.document).map { |link| link.target.to_s }
  end
end
