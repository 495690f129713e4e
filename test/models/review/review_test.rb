require "test_helper"

class ReviewTest < ActiveSupport::TestCase
  setup do
    @ana, @ben, @cay = person("Ana Berg"), person("Ben Holt"), person("Cay Dorn")
    @room = new_room("On Board", keeper: @ana, open: true)
    @page = new_page("Gangway", above: @room, by: @ana)
    @below = new_page("Ice", above: @page, by: @ana)
    @rule = ReviewRule.of(@room)
    @rule.set(people: [ @ben ], groups: [], by: @ana, small: false)
  end

  test "nothing is published but what was approved, and just that" do
    draft("Salt and grit.")
    assert_raises(Page::Reviewed::Unreviewed) { publish }
    @page.ask_for_review(by: @ana, note: "Please.")
    assert_raises(Page::Reviewed::Unreviewed) { publish }
    @page.approve(version: @page.draft.version, by: @ben)
    assert_equal :approved, @page.review_standing.state
    draft("Salt, grit and sand.")
    assert_equal :asked, @page.review_standing.state, "it says something else than was approved"
    assert_raises(Page::Reviewed::Unreviewed) { publish }
    @page.approve(version: @page.draft.version, by: @ben)
    edition = publish
    assert_equal [ "published", edition ], @page.review.reload.then { |review| [ review.closed, review.edition ] }
    assert_equal :published, @page.review_standing.state
  end

  test "a title that is another after the approval is another state" do
    draft("Salt.")
    @page.ask_for_review(by: @ana)
    @page.approve(version: @page.draft.version, by: @ben)
    @page.save_draft(@page.draft.state.with(title: "Gangway, again"), base_version: @page.draft.version, by: @ana)
    assert_equal :asked, @page.reload.review_standing.state
  end

  test "whoever wrote it does not approve it, nor anybody whom the rules do not name" do
    draft("Salt.", by: @ana)
    @room.grant(holder(@ben), :write)
    draft("Salt and grit.", by: @ben)
    @page.ask_for_review(by: @ana)
    [ @ben, @cay, @ana ].each { |who| assert_raises(Review::Refused, who.name) { @page.approve(version: @page.draft.version, by: who) } }
    @rule.set(people: [ @ben ], groups: [], by: @ana, own: true)
    @page.approve(version: @page.draft.version, by: @ben)
    assert_equal :approved, @page.review_standing.state
  end

  test "through a group, two of them, and no more once one has left" do
    deck = group("Deck", @ben, @cay)
    @rule.set(people: [], groups: [ deck ], by: @ana, needed: 2)
    draft("Salt.")
    @page.ask_for_review(by: @ana)
    [ @ben, @cay ].each { |who| @page.approve(version: @page.draft.version, by: who) }
    assert_equal :approved, @page.review_standing.state
    deck.people.delete(@cay)
    assert_equal [ :asked, 1, true ], @page.review_standing.then { |standing| [ standing.state, standing.missing, standing.stuck? ] }
    @ben.update!(suspended_at: Time.current)
    assert_equal 2, @page.review_standing.missing
  end

  test "sent back with a reason, asked for again, withdrawn" do
    draft("Salt.")
    @page.ask_for_review(by: @ana)
    assert_raises(Review::Refused) { @page.ask_for_review(by: @ana) }
    assert @page.send_back(reason: " ", by: @ben).errors.any?
    @page.send_back(reason: "Which salt?", by: @ben)
    assert_raises(Page::Reviewed::Unreviewed) { publish }
    @page.ask_for_review(by: @ana)
    @page.withdraw_review(by: @ana)
    assert_equal :withdrawn, @page.review_standing.state
    assert_raises(Review::Refused) { @page.approve(version: @page.draft.version, by: @ben) }
  end

  test "every way to an edition passes the same door" do
    assert_not @page.rename("Ladder", by: @ana)
    assert_equal [ :title ], @page.errors.attribute_names
    assert_equal "Gangway", @page.reload.title
    assert_raises(Page::Reviewed::Unreviewed) { rule_off { rewrite(@page, "Other.", by: @ana) } && @page.put_back(@page.editions.first, by: @ana) }
    assert_raises(Page::Reviewed::Unreviewed) { PageJoining.new(@below.reload, Page.find(@page.id)).join(by: @ana) }
    copy = @page.reload.copy(to: @room, viewer: viewer(@ana), publish: true)
    assert_not copy.published?
    from = rule_off { new_page("Old", above: @room, by: @ana) }
    linking = rule_off { new_page("Linking", above: @room, by: @ana, markdown: "[x](page:#{from.public_id})") }
    Mending.start(from: Zuhause::Links::Target.new(:page, from.public_id), to: Zuhause::Links::Target.new(:page, @page.public_id), by: @ana)
    assert linking.reload.unpublished_changes?, "mended in the draft alone"
    @rule.set(people: [ @ben ], groups: [], by: @ana, small: true)
    assert @page.reload.rename("Ladder", by: @ana), "small changes go through where the rules let them"
  end

  test "the rules nearest to a page hold, and those of the place that it is moved to" do
    own = ReviewRule.of(@page)
    own.set(people: [ @cay ], groups: [], by: @ana)
    assert_equal [ own, own ], [ @page.review_rule, @below.review_rule ]
    @below.move(to: @room)
    assert_equal @rule, @below.reload.review_rule
    open = new_room("Ideas", keeper: @ana)
    @below.move(to: open)
    assert_nil @below.reload.review_rule
    assert @below.publishable?
  end

  test "who may approve sees the draft while it is under review, and nobody else does" do
    draft("Salt.")
    hidden = rule_off { new_page("New", above: @room, by: @ana, publish: false) }
    assert_not_includes Page.drafts_seen_by(viewer(@ben)), @page
    [ @page, hidden ].each { |page| page.ask_for_review(by: @ana) }
    assert_equal [ @page, hidden ].sort_by(&:id), Page.drafts_seen_by(viewer(@ben)).order(:id).to_a
    assert_equal %i[draft edition], [ @ben, @cay ].map { |who| viewer(who).sight_of(@page) }
    assert_not_includes Page.seen_by(viewer(@cay)), hidden
    @page.send_back(reason: "No.", by: @ben)
    assert_equal :edition, viewer(@ben).sight_of(@page)
  end

  test "one open review at a time, and none of a page that goes" do
    draft("Salt.")
    @page.ask_for_review(by: @ana)
    assert_raises(ActiveRecord::RecordNotUnique) { Review.transaction(requires_new: true) { @page.reviews.create!(asker: @ana, asked_at: Time.current) } }
    @page.put_in_bin(by: @ana)
    assert_equal "withdrawn", @page.review.closed
  end

  test "rules want somebody, and a number" do
    assert_not @rule.set(people: [], groups: [], by: @ana)
    assert_not @rule.set(people: [ @ben ], groups: [], by: @ana, needed: "many")
    assert_equal [ @ben ], ReviewRule.for(@page).people
  end

  private

  def draft(markdown, by: @ana)
    save_text(@page.reload, markdown, by: by)
    @page.reload
  end

  def publish
    @page.reload.publish(version: @page.draft.version, by: @ana)
  end

  # As if nothing were asked for.
  def rule_off
    ReviewRule.where(id: @rule.id).update_all(room_id: new_room("Elsewhere", keeper: @ana).id)
    yield
  ensure
    ReviewRule.where(id: @rule.id).update_all(room_id: @room.id)
  end
end
