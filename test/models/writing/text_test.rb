require "test_helper"

class TextTest < ActiveSupport::TestCase
  setup do
    @ana = person("Ana Berg")
    @page = new_page("Gangway", above: new_room("On Board", keeper: @ana), by: @ana, markdown: "First.")
  end

  test "a text lies once, however many drafts and editions hold it" do
    @page.rename("Gangway in ice", by: @ana)
    @page.rename("Gangway in snow", by: @ana)
    held = [ *@page.drafts.where("version > 1"), *@page.editions ].map(&:digest)
    assert_equal [ 6, 1 ], [ held.size, held.uniq.size ]
    assert_equal [ "First." ], @page.editions.map { |edition| Zuhause::Document::Text.of(edition.reload.document) }.uniq
    assert_equal 2, Text.where(page: @page).count # the empty one it began with is the other
  end

  test "a text that nobody holds any more goes, and all go with their page" do
    40.times { |i| save_text(@page.reload, "Text #{i}.", by: @ana, at: 3.days.ago + i.seconds) }
    travel_to(1.week.from_now) { Page.thin_all_states }
    assert_equal @page.drafts.pluck(:digest).union(@page.editions.pluck(:digest)).sort, Text.where(page: @page).pluck(:digest).sort
    assert_operator @page.drafts.count, :<, 5
    @page.reload.put_in_bin(by: @ana)
    @page.erase(by: @ana)
    assert_equal [ 0, 0, 0 ], [ Text, Draft, Edition ].map { |rows| rows.where(page_id: @page.id).count }
  end

  test "a text for a page that was erased meanwhile is told of as that" do
    held, draft = Page.find(@page.id), Page.find(@page.id).draft
    @page.put_in_bin(by: @ana)
    @page.erase(by: @ana)
    document = Zuhause::Markup::MarkdownReader.read("Second.").doc
    assert_raises(ActiveRecord::RecordNotFound) { held.save_draft(State.new(title: "Gangway", document: document), base_version: 1, by: @ana) }
    assert_raises(ActiveRecord::RecordNotFound) { draft.state }
  end

  test "the database keeps no draft without its text, and no text of another page" do
    other = new_page("Mooring", above: @page, by: @ana, markdown: "Other.")
    digest = other.edition.digest
    assert_raises(ActiveRecord::StatementInvalid) do
      Text.transaction(requires_new: true) { Text.where(page: @page, digest: @page.edition.digest).delete_all && Text.connection.execute("PRAGMA defer_foreign_keys = OFF") && check_now }
    end
    assert_raises(ActiveRecord::StatementInvalid) { Text.transaction(requires_new: true) { Edition.where(id: @page.edition_id).update_all(digest: digest) && check_now } }
  end

  test "histories and lists load no documents" do
    5.times { |i| save_text(@page.reload, "Text #{i}.", by: @ana) && @page.publish(version: @page.reload.draft.version, by: @ana) }
    loaded = []
    ActiveSupport::Notifications.subscribed(->(*, payload) { loaded << payload[:sql] if payload[:sql].match?(/"texts"/) }, "sql.active_record") do
      @page.reload
      [ @page.editions.newest_first.map(&:title), @page.states.map(&:title), Page.includes(:draft, :edition).map(&:unpublished_changes?), PageFacts.new(@page, viewer(@ana)).changed? ]
    end
    assert_empty loaded
  end

  test "what is compressed is what was given" do
    state = State.new(title: "  A   title ", document: { "type" => "doc", "content" => [ { "type" => "paragraph", "content" => [ { "type" => "text", "text" => "Ærø <&> \u2028 ✓" } ] } ] })
    assert_equal "A title", state.title
    assert_equal state.document, Text.new(body: state.body).document
    assert_equal state.digest, state.with(title: "B").digest
    assert_not_equal state.digest, state.with(document: Zuhause::Document.empty).digest
  end

  private

  # Deferred keys are judged when a transaction ends; here, within a test's own.
  def check_now
    broken = Text.connection.select_rows("PRAGMA foreign_key_check")
    raise ActiveRecord::StatementInvalid, broken.inspect if broken.any?
  end
end
