require "test_helper"

# Asking some by name, whoever stands in for them, what follows an approval, and who is told.
class AskingTest < ActiveSupport::TestCase
  setup do
    @ana, @ben, @cay, @dee = person("Ana Berg"), person("Ben Holt"), person("Cay Dorn"), person("Dee Lund")
    @room = new_room("On Board", keeper: @ana, open: true)
    @page = new_page("Gangway", above: @room, by: @ana)
    @rule = ReviewRule.of(@room)
    @rule.set(people: [ @ben, @cay ], groups: [], by: @ana, small: false, remind_after: 3)
    save_text(@page, "Salt and grit.", by: @ana)
    SentMail.delete_all
  end

  test "only those who are asked by name look it over, and only they are told" do
    ask(invited: [ @ben ])
    assert_equal [ @ben.email ], SentMail.pluck(:recipient)
    assert_equal %i[draft edition], [ @ben, @cay ].map { |who| viewer(who).sight_of(@page) }
    assert_raises(Review::Refused) { approve(@cay) }
    approve(@ben)
    assert_equal :approved, @page.review_standing.state
    assert_equal [ @ben.email, @ana.email ], SentMail.order(:id).pluck(:recipient), "who asked learns that it is approved"
  end

  test "all are told where nobody is named, and what they say is told to who asked" do
    ask
    assert_equal [ @ben.email, @cay.email ].sort, SentMail.pluck(:recipient).sort
    @page.send_back(reason: "Which grit?", by: @cay)
    mail = SentMail.last
    assert_equal @ana.email, mail.recipient
    assert_match(/Which grit\?/, mail.body)
  end

  test "too few, or no time, is said beside the field, and nothing is asked" do
    @rule.set(people: [ @ben, @cay ], groups: [], by: @ana, needed: 2)
    assert_equal [ :invited ], ask(invited: [ @ben ]).errors.attribute_names
    assert_equal [ :publish_at ], ask(afterwards: "at_time").errors.attribute_names
    assert_equal [ :publish_at ], ask(afterwards: "at_time", publish_at: 1.hour.ago).errors.attribute_names
    assert_equal [ :afterwards ], ask(afterwards: "soon").errors.attribute_names
    assert_nil @page.review
  end

  test "whoever stands in approves by the right of who is away, on those days, and not their own words" do
    Absence.create!(person: @ben, deputy: @dee, starts_on: Date.current, ends_on: 2.days.from_now)
    ask(invited: [ @ben ])
    assert_equal [ @ben.email, @dee.email ].sort, SentMail.pluck(:recipient).sort
    assert_equal :draft, viewer(@dee).sight_of(@page)
    approve(@dee)
    assert_equal :approved, @page.review_standing.state
    assert_equal @ben, @page.review.approvals.first.authority
    travel_to(5.days.from_now) { assert_equal :approved, @page.reload.review_standing.state, "it was theirs to give then" }
    @rule.set(people: [ @cay ], groups: [], by: @ana)
    assert_equal :asked, @page.reload.review_standing.state, "whose right it was has none any more"
  end

  test "nobody stands in once the days are over, nor for a writer's words" do
    Absence.create!(person: @ben, deputy: @dee, starts_on: Date.current, ends_on: 2.days.from_now)
    ask(invited: [ @ben ])
    travel_to 5.days.from_now
    assert_equal :edition, viewer(@dee).sight_of(@page)
    assert_raises(Review::Refused) { approve(@dee) }
    travel_back
    @room.grant(holder(@ben), :write)
    save_text(@page.reload, "Salt, grit and sand.", by: @ben)
    assert_raises(Review::Refused, "Ben wrote it, and nobody approves that by his right") { approve(@dee) }
  end

  test "absences make sense" do
    away = ->(**given) { Absence.new(person: @ben, deputy: @dee, starts_on: Date.current, ends_on: 2.days.from_now, **given).tap(&:valid?).errors.attribute_names }
    assert_empty away.call
    assert_equal [ :deputy ], away.call(deputy: @ben)
    assert_equal [ :deputy ], away.call(deputy: person("Gus Guest", role: "guest"))
    assert_equal [ :ends_on ], away.call(ends_on: Date.yesterday).uniq
  end

  test "approved, it is published at once by who asked, if that is what they wanted and still may" do
    ask(afterwards: "at_once", edition_note: "Grit")
    edition = approve(@ben)
    assert_equal [ @ana, "Grit", true ], [ edition.author, edition.note, edition.reviewed? ]
    save_text(@page.reload, "Sand.", by: @dee)
    @room.grant(holder(@dee), :write)
    ask(afterwards: "at_once", by: @dee)
    @room.grant(holder(@dee), :none)
    assert_nil approve(@ben), "it waits for somebody who may"
    assert_equal :approved, @page.reload.review_standing.state
  end

  test "approved, it is published at the set time, unless it is sent back or changed before" do
    ask(afterwards: "at_time", publish_at: 2.days.from_now)
    approve(@ben)
    assert_equal [ @ana, @page.review ], @page.reload.timed_publication.then { |timed| [ timed.person, timed.review ] }
    TimedPublication.carry_out(now: 1.day.from_now)
    assert_equal 1, @page.reload.edition.number
    TimedPublication.carry_out(now: 3.days.from_now)
    assert_equal [ 2, "published" ], [ @page.reload.edition.number, @page.review.closed ]
    save_text(@page, "Sand.", by: @ana)
    ask(afterwards: "at_time", publish_at: 2.days.from_now)
    approve(@ben)
    @page.send_back(reason: "No.", by: @cay)
    assert_nil @page.reload.timed_publication
  end

  test "what has been changed since somebody looked is not approved, and nothing is asked for where nothing changed" do
    ask
    seen = @page.draft.version
    save_text(@page.reload, "Salt, grit and sand.", by: @ana)
    assert_raises(Page::Publishing::Stale) { @page.reload.approve(version: seen, by: @ben) }
    same = new_page("Ice", above: new_room("Ashore", keeper: @ana, open: true), by: @ana)
    ReviewRule.of(same).set(people: [ @ben ], groups: [], by: @ana)
    assert_raises(Page::Publishing::Unchanged) { same.reload.ask_for_review(by: @ana) }
  end

  test "an approval is taken back by who gave it, and with it what was to follow" do
    ask(afterwards: "at_time", publish_at: 2.days.from_now)
    approve(@ben)
    assert_raises(Review::Refused) { @page.unapprove(by: @cay) }
    @page.unapprove(by: @ben)
    assert_equal [ :asked, nil ], [ @page.review_standing.state, @page.reload.timed_publication ]
  end

  test "those who have not approved are reminded when the days have passed, again and again, and once a time" do
    @rule.set(people: [ @ben, @cay ], groups: [], by: @ana, needed: 2, remind_after: 3)
    ask
    approve(@ben)
    SentMail.delete_all
    remind = ->(days) { RemindReviewersJob.perform_now(now: days.days.from_now) && SentMail.pluck(:recipient).tap { SentMail.delete_all } }
    assert_equal [ [], [ @cay.email ], [], [ @cay.email ] ], [ 2, 3.1, 4, 6.2 ].map(&remind)
    @page.withdraw_review(by: @ana)
    assert_empty remind.call(20)
  end

  test "the queue has what one is named for first, then what waited longest, and nothing that one has done" do
    deck = group("Deck", @ben)
    @rule.set(people: [], groups: [ deck ], by: @ana, needed: 1)
    others = %w[Ice Fog].map { |title| new_page(title, above: @room, by: @ana, publish: false) }
    ReviewRule.of(others.last).set(people: [ @ben ], groups: [], by: @ana)
    [ [ @page, 3 ], [ others.first, 2 ], [ others.last, 1 ] ].each { |page, days| page.ask_for_review(by: @ana, at: days.days.ago) }
    queue = -> { ReviewQueue.new(viewer(@ben)) }
    assert_equal [ others.last, @page, others.first ], queue.call.waiting.map(&:page)
    assert_equal [ true, false, false ], queue.call.waiting.map { |review| queue.call.mine?(review) }
    approve(@ben)
    assert_equal [ others.last, others.first ], queue.call.waiting.map(&:page)
    assert_equal 2, queue.call.count
    save_text(@page.reload, "Salt.", by: @ana)
    assert_equal 3, queue.call.count, "it says something else now"
    assert_equal 3, ReviewQueue.new(viewer(@ana)).asked.size
    keeper = person("Kit Orme")
    @room.grant(holder(keeper), :keep)
    assert_equal 3, ReviewQueue.new(viewer(keeper)).kept.size
  end

  private

  def ask(by: @ana, **more)
    @page.reload.ask_for_review(by: by, **more)
  end

  def approve(who)
    @page.reload.approve(version: @page.draft.version, by: who)
  end
end
