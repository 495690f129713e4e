# That somebody has read a page: how often, and when last.
class Reading < ApplicationRecord
  AGAIN = 10.minutes # looking at a page once more within this time is the same reading

  belongs_to :person
  belongs_to :page

  # Written apart: it is no reason to let anybody wait, and a page view does not fail for it.
  def self.record(page, by:, at: Time.current)
    edition = page.edition_id
    Apart.do { note(page.id, edition, by.id, at) } if by
  end

  def self.note(page_id, edition_id, person_id, at)
    EditionReading.note(edition_id, person_id, at) if edition_id
    Telling.looked_at(page_id, person_id, at: at)
    return if where(person_id: person_id, page_id: page_id, read_at: (at - AGAIN)..).exists?

    upsert({ person_id: person_id, page_id: page_id, read_at: at }, unique_by: %i[person_id page_id], on_duplicate: Arel.sql("times = times + 1, read_at = excluded.read_at"))
  rescue ActiveRecord::StatementInvalid => e
    Rails.logger.info("a reading was dropped: #{e.class}")
  end
  private_class_method :note
end
