require "test_helper"

class ProposalsTest < ActiveSupport::TestCase
  setup do
    @ana, @ben = person("Ana Berg"), person("Ben Holt")
    @room = new_room("On Board", keeper: @ana, open: true)
    @page = new_page("Gangway in ice", above: @room, by: @ana, markdown: "Salt *and grit* lie in the box by the gangway.\n\nCall the night desk before nine.")
  end

  test "taken words stand in the draft, keep marks, and name who proposed them with the edition" do
    proposal = note(@page, "and grit lie", instead: "and sand lie", body: "", by: @ben)
    assert proposal.fits?
    assert_equal [ [ :same, "and " ], [ :removed, "grit" ], [ :added, "sand" ], [ :same, " lie" ] ], proposal.difference
    saved = proposal.take(by: @ana)
    assert_match(/Salt and sand lie/, Zuhause::Document::Text.of(saved.document))
    assert_equal [ "taken", @ana, nil ], [ proposal.standing, proposal.settled_by, proposal.edition ]
    assert_no_match(/sand/, Zuhause::Document::Text.of(@page.reload.edition.document))
    edition = @page.publish(version: @page.draft.version, by: @ana)
    assert_equal edition, proposal.reload.edition
  end

  test "several on one stretch: one that no longer fits says so and is refused" do
    one, other = note(@page, "Salt and grit", instead: "Sand", by: @ben), note(@page, "and grit lie", instead: "lies", by: @ben)
    later = note(@page, "before nine", instead: "before ten", by: @ben)
    one.take(by: @ana)
    assert_not other.reload.fits?
    assert_raises(Zuhause::Talk::Proposing::Unfit) { other.take(by: @ana) }
    assert_equal "open", other.reload.standing
    later.reload.take(by: @ana)
    assert_equal "Sand lie in the box by the gangway.\nCall the night desk before ten.", Zuhause::Document::Text.of(@page.reload.draft.document)
  end

  test "taken and declined while somebody else writes" do
    proposal = note(@page, "before nine", instead: "before ten", by: @ben)
    version, document = @page.draft.version, @page.draft.document
    proposal.take(by: @ana)
    mine = Zuhause::Document::Walk.rebuild(document) { |node| node["type"] == "text" ? node.merge("text" => node["text"].sub("Salt", "Much salt")) : node }
    @page.reload.save_draft(State.new(title: "Gangway in ice", document: mine), base_version: version, by: person("Cay Dorn"))
    assert_equal "Much salt and grit lie in the box by the gangway.\nCall the night desk before ten.", Zuhause::Document::Text.of(@page.reload.draft.document)
    declined = note(@page, "Salt", instead: "Sand", by: @ben)
    declined.decline(by: @ana)
    assert_equal "declined", declined.standing
    assert_raises(Zuhause::Talk::Proposing::Unfit) { declined.take(by: @ana) }
  end

  test "what is struck, and a draft that is thrown away with what was taken into it" do
    proposal = note(@page, " by the gangway", instead: "", by: @ben)
    proposal.take(by: @ana)
    assert_match(/lie in the box\./, Zuhause::Document::Text.of(@page.reload.draft.document))
    @page.discard_draft(version: @page.draft.version, by: @ana)
    assert_equal "open", proposal.reload.standing
    assert proposal.places.reload && proposal.fits?
    proposal.take(by: @ana)
    edition = @page.reload.publish(version: @page.draft.version, by: @ana)
    assert_equal edition, proposal.reload.edition
  end

  test "words are proposed within one paragraph, and others than those that stand there" do
    across = pointed(@page, "by the gangway.").tap { |given| given.length = 30; given.quote = nil }
    assert_equal [ :no_words ], Remark.note(@page, across, by: @ben, body: "", words: "x").errors.details[:base].pluck(:error)
    assert_equal [ :unchanged ], note(@page, "Salt", instead: "Salt", by: @ben).errors.details[:words].pluck(:error)
    assert_equal 0, Remark.count
  end
end
