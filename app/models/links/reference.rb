# One link of a page's draft or edition, so that what points where can be asked of the database.
class Reference < ApplicationRecord
  belongs_to :page

  scope :from_editions, -> { where(stage: "edition") }

  class << self
    def follow_draft(page, draft)
      record(page, "draft", draft.points)
    end

    def follow_edition(page, edition)
      record(page, "edition", edition.points)
    end

    private

    # Replaces what is recorded of a page by what is pointed to now.
    def record(page, stage, points)
      where(page: page, stage: stage).delete_all
      rows = points.reject { |reference| reference.use == :cite }.map { |reference| row_for(reference).merge(page_id: page.id, stage: stage) }
      insert_all!(rows) if rows.any?
    end

    def row_for(reference)
      target = reference.target
      { use: reference.use.to_s, target: target.to_s, target_kind: target.kind.to_s, target_page: (target.value if target.kind == :page),
        promised_title: (Zuhause::Document::Title.normalise(target.value) if target.kind == :promise),
        block_id: reference.block_id, label: reference.label, context: reference.context }
    end
  end
end
