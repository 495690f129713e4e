require "test_helper"

class StatesTest < ActiveSupport::TestCase
  setup do
    @ana = person("Ana Berg")
    @page = new_page("Gangway", above: new_room("On Board", keeper: @ana), by: @ana, markdown: "First.", at: 3.days.ago)
  end

  test "an earlier state is taken back as the newest version, and nothing is lost" do
    first = @page.draft
    save_text(@page, "Second.", by: @ana)
    @page.reload.take_back(first, by: @ana)
    assert_equal [ "First.", 4 ], [ Zuhause::Document::Text.of(@page.reload.draft.document), @page.draft.version ]
    assert_equal [ "Second.", "First.", "" ], @page.states.map { |state| Zuhause::Document::Text.of(state.document) }
  end

  test "states are thinned with age; the draft, what is published and refused texts stay" do
    published = @page.edition.draft_version
    60.times { |i| save_text(@page.reload, "Text #{i}.", by: @ana, at: 2.days.ago.beginning_of_day + i.minutes) }
    refused = @page.save_draft(State.new(title: "Gangway", document: Zuhause::Document.empty), base_version: 1, save_id: "late", by: @ana, at: 2.days.ago)
    @page.reload.thin_states
    assert_equal "Text 59.", Zuhause::Document::Text.of(@page.reload.draft.document)
    assert_operator @page.drafts.count, :<, 8
    assert Draft.exists?(refused.id)
    assert @page.drafts.exists?(version: published)
  end

  test "saving thins by itself" do
    100.times { |i| save_text(@page.reload, "Text #{i}.", by: @ana, at: i < 70 ? 2.days.ago.beginning_of_day + i.seconds : Time.current) }
    assert_operator @page.drafts.count, :<, 45
  end
end
