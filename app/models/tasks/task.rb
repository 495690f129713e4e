# A task of a published page, as it stands now.
class Task < ApplicationRecord
  LONGEST = 300 # characters of its text that are kept for lists

  belongs_to :page
  belongs_to :assignee, class_name: "Person", optional: true

  scope :open, -> { where(done: false) }
  scope :by_due, -> { order(Arel.sql("due IS NULL"), :due, :id) }

  # @return [Array<Hash>] the tasks of a document
  def self.in(document)
    Zuhause::Document::Walk.blocks(document).select { |block| block["type"] == "task" }
  end

  # Replaces what is recorded of a page by what an edition says; ticks that it does not know of stay.
  def self.follow_edition(page, edition)
    Tick.settle(page, edition)
    ticks = Tick.unsettled.where(page: page).pluck(:block_id, :done).to_h
    where(page: page).delete_all
    tasks = self.in(edition.document)
    people = Person.where(public_id: tasks.filter_map { |task| task.dig("attrs", "assignee") }).pluck(:public_id, :id).to_h
    rows = tasks.each_with_index.map { |task, i| row(task, people, ticks).merge(page_id: page.id, position: i) }
    insert_all!(rows) if rows.any?
  end

  def self.follow_founding(founded)
    founded.each { |each| follow_edition(each.page, each.edition) if each.edition && self.in(each.edition.document).any? }
  end

  def tick(done, by:, at: Time.current)
    transaction do
      Tick.put(self, done, by: by, at: at)
      update!(done: done)
      Happening.write(:ticked, page, by: by, at: at, small: true, block: block_id, done: done)
    end
  end

  def late?
    !done? && due.present? && due < Date.current
  end

  def self.row(task, people, ticks)
    attrs = task["attrs"]
    { block_id: attrs["id"], text: Zuhause::Document::Text.of(task).lines.first.to_s.strip[0, LONGEST],
      done: ticks.fetch(attrs["id"]) { attrs.fetch("done", false) }, due: attrs["due"], assignee_id: people[attrs["assignee"]] }
  end
  private_class_method :row
end
