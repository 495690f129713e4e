# That somebody ticked a task while reading, or took its tick away; the last word of each task. It goes into the draft with
# the next save and is laid over what is published until an edition knows of it; it is kept after that, since an older state
# that comes back does not. A writer who says otherwise afterwards ends it.
class Tick < ApplicationRecord
  belongs_to :page
  belongs_to :person, optional: true

  scope :unsettled, -> { where(settled: false) }

  # Some ticks of a page, read before a transaction begins.
  class Some
    # @param ticks [Array<Tick>]
    def initialize(ticks)
      @ticks = ticks.index_by(&:block_id)
    end

    # @return [Hash] the document with what they say
    def lay_over(document)
      return document if @ticks.empty?

      Zuhause::Document::Walk.rebuild(document) do |node|
        tick = node["type"] == "task" && @ticks[node.dig("attrs", "id")]
        tick ? node.merge("attrs" => node["attrs"].merge("done" => tick.done)) : node
      end
    end

    # A draft holds them now; those that were made meanwhile wait for the next.
    # @return [Hash{String=>Boolean}] by block id
    def taken_into(draft)
      Tick.where(id: @ticks.values, page_id: draft.page_id).update_all(draft_version: draft.version)
      @ticks.transform_values(&:done)
    end
  end

  class << self
    # @param task [Task]
    def put(task, done, by:, at:)
      where(page_id: task.page_id, block_id: task.block_id).delete_all # a new row, so that whoever has read the old one does not take it for this
      create!(page_id: task.page_id, block_id: task.block_id, done: done, person: by, ticked_at: at)
    end

    # @return [Some] that no draft holds yet
    def waiting(page)
      Some.new(where(page: page, draft_version: nil).to_a)
    end

    # @return [Some] that a state of that time cannot know of
    def since(page, time)
      Some.new(where(page: page, ticked_at: time..).to_a)
    end

    # Judges all ticks that an edition's draft held by what the edition says.
    def settle(page, edition)
      return unless edition.draft_version

      said = Task.in(edition.document).to_h { |task| [ task.dig("attrs", "id"), task.dig("attrs", "done") || false ] }
      held = where(page: page, draft_version: ..edition.draft_version)
      held.select { |tick| said.fetch(tick.block_id, tick.done) != tick.done }.each(&:delete)
      held.update_all(settled: true)
    end
  end
end
