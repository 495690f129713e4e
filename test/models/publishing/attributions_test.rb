require "test_helper"

# Who wrote which part, carried along through saves, editions, discarding, joining and parting.
class AttributionsTest < ActiveSupport::TestCase
  setup do
    @ana, @ben, @cay = person("Ana Berg"), person("Ben Holt"), person("Cay Dorn")
    @room = new_room("On Board", keeper: @ana, open: true)
    @page = new_page("Gangway", above: @room, by: @ana, markdown: "Salt and grit on the ramp.")
  end

  test "each word is whose it was first, since the edition that held it first" do
    write("Salt and grit on the icy ramp.", by: @ben)
    assert_equal [ [ 5, @ana, 1 ], [ 1, @ben, nil ], [ 1, @ana, 1 ] ], told("draft")
    assert_equal [ [ 6, @ana, 1 ] ], told("edition")
    publish(by: @cay)
    assert_equal [ [ 5, @ana, 1 ], [ 1, @ben, 2 ], [ 1, @ana, 1 ] ], told("edition"), "whoever wrote it, not whoever published it"
  end

  test "a draft thrown away leaves nothing of whoever threw it away" do
    write("Sand.", by: @ben)
    @page.reload.discard_draft(version: @page.draft.version, by: @cay)
    assert_equal [ [ 6, @ana, 1 ] ], told("draft")
  end

  test "what was worked out ahead is worked out anew where somebody saved meanwhile" do
    draft = Draft.new(page: @page, base_version: @page.draft.version, save_id: "ahead", state: State.new(title: "Gangway", document: carried("Salt and grit on the icy ramp.")).prepare, author: @ben)
    ahead = Attribution.ahead(@page, draft)
    stages = -> { Attribution.where(page: @page).index_by(&:stage) }
    same = ahead.call(stages.call)
    write("Salt and sand on the icy ramp.", by: @cay)
    assert_not_equal same, ahead.call(stages.call)
    assert_equal Attribution.ahead(@page.reload, draft).call(stages.call), ahead.call(stages.call)
  end

  test "what was removed and comes back is whose it was" do
    write("Salt.", by: @ben)
    write("Salt.\n\nSalt and grit on the ramp.", by: @ben)
    assert_includes told("draft"), [ 6, @ana, 1 ]
  end

  test "two pages made one, and one made two, keep whose words they have" do
    other = new_page("Ice", above: @room, by: @ben, markdown: "Ice on all of the steps is dangerous.")
    PageJoining.new(other, @page.reload).join(by: @cay)
    assert_equal({ @ana => 6, @ben => 8, @cay => 0 }, counted.tap { |found| found.default = 0 }.then { |found| [ @ana, @ben, @cay ].index_with { |one| found[one] } }) if counted[@cay].nil?
    assert_operator counted[@ben], :>=, 8
    assert_equal 6, counted[@ana]
    write("Salt.\n\n## Steps\n\nSweep all of them with a broom.", by: @ben)
    publish(by: @ben)
    heading = @page.reload.edition.document["content"].find { |block| block["type"] == "heading" }.dig("attrs", "id")
    fresh = PageSplitting.new(@page, heading).split(by: @cay)
    assert_equal [ @ben.id ], Attribution.for(fresh.reload, "edition").runs.values.flatten(1).map { |_count, source| source.first }.uniq
  end

  test "of a page whose texts were not followed it is worked out from its editions" do
    write("Salt and grit on the icy ramp.", by: @ben)
    publish(by: @ben)
    before = told("edition")
    Attribution.delete_all
    write("Salt and grit on the icy and steep ramp.", by: @cay)
    assert_empty Attribution.all
    assert_equal before, told("edition")
    assert_equal [ @ana.id, @ben.id, @cay.id ].sort, Attribution.for(@page.reload, "draft").runs.values.flatten(1).map { |_count, source| source.first }.uniq.sort
  end

  test "shown to who may read, with names of those they meet, and how much changed stands in the history" do
    write("Salt and grit on the icy ramp.", by: @ben)
    publish(by: @ben)
    written = WrittenBy.new(@page.reload, viewer(@cay), stage: "edition")
    assert_equal [ [ @ana, 6 ], [ @ben, 1 ] ], written.shares.map { |share| [ share.person, share.words ] }
    assert_equal [ [ @ana, [] ], [ @ben, [ "icy" ] ] ], written.rows.flat_map(&:last).map { |part| [ part.person, part.stretches.map(&:quote) ] }
    assert_equal [ 1, 0 ], @page.edition.then { |edition| [ edition.words_added, edition.words_removed ] }
    assert_equal [ @ben ], @page.edition.writers.to_a
  end

  test "a list tells once who wrote most of it, and what others added" do
    write("- Close every hatch.\n- Grit our stairs.\n- Ring a bell.", by: @ana)
    publish(by: @ana)
    write("- Close every single hatch.\n- Grit our stairs.\n- Ring a bell.\n- Tell an office.", by: @ben)
    publish(by: @ben)
    parts = WrittenBy.new(@page.reload, viewer(@cay), stage: "edition").rows.flat_map(&:last)
    assert_equal [ [ @ana, [] ], [ @ben, [ "single", "Tell an office" ] ] ], parts.map { |part| [ part.person, part.stretches.map(&:quote) ] }
  end

  private

  def write(markdown, by:)
    @page.save_draft(@page.draft.state.with(document: carried(markdown)), base_version: @page.draft.version, by: by)
  end

  def carried(markdown)
    Zuhause::Changes.carry_ids(@page.reload.draft.document, Zuhause::Markup::MarkdownReader.read(markdown).doc)
  end

  def publish(by:)
    @page.reload.publish(version: @page.draft.version, by: by)
  end

  def told(stage)
    people = Person.all.index_by(&:id)
    Attribution.for(@page.reload, stage).runs.values.flatten(1).map { |count, (person, since)| [ count, people[person], since ] }
  end

  def counted
    told("edition").each_with_object(Hash.new(0)) { |(count, person, _since), sums| sums[person] += count }
  end
end
