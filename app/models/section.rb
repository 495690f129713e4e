# A heading of a published page with the text below it: the unit that finding answers with. The full-text index follows
# this table by triggers.
class Section < ApplicationRecord
  belongs_to :page

  # Replaces a page's sections by those of a document.
  def self.record(page, title, document)
    where(page: page).delete_all
    insert_all!(rows(document).map.with_index { |row, i| row.merge(page_id: page.id, title: title, position: i) })
  end

  def self.rows(document)
    Zuhause::Document::Outline.sections(document).map do |section|
      { block_id: section.heading&.id, heading: section.heading&.text.to_s, body: section.text }
    end
  end
  private_class_method :rows
end
