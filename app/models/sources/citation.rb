# That a page's draft or edition cites a source.
class Citation < ApplicationRecord
  belongs_to :page
  belongs_to :source

  scope :from_editions, -> { where(stage: "edition") }

  # Replaces what is recorded of a page by what the document says now.
  def self.record(page, stage, references)
    where(page: page, stage: stage).delete_all
    ids = references.select { |reference| reference.use == :cite }.map { |reference| reference.target.value }
    rows = ids.any? ? Source.where(public_id: ids).ids.map { |id| { page_id: page.id, source_id: id, stage: stage.to_s } } : []
    insert_all!(rows) if rows.any?
  end
end
