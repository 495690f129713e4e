require "test_helper"

# The maintenance desk by scope, its weekly letter, and a room's tour.
class MaintenanceDeskTest < ActiveSupport::TestCase
  setup do
    @ana, @ben, @cem = person("Ana Berg"), person("Ben Holt"), person("Cem Roth")
    @aboard, @ashore = new_room("On Board", keeper: @ana, open: true), new_room("Ashore", keeper: @ben, open: true)
    @ice, @grit = new_page("Ice", above: @aboard, by: @ana, at: 100.days.ago), new_page("Grit", above: @ashore, by: @ben, at: 100.days.ago)
    @pay = new_page("Pay", above: new_room("Pay", keeper: @ben), by: @ben, at: 100.days.ago)
    [ @aboard, @ashore, @pay.room ].each { |room| CheckRule.of(room).set(1, by: @ana) }
  end

  test "it tells of what one keeps, of a room, of somebody else's pages and of all, as far as one sees them" do
    assert_equal [ "mine", %w[Ice] ], overdue(@ana)
    assert_equal [ "house", %w[Grit Ice] ], overdue(@ana, of: "house")
    assert_equal [ "room", %w[Grit] ], overdue(@ana, room: @ashore.public_id)
    assert_equal [ "person", %w[Grit] ], overdue(@ana, person: @ben.public_id), "what Ben keeps and Ana does not see is not told"
    assert_equal [ "mine", %w[Grit Pay] ], overdue(@ben, person: @ben.public_id)
    assert_equal [ "house", %w[Grit Ice] ], overdue(@cem), "who keeps nothing is told of all that they may see"
  end

  test "rooms and people that one does not meet are as if they were not there" do
    guest = person("Gus Ro", role: "guest")
    @ice.grant(holder(guest), :read)
    [ [ @ana, { room: @pay.room.public_id } ], [ @ana, { person: "zzzzzzzzzz" } ], [ guest, { person: @ben.public_id } ], [ guest, { room: @ashore.public_id } ] ].each do |who, of|
      assert_raises(ActiveRecord::RecordNotFound, of.inspect) { DeskScope.new(viewer(who), **of) }
    end
    assert_equal [ "house", %w[Ice] ], overdue(guest)
    assert_equal [ %w[Ana Ben].map { |name| Person.find_by("name LIKE ?", "#{name}%").name }, [] ], [ @cem, guest ].map { |who| DeskScope.new(viewer(who)).people.map(&:first) }
  end

  test "every list has as many as are counted, in every scope" do
    fill
    [ @ana, @ben, @cem ].each do |who|
      [ {}, { of: "house" }, { room: @aboard.public_id }, { person: @ben.public_id } ].each do |of|
        desk = Desk.new(DeskScope.new(viewer(who), **of))
        Desk::LISTS.each { |name| assert_equal desk.count(name), desk.list(name).items(limit: 100).size, "#{name} #{of}" }
        assert_equal desk.total, Desk::GROUPS.values.flatten.sum { |name| desk.count(name) }
      end
    end
    whole = Desk.new(DeskScope.new(viewer(@ana), of: "house"))
    assert_empty %i[reviews questions proposals notes unhelped overdue outdated scheduled unfinished promised].select { |name| whole.count(name).zero? }
  end

  test "whom a page did not help is told to those who keep it alone" do
    HelpAnswer.give(@ice, by: @cem, helped: false, words: "Where is the key?")
    assert_equal [ 1, 0, 0 ], [ @ana, @ben, @cem ].map { |who| Desk.new(DeskScope.new(viewer(who), of: "house")).count(:unhelped) }
  end

  test "as CSV nothing is a formula, and words with quotes and lines come through" do
    HelpAnswer.give(@ice, by: @cem, helped: false, words: %(=HYPERLINK("x"), "so"))
    desk = Desk.new(DeskScope.new(viewer(@ana)))
    words = Object.new
    words.define_singleton_method(:desk_title) { |_list, item| item.page.title }
    words.define_singleton_method(:page_url) { |page| "https://house.example/p/#{page.public_id}" }
    words.define_singleton_method(:desk_words) { |list, item, _items| list.words_of(item) }
    rows = CSV.parse(DeskCsv.new(desk, :unhelped, words).to_s.delete_prefix("\uFEFF"))
    assert_equal [ %w[Room Page Address Day What], [ "On Board", "Ice", "https://house.example/p/#{@ice.public_id}", Date.current.iso8601, %('=HYPERLINK("x"), "so") ] ], rows
  end

  test "the letter comes once a week, at the hour of letters, where anything needs care, and is stopped by its address" do
    assert_equal %w[Ana Ben], letters(monday(7)), "a new week"
    assert_empty letters(monday(8))
    assert_empty letters(monday(7) + 3.days)
    Check.say(@ice.reload, by: @ana, at: monday(7))
    @aboard.update!(front_page: @ice)
    NewsSetting.of(@ben).update!(letter_hour: 9)
    assert_empty letters(monday(7) + 7.days), "Ana's pages need none, and Ben's hour is another"
    assert_equal %w[Ben], letters(monday(9) + 7.days)
    body = SentMail.last.body
    assert_includes body, "- 2 checks are overdue\n  http://localhost:3000/desk/lists/overdue?of=mine\n"
    assert_no_match(/Grit|Pay/, body, "titles are told where one is asked who one is")
    Stopping.at(Stopping.token(@ben, reason: Stopping::DESK)).stop
    assert_empty letters(monday(9) + 14.days)
  end

  test "a tour goes through what one keeps in the order of the plan, and on another day from where it stopped" do
    below = new_page("Spray", above: @ice, by: @ana)
    watch = new_page("Watch", above: @aboard, by: @ana)
    shut = new_page("Shut", above: @aboard, by: @ben.tap { |ben| @aboard.grant(holder(ben), :write) })
    shut.make_own_list(by: @ben)
    shut.access_grants.where("person_id IS NOT ?", @ben.id).delete_all
    shut.reload.refresh_access_lists
    assert_equal [ @ice, below, watch ].map(&:id), Tour.order(@aboard, viewer(@ana))
    assert_empty Tour.order(@aboard, viewer(@cem))
    tour = Tour.begin(@aboard, by: @ana)
    assert_equal tour, Tour.begin(@aboard, by: @ana)
    tour.say(@ice, "correct")
    assert_equal [ below.id, 1, 3 ], tour.round(viewer(@ana)).then { |round| [ round.next(after: tour.page_id), round.done, round.size ] }
    below.reload.put_in_bin(by: @ana)
    assert_equal [ watch.id, 1, 2 ], tour.round(viewer(@ana)).then { |round| [ round.next(after: tour.page_id), round.done, round.size ] }
    tour.say(watch, "edited")
    assert tour.round(viewer(@ana)).over?
    tour.end
    assert_not_equal tour, Tour.begin(@aboard, by: @ana)
    assert_raises(ActiveRecord::RecordInvalid) { tour.say(watch, "burnt") }
  end

  private

  def overdue(who, **of)
    scope = DeskScope.new(viewer(who), **of)
    [ scope.of, Desk.new(scope).list(:overdue).items(limit: 50).map(&:title).sort ]
  end

  def fill
    Remark.say(@ice, kind: "question", body: "Why?", by: @cem)
    Remark.say(@grit, kind: "note", body: "Hm.", by: @cem)
    Remark.say(@grit, kind: "proposal", body: "", words: "Sand", by: @cem)
    HelpAnswer.give(@ice, by: @cem, helped: false)
    OutOfDateMark.put(@grit, by: @ben)
    CheckRule.of(@aboard).set(1, by: @ana)
    new_page("Half", above: @aboard, by: @ana, publish: false, markdown: "See [it](<promise:Salt>).", at: 20.days.ago)
    due = new_page("Due", above: @aboard, by: @ana, publish: false)
    due.publish_later(due_at: 1.day.from_now, version: due.draft.version, by: @ana)
    ReviewRule.of(@ashore).set(people: [ @ben ], groups: [], by: @ben)
    @ashore.grant(holder(@ana), :write)
    save_text(@grit.reload, "Other.", by: @ana)
    @grit.ask_for_review(by: @ana)
  end

  def monday(hour)
    Time.utc(2027, 1, 4, hour, 5)
  end

  def letters(now)
    before = SentMail.maximum(:id).to_i
    DeskLetter.send_due(now: now)
    SentMail.where(id: (before + 1)..).order(:id).map { |mail| Person.find_by!(email: mail.recipient).name.split.first }
  end
end
