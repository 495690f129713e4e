require "test_helper"
require "minitest/mock"

class TaskTest < ActiveSupport::TestCase
  setup do
    @ana, @ben, @cleo = person("Ana Berg"), person("Ben Holt"), person("Cleo Finn")
    @room = new_room("On Board", keeper: @ana, open: true)
    @page = new_page("Watch", above: @room, by: @ana, markdown: list([ @ben, "2026-12-01" ], nil))
    @first, @second = @page.tasks.order(:position).to_a
  end

  test "an edition's tasks are recorded with who and when" do
    assert_equal [ [ "Task 0", @ben, Date.new(2026, 12, 1), false ], [ "Task 1", nil, nil, false ] ], [ @first, @second ].map { |task| [ task.text, task.assignee, task.due, task.done ] }
    publish(list([ @cleo, "2026-12-02" ]))
    assert_equal [ @cleo ], @page.tasks.reload.map(&:assignee)
  end

  test "a tick is laid over the edition, goes into the draft with its next save, and into the next edition" do
    @first.tick(true, by: @ben)
    assert_equal [ true, nil ], done(@page.edition.document).then { |states| [ @page.tasks.find(@first.id).done, states.first ] }
    save_again
    assert_equal [ true, nil ], done(@page.reload.draft.document)
    assert_equal({ @first.block_id => true }, @page.ticked)
    assert_predicate @first.reload, :done?
    @page.publish(version: @page.draft.version, by: @ana)
    assert_equal [ true, nil ], done(@page.reload.edition.document)
  end

  test "what the writer says after that counts" do
    @first.tick(true, by: @ben)
    save_again
    document = @page.reload.draft.document
    document["content"].first["content"].first["attrs"].delete("done")
    @page.save_draft(State.new(title: @page.title, document: document), base_version: @page.draft.version, save_id: "untick", by: @ana)
    @page.publish(version: @page.reload.draft.version, by: @ana)
    assert_equal [ nil, nil ], done(@page.reload.edition.document)
    assert_not @page.tasks.find_by!(block_id: @first.block_id).done?
  end

  test "a tick made after the last save survives publishing" do
    save_text(@page.reload, "Other words.\n\n", by: @ana)
    document = @page.edition.document
    @page.save_draft(State.new(title: @page.title, document: document.merge("content" => document["content"] + [ { "type" => "divider" } ])), base_version: @page.reload.draft.version, save_id: "again", by: @ana)
    @page.tasks.find_by!(block_id: @second.block_id).tick(true, by: @ben)
    @page.publish(version: @page.reload.draft.version, by: @ana)
    assert_predicate @page.tasks.find_by!(block_id: @second.block_id), :done?
  end

  test "ticks survive renaming, whatever else is in the draft, and whether a draft holds them already" do
    @first.tick(true, by: @ben)
    @page.reload.rename("Watches", by: @ana)
    assert_equal [ true, false ], states
    write_more # the draft holds the first tick now
    @page.tasks.find_by!(block_id: @second.block_id).tick(true, by: @ben)
    @page.reload.rename("Night watches", by: @ana)
    assert_equal [ true, true ], states
    @page.reload.publish(version: @page.reload.draft.version, by: @ana)
    assert_equal [ true, true ], states
    save_again && @page.publish(version: @page.reload.draft.version, by: @ana)
    assert_equal [ [ true, true ], [ true, true ] ], [ states, done(@page.reload.edition.document) ]
  end

  test "ticks survive putting an older edition back, taking a state back and throwing the draft away" do
    older, state = @page.edition, @page.draft
    write_more && @page.publish(version: @page.reload.draft.version, by: @ana)
    @page.tasks.find_by!(block_id: @first.block_id).tick(true, by: @ben)
    save_again && @page.publish(version: @page.reload.draft.version, by: @ana)
    @page.reload.put_back(older, by: @ana)
    assert_equal [ [ true, false ], [ true, nil ] ], [ states, done(@page.reload.draft.document) ]
    @page.take_back(state, by: @ana)
    assert_equal [ true, nil ], done(@page.reload.draft.document)
    @page.tasks.find_by!(block_id: @second.block_id).tick(true, by: @ben)
    save_again
    @page.reload.discard_draft(version: @page.draft.version, by: @ana)
    assert_equal [ true, true ], done(@page.reload.draft.document)
    assert_equal [ true, true ], states
  end

  test "a tick made while a save is on its way waits for the next one" do
    waiting = Tick.method(:waiting)
    Tick.stub(:waiting, ->(page) { waiting.call(page).tap { @first.tick(true, by: @ben) } }) { save_again }
    assert_equal [ [ nil, nil ], [ true, false ] ], [ done(@page.reload.draft.document), states ]
    save_again
    assert_equal [ true, nil ], done(@page.reload.draft.document)
  end

  test "who is newly named is told if they may read it; whoever publishes learns of the others" do
    SentMail.delete_all
    publish("Ask [x](mention:#{@cleo.public_id}).\n\n#{list([ @ben, nil ])}")
    assert_equal [ @cleo.email ], SentMail.pluck(:recipient)
    hidden = new_page("Pay", above: new_room("Pay", keeper: @ana), by: @ana, markdown: "Ask [x](mention:#{@cleo.public_id}).")
    assert_equal [ @cleo ], hidden.named_outside
    assert_equal 1, SentMail.count
  end

  private

  def states
    @page.tasks.reload.order(:position).map(&:done)
  end

  def write_more
    document = @page.reload.draft.document
    @page.save_draft(State.new(title: @page.title, document: document.merge("content" => document["content"] + [ { "type" => "divider" } ])), base_version: @page.draft.version, by: @ana)
  end

  def list(*tasks)
    lines = tasks.each_with_index.map do |(who, due), i|
      attrs = [ (%(assignee="#{who.public_id}") if who), (%(due="#{due}") if due) ].compact
      "::: task#{" {#{attrs.join(" ")}}" if attrs.any?}\n\nTask #{i}\n\n:::"
    end
    "::: task_list\n\n#{lines.join("\n\n")}\n\n:::"
  end

  def done(document)
    Zuhause::Document::Walk.blocks(document).select { |node| node["type"] == "task" }.map { |node| node.dig("attrs", "done") }
  end

  def save_again
    @page.reload.save_draft(State.new(title: @page.title, document: @page.draft.document), base_version: @page.draft.version, by: @ana)
  end

  def publish(markdown)
    save_text(@page.reload, markdown, by: @ana)
    @page.publish(version: @page.reload.draft.version, by: @ana)
  end
end
