require "test_helper"

# Approving, writing and publishing at the same time: each in a thread with a connection of its own.
class RacingReviewsTest < ActiveSupport::TestCase
  include ApartFromTransactions

  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @page = new_page("Gangway", above: @room, by: @ana)
    ReviewRule.of(@room).set(people: [ @ben ], groups: [], by: @ana)
    save_text(@page, "Salt.", by: @ana)
    @page.ask_for_review(by: @ana)
  end

  test "what is saved while somebody approves is not approved with it" do
    seen = @page.reload.draft.version
    assert_raises(Page::Publishing::Stale) { held_up(-> { Page.find(@page.id).approve(version: seen, by: @ben) }) { save_text(Page.find(@page.id), "Grit.", by: @ana) } }
    assert_equal :asked, @page.reload.review_standing.state
  end

  test "what is sent back while somebody publishes is not published" do
    @page.reload.approve(version: @page.draft.version, by: @ben)
    publishing = -> { Page.find(@page.id).then { |page| page.publish(version: page.draft.version, by: @ana) } }
    assert_raises(Page::Reviewed::Unreviewed) { held_up(publishing) { Page.find(@page.id).send_back(reason: "No.", by: @ben) } }
    assert_equal 1, @page.reload.edition.number
  end

  test "rules that are set while somebody publishes hold for it" do
    ReviewRule.of(@room).end(by: @ana)
    publishing = -> { Page.find(@page.id).then { |page| page.publish(version: page.draft.version, by: @ana) } }
    assert_raises(Page::Reviewed::Unreviewed) { held_up(publishing) { ReviewRule.of(@room).set(people: [ @ben ], groups: [], by: @ana) } }
  end

  test "two reviews of one draft, asked for at once, are one" do
    @page.withdraw_review(by: @ana)
    refused = Queue.new
    at_once(4) { Page.find(@page.id).ask_for_review(by: Person.find(@ana.id)) rescue refused << $ERROR_INFO }
    assert_equal [ 1, 3 ], [ Review.open_still.count, refused.size ]
  end

  test "what is due is published once, however many look for it" do
    @page.reload.approve(version: @page.draft.version, by: @ben)
    @page.publish_later(due_at: 1.hour.from_now, version: @page.draft.version, by: @ana)
    at_once(4) { TimedPublication.carry_out(now: 2.hours.from_now) }
    assert_equal [ 2, 0 ], [ @page.reload.edition.number, TimedPublication.count ]
  end

  test "what is set while somebody writes is what was seen" do
    @page.reload.approve(version: @page.draft.version, by: @ben)
    seen = @page.draft.version
    later = -> { Page.find(@page.id).publish_later(due_at: 1.hour.from_now, version: seen, by: @ana) }
    assert_raises(Page::Publishing::Stale) { held_up(later) { save_text(Page.find(@page.id), "Grit.", by: @ana) } }
    assert_empty TimedPublication.all
  end
end
