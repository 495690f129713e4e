require "test_helper"

# Publishing at a set time: just what was set, judged again then.
class TimedPublicationTest < ActiveSupport::TestCase
  setup do
    @ana, @wil, @ben = person("Ana Berg"), person("Wil Teal"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @room.grant(holder(@wil), :write)
    @page = new_page("Gangway", above: @room, by: @ana)
    save_text(@page, "Salt and grit.", by: @wil)
    SentMail.delete_all
  end

  test "what was set is published when its time has come, once, and nothing before" do
    set
    carry_out(23.hours)
    assert_equal 1, edition.number
    carry_out(25.hours)
    assert_equal [ 2, @wil, "Grit" ], [ edition.number, edition.author, edition.note ]
    carry_out(26.hours)
    assert_equal [ 2, 0 ], [ edition.number, TimedPublication.count ]
  end

  test "of a text that was changed since, what was set is published, and the rest stays in the draft" do
    set
    save_text(@page.reload, "Salt, grit and sand.", by: @ana)
    30.times { |i| save_text(@page.reload, "Salt, grit and sand #{i}.", by: @ana) }
    @page.thin_states(now: 3.days.from_now)
    carry_out(25.hours)
    assert_equal "Salt and grit.", Zuhause::Document::Text.of(edition.document)
    assert @page.reload.unpublished_changes?
    assert_equal [ @ana.id ], @page.changer_ids, "whose changes the draft holds beyond that"
  end

  test "it is a time to come, and one at a time" do
    assert_equal [ :due_at ], set(due_at: 1.hour.ago).errors.attribute_names
    assert_equal [ :due_at ], set(due_at: nil).errors.attribute_names.uniq
    set
    set(due_at: 2.days.from_now)
    assert_equal 1, TimedPublication.count
    assert_raises(Page::Publishing::Stale) { set(version: 1) }
  end

  test "whoever may not write any more publishes nothing, and learns of it" do
    set
    @room.grant(holder(@wil), :read)
    carry_out(25.hours)
    assert_equal [ 1, "rights" ], [ edition.number, TimedPublication.first.held_up ]
    @room.grant(holder(@wil), :write)
    carry_out(26.hours)
    assert_equal 1, edition.number, "held up, it waits for somebody"
    assert_empty SentMail.all, "nothing is told of a draft that one may not see"
    set
    @wil.update!(suspended_at: Time.current)
    carry_out(26.hours)
    assert_equal [ 1, "rights" ], [ edition.number, TimedPublication.first.held_up ]
  end

  test "a page in the bin, of an archived room, or that wants a review by then is held up with the reason" do
    set
    @page.reload.put_in_bin(by: @ana)
    carry_out(25.hours)
    assert_equal "binned", TimedPublication.first.held_up
    @page.reload.put_back_from_bin(by: @ana)
    set
    ReviewRule.of(@room).set(people: [ @ben ], groups: [], by: @ana)
    carry_out(25.hours)
    assert_equal [ 1, "reviewed" ], [ edition.number, TimedPublication.first.held_up ]
    assert_equal [ @wil.email ], SentMail.where("subject LIKE '%was not published'").distinct.pluck(:recipient)
    assert_raises(Page::Reviewed::Unreviewed) { set }
    ReviewRule.of(@room).end(by: @ana)
    set
    @room.archive(by: @ana)
    carry_out(25.hours)
    assert_equal "archived", TimedPublication.first.held_up
  end

  test "whatever else becomes the newest edition takes its place, and who set it learns of it" do
    set
    @page.reload.publish(version: @page.draft.version, by: @ana)
    assert_empty TimedPublication.all
    assert_equal [ @wil.email ], SentMail.pluck(:recipient)
    carry_out(25.hours)
    assert_equal 2, edition.number
  end

  test "one that fails holds up no other, and one that somebody takes back is not published" do
    other = new_page("Ice", above: @room, by: @ana, publish: false)
    set
    other.publish_later(due_at: 1.day.from_now, version: other.draft.version, by: @ana)
    Draft.where(page: @page, version: TimedPublication.find_by(page: @page).draft_version).update_all(version: 99)
    carry_out(25.hours)
    assert other.reload.published?
    @page.timed_publication.take_back(by: @ana)
    assert_empty TimedPublication.all
  end

  private

  def set(due_at: 1.day.from_now, version: nil)
    @page.reload.publish_later(due_at: due_at, version: version || @page.draft.version, by: @wil, note: "Grit")
  end

  def carry_out(later)
    PublishDueJob.new.then { TimedPublication.carry_out(now: later.from_now) }
  end

  def edition
    @page.reload.edition
  end
end
