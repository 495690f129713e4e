require "test_helper"

# By when pages are to be checked: what rules hold for them, and what counts as having confirmed them.
class CheckDateTest < ActiveSupport::TestCase
  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @room.grant(holder(@ben), :write)
    @drills = new_page("Drills", above: @room, by: @ana, at: days_ago(100))
    @fire = new_page("Fire", above: @drills, by: @ben, at: days_ago(90))
    @watch = new_page("Watch", above: @room, by: @ana, at: days_ago(80))
  end

  test "the nearest rule holds: of the page, of one above it, of the room; never is a rule too" do
    assert_equal [ nil, nil, nil ], dues
    rule(@room, 6)
    assert_equal [ due(100, 6), due(90, 6), due(80, 6) ], dues
    rule(@drills, 3)
    assert_equal [ due(100, 3), due(90, 3), due(80, 6) ], dues
    rule(@fire, nil)
    assert_equal [ due(100, 3), nil, due(80, 6) ], dues
    CheckRule.of(@drills).end(by: @ana)
    assert_equal [ due(100, 6), nil, due(80, 6) ], dues
    CheckRule.of(@room).end(by: @ana)
    assert_equal [ nil, nil, nil ], dues
  end

  test "whoever moves takes the rules of the new place, with all below" do
    other = new_room("Ashore", keeper: @ana)
    rule(@room, 6)
    rule(other, 1)
    @drills.reload.move(to: other, by: @ana)
    assert_equal [ due(100, 1), due(90, 1), due(80, 6) ], dues
    @fire.reload.move(to: @watch.reload, by: @ana)
    assert_equal due(90, 6), @fire.reload.check_date.due_on
  end

  test "a keeper who says so, or publishes, confirms a page; small changes and other writers do not" do
    rule(@room, 3)
    publish(@watch, by: @ben, at: days_ago(50))
    assert_equal due(80, 3), dues.last
    publish(@watch, by: @ana, at: days_ago(40), small: true)
    assert_equal due(80, 3), dues.last
    assert_not CheckDate.find(@watch.id).confirmed?
    publish(@watch, by: @ana, at: days_ago(30))
    assert_equal due(30, 3), dues.last
    assert_predicate CheckDate.find(@watch.id), :confirmed?
    check = Check.say(@watch.reload, by: @ana, note: "On the Heron.", at: days_ago(10))
    assert_equal [ due(10, 3), 4 ], [ dues.last, check.edition ]
    assert check.newest?
    check.take_back(by: @ana)
    assert_equal due(30, 3), dues.last
  end

  test "what something newer counts for is not taken back" do
    check = Check.say(@watch.reload, by: @ana, at: days_ago(10))
    publish(@watch, by: @ana, at: days_ago(5))
    assert_not check.newest?
    assert_equal due(5, 1), rule(@room, 1) && dues.last
  end

  test "a number of months that is none is refused, and nothing is changed" do
    rule(@room, 3)
    [ "0", "121", "1.5", "many", "-3" ].each do |months|
      rule = CheckRule.of(@room)
      assert_not rule.set(months, by: @ana), months
      assert_equal due(80, 3), dues.last
    end
  end

  test "keepers are told ahead, on the day and after, once each, and nobody else is" do
    rule(@watch, 3)
    due = @watch.reload.check_date.due_on
    assert_equal %w[check_ahead check_due check_late], told(due - 20..due + 40)
    assert_equal [ @ana.id ], Telling.where(reason: "keeping", page: @watch, happening: Happening.where("act LIKE 'check_%'")).distinct.pluck(:person_id)
    assert_equal 3, Telling.joins(:happening).where("act LIKE 'check_%'").count
    Check.say(@watch.reload, by: @ana, at: (due + 40).in_time_zone)
    assert_empty told(due + 41..due + 60), "until it comes near again"
    assert_equal %w[check_ahead], told([ @watch.reload.check_date.due_on - 3 ])
  end

  test "of what is put aside, in the bin or in an archived room nobody is reminded" do
    rule(@room, 1)
    PutAside.put(@drills.reload, by: @ana)
    @watch.reload.put_in_bin(by: @ana)
    Reminding.run
    assert_empty Happening.where("act LIKE 'check_late'")
    @drills.put_aside.end(by: @ana)
    @room.archive(by: @ana)
    Reminding.run
    assert_empty Happening.where("act LIKE 'check_late'")
  end

  test "days in texts from before are read by the job, as those of new editions are" do
    publish(@watch, by: @ana, markdown: "Until #{(Date.current + 30).iso8601} and since 1 May 1999.", at: days_ago(2))
    assert_equal [ Date.current + 30 ], TextDate.where(page: @watch).pluck(:day)
    TextDate.delete_all
    CheckDate.update_all(days_read: false)
    ReadDaysJob.perform_now
    assert_equal [ Date.current + 30 ], TextDate.where(page: @watch).pluck(:day)
    assert_not CheckDate.exists?(days_read: false)
  end

  private

  def days_ago(days)
    Time.current.noon - days.days
  end

  def due(days, months)
    days_ago(days).to_date >> months
  end

  def rule(place, months)
    CheckRule.of(place.reload).set(months, by: @ana)
  end

  def dues
    [ @drills, @fire, @watch ].map { |page| CheckDate.find(page.id).due_on }
  end

  def publish(page, by:, at:, small: false, markdown: "Text of #{at.to_i}.")
    save_text(page.reload, markdown, by: by, at: at)
    page.publish(version: page.draft.version, by: by, small: small, at: at)
  end

  def told(days)
    before = Happening.maximum(:id).to_i
    days.each { |day| Reminding.run(day) }
    Happening.where(id: (before + 1)..).order(:id).pluck(:act)
  end
end
