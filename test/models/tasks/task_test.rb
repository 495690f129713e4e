require "test_helper"

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
    save_same
    assert_equal [ true, nil ], done(@page.reload.draft.document)
    assert_equal({ @first.block_id => true }, @page.ticked)
    assert_predicate @first.reload, :done?
    @page.publish(version: @page.draft.version, by: @ana)
    assert_equal [ true, nil ], done(@page.reload.edition.document)
  end

  test "what the writer says after that counts" do
    @first.tick(true, by: @ben)
    save_same
    document = @page.reload.draft.document
    document["content"].first["content"].first["attrs"].delete("done")
    @page.save_draft(base_version: @page.draft.version, save_id: "untick", title: @page.title, document: document, by: @ana)
    @page.publish(version: @page.reload.draft.version, by: @ana)
    assert_equal [ nil, nil ], done(@page.reload.edition.document)
    assert_not @page.tasks.find_by!(block_id: @first.block_id).done?
  end

  test "a tick made after the last save survives publishing" do
    save_text(@page.reload, "Other words.\n\n", by: @ana)
    document = @page.edition.document
    @page.save_draft(base_version: @page.reload.draft.version, save_id: "again", title: @page.title, document: document.merge("content" => document["content"] + [ { "type" => "divider" } ]), by: @ana)
    @page.tasks.find_by!(block_id: @second.block_id).tick(true, by: @ben)
    @page.publish(version: @page.reload.draft.version, by: @ana)
    assert_predicate @page.tasks.find_by!(block_id: @second.block_id), :done?
  end

  test "who is newly named is told if they may read it; whoever publishes learns of the others" do
    SentMail.delete_all
    publish("Ask [x](mention:#{@cleo.public_id}).\n\n#{list([ @ben, nil ])}")
    @page.naming.tell
    assert_equal [ @cleo.email ], SentMail.pluck(:recipient)
    hidden = new_page("Pay", above: new_room("Pay", keeper: @ana), by: @ana, markdown: "Ask [x](mention:#{@cleo.public_id}).")
    assert_equal [ @cleo ], hidden.naming.shut_out
    assert_no_difference(-> { SentMail.count }) { hidden.naming.tell }
  end

  private

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

  def save_same
    @page.reload.save_draft(base_version: @page.draft.version, save_id: SecureRandom.uuid, title: @page.title, document: @page.draft.document, by: @ana)
  end

  def publish(markdown)
    save_text(@page.reload, markdown, by: @ana)
    @page.publish(version: @page.reload.draft.version, by: @ana)
  end
end
