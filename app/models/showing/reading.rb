# That somebody has read a page: how often, and when last.
class Reading < ApplicationRecord
  AGAIN = 10.minutes # looking at a page once more within this time is the same reading

  belongs_to :person
  belongs_to :page

  def self.record(page, by:, at: Time.current)
    return unless by

    known = find_by(person: by, page: page)
    return if known && known.read_at > at - AGAIN

    upsert({ person_id: by.id, page_id: page.id, read_at: at }, unique_by: %i[person_id page_id], on_duplicate: Arel.sql("times = times + 1, read_at = excluded.read_at"))
  end
end
