require "test_helper"

# Taking an edition back from its readers.
class RetractionTest < ActiveSupport::TestCase
  setup do
    @ana, @ben, @cay = person("Ana Berg"), person("Ben Holt"), person("Cay Dorn")
    @room = new_room("On Board", keeper: @ana, open: true)
    @other = new_page("Ice", above: @room, by: @ana)
    @page = new_page("Gangway", above: @room, by: @ana, markdown: "Salt and grit.")
    save_text(@page, "Salt, see [ice](page:#{@other.public_id}).", by: @ana)
    @page.publish(version: @page.draft.version, by: @ana)
    @wrong = @page.edition
    SentMail.delete_all
  end

  test "readers see the edition before it, and nothing tells of it any more" do
    assert_equal [ @page ], found("see")
    assert retract.persisted?
    assert_equal 1, @page.reload.edition.number
    assert_empty found("see")
    assert_equal [ @page ], found("grit")
    assert_empty Reference.from_editions.where(page: @page)
    assert_equal [ [ 1 ], [ 2, 1 ] ], [ @ben, @ana ].map { |who| @page.editions_seen_by(viewer(who)).newest_first.pluck(:number) }
    assert_raises(ActiveRecord::RecordNotFound) { StateComparison.new(@page, viewer(@ben), from: "1", to: "2") }
    assert_not_includes LatestChanges.for(viewer(@ben), most: 10).map { |happening| happening.details["edition"] }, 2
    assert_equal 2, LatestChanges.for(viewer(@ben), most: 10).map(&:page).uniq.size, "the edition before is told of as before"
  end

  test "the draft stays, and says that it differs; the next edition has a number of its own" do
    retract
    assert @page.reload.unpublished_changes?
    assert_equal [ @ana.id ], @page.changer_ids
    @page.publish(version: @page.draft.version, by: @ana)
    assert_equal 3, @page.edition.number
  end

  test "the only one: nothing is published any more, until something is" do
    page = new_page("Fog", above: @room, by: @ana, markdown: "Fog, see [ice](page:#{@other.public_id}).")
    page.retract(page.edition, reason: "Wrong room", by: @ana)
    assert_not page.reload.published?
    assert_empty found("fog")
    assert_equal [ :nothing, :draft ], [ @ben, @ana ].map { |who| viewer(who).sight_of(page) }
    assert_empty Reference.from_editions.where(page: page)
    page.publish(version: page.draft.version, by: @ana)
    assert_equal [ page ], found("fog")
  end

  test "an older one leaves the history, and readers see what they saw" do
    @page.retract(@page.editions.find_by(number: 1), reason: "Wrong", by: @ana)
    assert_equal [ 2, [ 2 ] ], [ @page.reload.edition.number, @page.editions_seen_by(viewer(@ben)).pluck(:number) ]
    @page.retract(@wrong, reason: "Wrong too", by: @ana)
    assert_not @page.reload.published?
  end

  test "a reason has to be said, and nothing happens without" do
    assert_equal [ :reason ], @page.retract(@wrong, reason: " ", by: @ana).errors.attribute_names
    assert_equal 2, @page.reload.edition.number
  end

  test "who keeps the page learns who had read it" do
    @room.grant(holder(@cay), :keep)
    Reading.record(@page, by: @ben)
    retract
    mail = SentMail.find_by(recipient: @cay.email)
    assert_match(/Ben Holt/, mail.body)
    assert_match(/Wrong salt/, mail.body)
    assert_not SentMail.exists?(recipient: @ben.email)
  end

  test "a picture that only it showed is its writers' again" do
    file = PageFile.take(upload("a.svg", "<svg xmlns='http://www.w3.org/2000/svg'/>"), page: @page, by: @ana)
    save_text(@page.reload, "::: figure {file=\"#{file.public_id}\" alt=\"A\"}\n\n:::", by: @ana)
    @page.publish(version: @page.draft.version, by: @ana)
    assert file.reload.open_to?(viewer(@ben))
    @page.retract(@page.edition, reason: "Wrong picture", by: @ana)
    assert_not file.reload.open_to?(viewer(@ben))
    assert file.open_to?(viewer(@ana))
  end

  private

  def retract
    @page.reload.retract(@wrong, reason: "Wrong salt", by: @ana)
  end

  def found(words)
    Search.new(words, viewer(@ben)).results.map(&:page)
  end
end
