# A task of a published page, as it stands now.
class Task < ApplicationRecord
  LONGEST = 300 # characters of its text that are kept for lists

  belongs_to :page
  belongs_to :assignee, class_name: "Person", optional: true
  belongs_to :ticked_by, class_name: "Person", optional: true

  scope :open, -> { where(done: false) }
  scope :by_due, -> { order(Arel.sql("due IS NULL"), :due, :id) }
  # Ticked while reading, and not in the draft yet.
  scope :laid_over, -> { where.not(ticked_at: nil) }

  # Replaces what is recorded of a page by what an edition says; ticks that it does not know of stay.
  def self.record(page, document)
    ticks = where(page: page).laid_over.index_by(&:block_id)
    where(page: page).delete_all
    rows = in_document(document).each_with_index.map { |task, i| row(task, ticks[task.dig("attrs", "id")]).merge(page_id: page.id, position: i) }
    insert_all!(rows) if rows.any?
  end

  # @return [Hash] the document with what has been ticked since
  def self.lay_over(page, document)
    ticks = where(page: page).laid_over.pluck(:block_id, :done).to_h
    return document if ticks.empty?

    Zuhause::Document::Walk.rebuild(document) do |node|
      id = node["type"] == "task" && node.dig("attrs", "id")
      id && ticks.key?(id) ? node.merge("attrs" => node["attrs"].merge("done" => ticks.fetch(id))) : node
    end
  end

  def tick(done, by:, at: Time.current)
    update!(done: done, ticked_by: by, ticked_at: at)
  end

  def late?
    !done? && due.present? && due < Date.current
  end

  def self.in_document(document)
    Zuhause::Document::Walk.blocks(document).select { |block| block["type"] == "task" }
  end

  def self.row(task, tick)
    attrs = task["attrs"]
    { block_id: attrs["id"], text: Zuhause::Document::Text.of(task).lines.first.to_s.strip[0, LONGEST], done: tick ? tick.done : attrs.fetch("done", false), due: attrs["due"],
      assignee_id: attrs["assignee"] && Person.where(public_id: attrs["assignee"]).pick(:id), ticked_by_id: tick&.ticked_by_id, ticked_at: tick&.ticked_at }
  end
  private_class_method :in_document, :row
end
