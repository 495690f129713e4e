require "test_helper"

class HappeningTest < ActiveSupport::TestCase
  setup do
    @ana, @ben, @eve = person("Ana Berg"), person("Ben Holt"), person("Eve Lund", office: "administrator")
    @room = new_room("On Board", keeper: @ana, open: true)
    @page = new_page("Gangway", above: @room, by: @ana)
  end

  # One of everything that can happen, done as people do it.
  DONE = {
    begun: ->(t) { t.new_page("Begun", above: t.room, by: t.ana, publish: false) },
    published: ->(t) { t.new_page("Published", above: t.room, by: t.ana) },
    restored: ->(t) { t.write("New") && t.page.put_back(t.page.editions.first, by: t.ana) },
    named: ->(t) { t.write("Ask [x](mention:#{t.ben.public_id}).") },
    renamed: ->(t) { t.page.rename("Ladder", by: t.ana) },
    moved: ->(t) { t.page.move(to: t.new_page("Deck", above: t.room, by: t.ana), by: t.ana) },
    taken_in: ->(t) { PageJoining.new(t.new_page("Salt", above: t.room, by: t.ana), t.page).join(by: t.ana) },
    split_off: ->(t) { t.write("## Salt\n\nGrit.") && PageSplitting.new(t.page, t.page.edition.document["content"].first["attrs"]["id"]).split(by: t.ana) },
    names_set: ->(t) { t.page.name_also([ "Brow" ], by: t.ana) },
    tagged: ->(t) { t.page.tag_with([ "ice" ], by: t.ana) },
    ticked: ->(t) { t.write("::: task_list\n\n::: task\n\nGrit\n\n:::\n\n:::") && t.page.tasks.reload.first.tick(true, by: t.ben) },
    discarded: ->(t) { t.save_text(t.page, "Draft.", by: t.ana) && t.page.discard_draft(version: t.page.draft.version, by: t.ana) },
    binned: ->(t) { t.page.put_in_bin(by: t.ana) },
    back: ->(t) { t.page.put_in_bin(by: t.ana).put_back_from_bin(by: t.ana) },
    erased: ->(t) { t.page.put_in_bin(by: t.ana).erase(by: t.ana) },
    file_added: ->(t) { PageFile.take(t.upload("a.svg", "<svg xmlns='http://www.w3.org/2000/svg'/>"), page: t.page, by: t.ana) },
    brought_in: ->(t) { t.bring_in },
    review_rules_set: ->(t) { t.reviewed }, review_rules_ended: ->(t) { t.reviewed.end(by: t.ana) },
    review_asked: ->(t) { t.under_review }, review_approved: ->(t) { t.under_review.approve(version: t.page.draft.version, by: t.ben) },
    review_sent_back: ->(t) { t.under_review.send_back(reason: "Salt?", by: t.ben) }, review_withdrawn: ->(t) { t.under_review.withdraw_review(by: t.ana) },
    review_unapproved: ->(t) { t.under_review.tap { |page| page.approve(version: page.draft.version, by: t.ben) }.unapprove(by: t.ben) },
    publication_set: ->(t) { t.set_later }, publication_unset: ->(t) { t.set_later.take_back(by: t.ana) },
    publication_held_up: ->(t) { t.set_later.tap { t.page.put_in_bin(by: t.ana) }.carry_out(now: 2.days.from_now) },
    publication_overtaken: ->(t) { t.set_later && t.page.publish(version: t.page.draft.version, by: t.ana) },
    outdated: ->(t) { OutOfDateMark.put(t.page, by: t.ana) },
    brought_up_to_date: ->(t) { OutOfDateMark.put(t.page, by: t.ana).end(by: t.ana) },
    checked: ->(t) { Check.say(t.page, by: t.ana) },
    unchecked: ->(t) { Check.say(t.page, by: t.ana).take_back(by: t.ana) },
    check_ahead: ->(t) { t.remind(10) },
    check_due: ->(t) { t.remind(0) },
    check_late: ->(t) { t.remind(-20) },
    check_rules_set: ->(t) { CheckRule.of(t.page).set(3, by: t.ana) },
    check_rules_ended: ->(t) { CheckRule.of(t.room).tap { |rule| rule.set(3, by: t.ana) }.end(by: t.ana) },
    put_aside: ->(t) { PutAside.put(t.page, by: t.ana) }, taken_up: ->(t) { PutAside.put(t.page, by: t.ana).end(by: t.ana) },
    retracted: ->(t) { t.page.retract(t.page.edition, reason: "Wrong salt", by: t.ana) },
    noted: ->(t) { t.note(t.page, "Text", by: t.ben) }, proposed: ->(t) { t.note(t.page, "Text", instead: "Words", by: t.ben) },
    asked: ->(t) { t.ask(t.page, by: t.ben) }, spoken: ->(t) { Remark.say(t.room, kind: "line", body: "Hm.", by: t.ben) }, replied: ->(t) { t.ask(t.page, by: t.ben).reply("Here.", by: t.ana) },
    addressed: ->(t) { t.ask(t.page, "Where, @Ana Berg?", by: t.ben) }, remark_settled: ->(t) { t.ask(t.page, by: t.ben).settle(by: t.ana) },
    remark_reopened: ->(t) { t.ask(t.page, by: t.ben).tap { |asked| asked.settle(by: t.ana) }.reopen(by: t.ben) },
    words_taken: ->(t) { t.note(t.page, "Text", instead: "Words", by: t.ben).take(by: t.ana) }, words_declined: ->(t) { t.note(t.page, "Text", instead: "Words", by: t.ben).decline(by: t.ana) },
    answer_chosen: ->(t) { t.ask(t.page, by: t.ben).then { |asked| asked.choose(asked.reply("Here.", by: t.ana), by: t.ben) } },
    remark_removed: ->(t) { t.note(t.page, "Text", by: t.ben).remove(by: t.ana) },
    given: ->(t) { t.access(:given, :read) }, changed: ->(t) { t.access(:changed, :comment) }, taken: ->(t) { t.access(:taken, :none) },
    own_list_made: ->(t) { t.page.record_access(:own_list_made, by: t.ana, exposure: nil) { t.page.make_own_list(by: t.ana) } },
    own_list_ended: ->(t) { t.page.record_access(:own_list_ended, by: t.ana, exposure: nil) { t.page.end_own_list } },
    joined: ->(t) { t.group("Deck").tap { |deck| t.room.grant(t.holder(deck), :read) }.change(name: "Deck", people: [ t.ben ], by: t.eve) },
    stayed: ->(t) { t.leave_behind },
    taken_over: ->(t) { Takeover.take_over(t.room, by: t.eve) },
    room_made: ->(t) { t.new_room("Ashore", keeper: t.ana) },
    room_changed: ->(t) { t.room.describe({ name: "Aboard" }, by: t.ana) },
    archived: ->(t) { t.room.archive(by: t.ana) }, reopened: ->(t) { t.room.reopen(by: t.ana) },
    invited: ->(t) { t.invite(nil, by: t.eve).come(name: "Gita Nor", password: PASSWORD) },
    invitation_sent: ->(t) { t.invite(t.room, by: t.ana) }, invitation_withdrawn: ->(t) { t.invite(t.room, by: t.ana).withdraw(by: t.ana) },
    house_invitation_sent: ->(t) { t.invite(nil, by: t.eve) }, house_invitation_withdrawn: ->(t) { t.invite(nil, by: t.eve).withdraw(by: t.eve) },
    circle_drawn: ->(t) { t.circle }, circle_ended: ->(t) { t.circle.end(by: t.ana) },
    access_asked: ->(t) { AccessRequest.ask(t.ben, "/p/#{t.hidden.to_param}") },
    join_asked: ->(t) { t.ask_to_join },
    notice_given: ->(t) { Notice.give(t.page, to: t.room, words: "Read it.", by: t.ana) },
    ending: ->(t) { t.end_access(2.days) }, ended: ->(t) { t.end_access(20.days) },
    person_changed: ->(t) { t.ben.change(name: "Benno Holt", by: t.eve) }, role_changed: ->(t) { t.ben.change(role: "guest", by: t.eve) },
    suspended: ->(t) { t.ben.change(suspended: true, by: t.eve) }, unsuspended: ->(t) { t.ben.change(suspended: true) && t.ben.change(suspended: false, by: t.eve) },
    address_changed: ->(t) { t.change_address }, password_changed: ->(t) { t.ben.update!(password: "another-long-one") },
    signed_in: ->(t) { SignIn.begin(t.ben) }, signed_out: ->(t) { t.ben.end_sessions(by: t.eve) },
    group_made: ->(t) { Group.new.change(name: "Deck", people: [ t.ben ], by: t.eve) }, group_changed: ->(t) { t.group("Deck").change(name: "Deck crew", people: [], by: t.eve) },
    group_removed: ->(t) { t.group("Deck").remove(by: t.eve) },
    set_up: ->(t) { House.delete_all && House.set_up(name: "House", owner: { name: "Odo", email: "odo@x.example", password: PASSWORD }) },
    pattern_made: ->(t) { RoomPattern.department.keep({}, parts: [], by: t.eve) }, pattern_changed: ->(t) { RoomPattern.department.tap(&:save!).keep({ name: "Team" }, parts: [], by: t.eve) },
    pattern_removed: ->(t) { RoomPattern.department.tap(&:save!).remove(by: t.eve) },
    house_changed: ->(t) { House.current.furnish({ public_addresses: true }, practice: nil, by: t.eve) }
  }.freeze

  OF_THEMSELVES = %i[check_ahead check_due check_late join_asked ending ended].freeze # nobody does it

  attr_reader :ana, :ben, :eve, :room

  def ask_to_join
    House.current.update!(asking_to_join: true)
    JoinRequest.begin("gita@x.example")
    JoinRequest.last.ask(name: "Gita Nor", words: "")
  end

  def invite(place, by:)
    entry = Zuhause::Inviting::MailAddresses.new("gita@x.example").entries.first
    inviting = Inviting.new(Viewer.new(by), place: place)
    inviting.invite(inviting.asked([ entry ], { entry.email => :read }), role: :member)
    Invitation.last
  end

  def circle
    Circle.draw(room, level: "read", ends_on: Date.current + 3, by: ana).first
  end

  def hidden
    new_page("Wages", above: new_room("Closed", keeper: ana), by: ana)
  end

  def remind(days)
    CheckRule.of(page).set(1, by: ana)
    Reminding.run(page.check_date.due_on - days)
  end

  def end_access(ago)
    room.grant(holder(ben), :write, ends_on: Date.current + 10)
    AccessGrant.ending.update_all(created_at: 30.days.ago)
    EndingAccess.new(Date.current + 8 + (ago > 10.days ? 5 : 0)).run
  end

  def page
    Page.find(@page.id)
  end

  test "there is a way to each act" do
    assert_equal Happening::ACTS::TABLE.keys.sort, DONE.keys.sort
  end

  DONE.each do |act, deed|
    test "#{act} is written, in words, with whoever did it" do
      before = Happening.maximum(:id).to_i
      deed.call(self)
      happening = Happening.where("id > ?", before).find_by!(act: act.to_s)
      words = words_of(happening)
      if OF_THEMSELVES.include?(act) then assert_nil happening.person
      else
        assert happening.person, "somebody did it"
        assert_equal HappeningActor.digest(happening.person, happening.actor.salt), happening.who
        assert_match(/\A#{happening.person.name} /, words)
      end
      assert_no_match(/missing|%\{/i, words)
      assert_no_match(/"(person|page|group|room):?\d+"|_id"/, happening.details.to_json, "details hold public ids only")
      [ ana, ben, eve ].each { |one| assert_not_includes happening.details.to_json, one.email }
    end
  end

  test "many are written at once as they would be one after another, and are told of" do
    rows = lambda do |made|
      made.map { |each| Happening.find(each.id) }.map { |each| [ each.attributes.except("id", "who", "created_at"), each.person, each.who == HappeningActor.digest(@ana, each.actor.salt), each.pending_tellings.map { |telling| [ telling.listener, telling.tries ] } ] }
    end
    acts = [ [ :published, { edition: 1 } ], [ :begun, { small: true } ] ]
    ActiveJob::Base.queue_adapter = :test
    one_by_one = acts.map { |act, how| Happening.write(act, @page, by: @ana, **how) }
    at_once = acts.map { |act, how| Happening.of(act, @page, by: @ana, **how) }.tap { |made| Happening.transaction { Happening.write_all(made) } }
    assert_equal rows.call(one_by_one), rows.call(at_once)
    assert_equal at_once.select { |each| PendingTelling.exists?(happening_id: each.id) }.map(&:id), ActiveJob::Base.queue_adapter.enqueued_jobs.filter_map { |job| job["arguments"].first if job["job_class"] == "TellJob" }.last(2) & at_once.map(&:id)
    assert_operator PendingTelling.where(happening_id: at_once).count, :positive?
  ensure
    ActiveJob::Base.queue_adapter = :inline
  end

  test "what happened is never changed, and outlives its page and whoever did it" do
    happening = Happening.where(act: "published").last
    other = new_page("Other", above: @room, by: @ana)
    { act: "begun", title: "Other", details: { a: 1 }, who: "x", small: true, created_at: 1.day.ago, subject: "page:0000000000", page_id: other.id }.each do |column, value|
      assert_raises(ActiveRecord::StatementInvalid) { Happening.transaction(requires_new: true) { Happening.where(id: happening.id).update_all(column => value) } }
    end
    page.put_in_bin(by: ana).erase(by: ana)
    HappeningActor.where(happening_id: happening.id).delete_all
    assert_equal [ nil, "Gangway", "page:#{@page.public_id}" ], Happening.find(happening.id).then { |left| [ left.page_id, left.title, left.subject ] }
    assert_match(/\Asomebody who is gone published/i, words_of(Happening.find(happening.id)))
  end

  test "what passes is let go of, all else stays" do
    SignIn.begin(ben)
    assert_difference(-> { Happening.count }, -Happening.where(act: "signed_in").count) { Happening.forget(now: 366.days.from_now) }
    assert_no_difference(-> { Happening.count }) { Happening.forget(now: 10.years.from_now) }
  end

  test "nothing is written where the act fails" do
    assert_no_difference(-> { Happening.count }) do
      assert_not page.rename(" ", by: ana)
      assert_not page.move(to: page, by: ana)
      assert_raises(Placed::NoKeeper) { room.record_access(:taken, by: ana, exposure: nil) { room.grant(holder(ana), :none) } }
      assert_raises(Page::Publishing::Stale) { page.publish(version: 1, by: ana) }
      assert_not ana.change(role: "guest", by: eve)
    end
  end

  # What the deeds above are made of.

  def write(markdown)
    save_text(page, markdown, by: ana)
    page.publish(version: page.draft.version, by: ana)
  end

  def reviewed
    ReviewRule.of(page).tap { |rule| rule.set(people: [ ben ], groups: [], by: ana) }
  end

  def under_review
    reviewed
    save_text(page, "Other words.", by: ana)
    page.tap { |given| given.ask_for_review(by: ana) }
  end

  # The draft, to be published tomorrow.
  def set_later
    save_text(page, "Other words.", by: ana)
    page.publish_later(due_at: 1.day.from_now, version: page.draft.version, by: ana)
  end

  def access(act, level)
    page.record_access(act, by: ana, exposure: page.exposure_of_giving([ holder(ben) ], level), holder: holder(ben), level: level) { page.grant(holder(ben), level) }
  end

  def leave_behind
    below = new_page("Pay", above: page, by: ana)
    below.make_own_list(by: ana)
    below.grant(holder(:everyone), :none)
    room.grant(holder(ben), :write)
    page.put_in_bin(by: ben)
  end


  def bring_in
    arrival = Arrival.receive([ upload("one.md", "# One\n\nText.") ], by: ana, address: "http://www.example.com").reload
    arrival.move_in(room, by: ana, publish: false)
  end

  def change_address
    change = EmailChange.create!(person: ben, email: "b@x.example", old_digest: EmailChange.digest("old"), new_digest: EmailChange.digest("new"))
    %w[old new].each { |token| change.agree(token) }
  end

  private

  def words_of(happening)
    ApplicationController.helpers.happening_words(happening, HappeningReader.new([ happening ], viewer(eve)))
  end
end
