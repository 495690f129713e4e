# Rows that follow what the texts of a page point to: those of its draft and those of its edition, replaced whenever it gets
# another. Says +rows_for(points)+.
module FollowsText
  extend ActiveSupport::Concern

  included do
    belongs_to :page

    scope :from_editions, -> { where(stage: "edition") }
  end

  class_methods do
    def follow_draft(page, draft)
      record(page, "draft", draft.points)
    end

    def follow_edition(page, edition)
      record(page, "edition", edition.points)
    end

    private

    def record(page, stage, points)
      where(page: page, stage: stage).delete_all
      rows = rows_for(points).map { |row| row.merge(page_id: page.id, stage: stage) }
      insert_all!(rows) if rows.any?
    end
  end
end
