# That somebody has read an edition, and when first.
class EditionReading < ApplicationRecord
  belongs_to :edition
  belongs_to :person

  def self.note(edition_id, person_id, at)
    insert({ edition_id: edition_id, person_id: person_id, read_at: at })
  end
end
