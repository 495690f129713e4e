# One link of a page's draft or edition, so that what points where can be asked of the database.
class Reference < ApplicationRecord
  belongs_to :page

  scope :from_editions, -> { where(stage: "edition") }

  # Replaces what is recorded of a page by what the document says now.
  def self.record(page, stage, document)
    where(page: page, stage: stage).delete_all
    references = Zuhause::Links.in(document)
    Citation.record(page, stage, references)
    rows = references.reject { |reference| reference.use == :cite }.map { |reference| row_for(reference).merge(page_id: page.id, stage: stage.to_s) }
    insert_all!(rows) if rows.any?
  end

  def self.row_for(reference)
    target = reference.target
    { use: reference.use.to_s, target: target.to_s, target_kind: target.kind.to_s, target_page: (target.value if target.kind == :page),
      promised_title: (Zuhause::Document::Title.normalise(target.value) if target.kind == :promise),
      block_id: reference.block_id, label: reference.label, context: reference.context }
  end
  private_class_method :row_for
end
