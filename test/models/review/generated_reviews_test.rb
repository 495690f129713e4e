require "test_helper"

# Whatever people do, in whatever order: no edition of a page that is looked over says what was not approved. What was approved
# is kept here once more, apart from the house's own tables.
class GeneratedReviewsTest < ActiveSupport::TestCase
  ROUNDS = ENV["QUICK"] ? 1 : 3
  REFUSED = [ Review::Refused, Page::Reviewed::Unreviewed, Page::Publishing::Stale, Page::Publishing::Unchanged, Page::Publishing::Unsettled ].freeze
  ACTS = %i[write write ask ask approve approve approve approve unapprove send_back withdraw publish publish publish later rename put_back discard clock rules leave come come come suspend].freeze

  setup do
    @people = %w[Ana Ben Cay Dee].map { |name| person("#{name} Berg") }
    @deck = group("Deck", *@people.first(3))
    @room = new_room("On Board", keeper: @people.first, open: true)
    [ @deck, @people.last ].each { |one| @room.grant(holder(one), :write) }
    @page = new_page("Gangway", above: @room, by: @people.first)
  end

  ROUNDS.times do |round|
    test "generated acts publish nothing that was not approved: round #{round}" do
      @random, @approved, @now = Random.new((SEED * 100) + round), Set.new, Time.current
      @written, @floor = [], @page.draft.version
      set_rules
      editions = @page.editions.count
      judged = 0
      100.times do
        act = @random.rand(3).zero? ? next_step : ACTS[@random.rand(ACTS.size)]
        begin
          send(act, @people[@random.rand(@people.size)])
        rescue *REFUSED
          next
        end
        @page.reload.editions.order(:number).offset(editions).each do |edition|
          judged += 1 if judge(edition, act, round)
          @floor = [ @floor, edition.draft_version.to_i ].max
        end
        editions = @page.editions.count
      end
      assert_operator judged, :>, 0, "something was published that was looked over"
    end
  end

  private

  # What leads on to an edition.
  def next_step
    state = @page.reload.review_standing.state
    { asked: :approve, approved: :publish }.fetch(state) { @page.unpublished_changes? ? :ask : :write }
  end

  # The rules as they are now, said once more.
  #
  # @return [Boolean] whether it had to be approved
  def judge(edition, act, round)
    rule = ReviewRule.for(@page)
    return false if rule.nil? || (edition.small && rule.small)

    identity = State.identity(edition.title, edition.digest)
    able = @approved.select { |person, state| state == identity && may?(rule, person) && (rule.own || !writers_of(edition).include?(person.id)) }
    assert_operator able.map(&:first).uniq.size, :>=, rule.needed, "#{act}, edition #{edition.number}, seed #{SEED}, round #{round}"
    assert edition.reviewed?
  end

  def may?(rule, person)
    !person.reload.suspended? && rule.approvers.reload.any? { |one| one.person_id == person.id || (one.group_id && Membership.exists?(person: person, group_id: one.group_id)) }
  end

  def writers_of(edition)
    @written.select { |version, _id| version > @floor && version <= edition.draft_version.to_i }.map(&:last)
  end

  def set_rules
    ReviewRule.of(@room).set(people: [], groups: [ @deck ], by: @people.first, needed: 1 + @random.rand(2), own: @random.rand(4).zero?, small: @random.rand(2).zero?)
  end

  # By two of them, so that there is somebody to approve it.
  def write(_who)
    author = @people[@random.rand(2) * 3]
    @written << [ save_text(@page.reload, "Salt #{@random.rand(6)}.", by: author).version, author.id ]
  end

  def ask(who)
    way = Review::AFTERWARDS[@random.rand(3)]
    @page.ask_for_review(by: who, afterwards: way, publish_at: (@now + 1.hour if way == "at_time"), invited: @random.rand(3).zero? ? @people.sample(1 + @random.rand(2), random: @random) : [], at: @now)
  end

  # One of them, or one after the other.
  def approve(who)
    (@random.rand(2).zero? ? @people : [ who ]).each do |one|
      approve_as(one)
    rescue *REFUSED
      next
    end
  end

  def approve_as(who)
    state = @page.reload.draft.state.identity
    @page.approve(version: @page.draft.version, by: who, at: @now)
    @approved << [ who, state ]
  end

  def unapprove(who)
    @page.unapprove(by: who)
    @approved.delete([ who, @page.reload.draft.state.identity ])
  end

  def send_back(who)
    @page.send_back(reason: "No.", by: who)
    @approved.clear
  end

  def withdraw(who)
    @page.withdraw_review(by: who)
    @approved.clear
  end

  def publish(who)
    @page.reload.publish(version: @page.draft.version, by: who, small: @random.rand(4).zero?, at: @now)
  end

  def later(who)
    @page.publish_later(due_at: @now + 1.hour, version: @page.draft.version, by: who, at: @now)
  end

  def clock(_who)
    @now += 2.hours
    TimedPublication.carry_out(now: @now)
  end

  def rename(who)
    @page.reload.rename("Gangway #{@random.rand(4)}", by: who)
  end

  def put_back(who)
    @page.reload.put_back(@page.editions.to_a.sample(random: @random), by: who)
  end

  def discard(who)
    @page.reload.discard_draft(version: @page.draft.version, by: who)
    @floor = @page.reload.draft.version
  end

  def rules(_who)
    @random.rand(8).zero? ? ReviewRule.of(@room).then { |rule| rule.end(by: @people.first) if rule.persisted? } : set_rules
  end

  def leave(who)
    @deck.people.delete(who)
  end

  def come(who)
    @deck.people << who unless @deck.people.include?(who)
    who.update!(suspended_at: nil)
  end

  def suspend(who)
    who.update!(suspended_at: Time.current) if @random.rand(3).zero?
  end
end
