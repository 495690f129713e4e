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

  # What is known already, as it is mostly, costs one question.
  def self.note(page_id, edition_id, person_id, at)
    known, told, lately = Person.where(id: person_id).pick(
      EditionReading.where(edition_id: edition_id, person_id: person_id).arel.exists,
      Telling.unseen.where(page_id: page_id, person_id: person_id).arel.exists,
      where(person_id: person_id, page_id: page_id, read_at: (at - AGAIN)..).arel.exists
    )
    EditionReading.note(edition_id, person_id, at) if edition_id && known == 0
    Telling.looked_at(page_id, person_id, at: at) if told == 1
    upsert({ person_id: person_id, page_id: page_id, read_at: at }, unique_by: %i[person_id page_id], on_duplicate: Arel.sql("times = times + 1, read_at = excluded.read_at")) if lately == 0
  rescue ActiveRecord::StatementInvalid => e
    Rails.logger.info("a reading was dropped: #{e.class}")
  end
  private_class_method :note
end
