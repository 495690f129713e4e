# That a page's draft or edition cites a source.
class Citation < ApplicationRecord
  belongs_to :page
  belongs_to :source

  scope :from_editions, -> { where(stage: "edition") }

  class << self
    def follow_draft(page, draft)
      record(page, "draft", draft.points)
    end

    def follow_edition(page, edition)
      record(page, "edition", edition.points)
    end

    private

    # Replaces what is recorded of a page by what is cited now.
    def record(page, stage, points)
      where(page: page, stage: stage).delete_all
      ids = points.select { |reference| reference.use == :cite }.map { |reference| reference.target.value }
      rows = ids.any? ? Source.where(public_id: ids).ids.map { |id| { page_id: page.id, source_id: id, stage: stage } } : []
      insert_all!(rows) if rows.any?
    end
  end
end
