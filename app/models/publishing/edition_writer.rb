# Somebody whose changes an edition holds.
class EditionWriter < ApplicationRecord
  belongs_to :edition
  belongs_to :person

  # Told before it is forgotten whose changes the draft held.
  def self.follow_edition(page, edition)
    people = edition.draft_version ? Changer.where(page: page).pluck(:person_id) : []
    insert_all!([ *people, edition.author_id ].uniq.map { |id| { edition_id: edition.id, person_id: id } })
  end

  def self.follow_founding(founded)
    rows = founded.filter_map { |each| each.edition && { edition_id: each.edition.id, person_id: each.edition.author_id } }
    insert_all!(rows) if rows.any?
  end
end
