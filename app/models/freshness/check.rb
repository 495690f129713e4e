# That somebody who keeps a page said on a day: it is still correct.
class Check < ApplicationRecord
  LONGEST = 300 # characters of a note

  belongs_to :page
  belongs_to :person, optional: true

  normalizes :note, with: ->(note) { note.to_s.squish }
  validates :note, length: { maximum: LONGEST }

  scope :newest_first, -> { order(checked_at: :desc, id: :desc) }

  # @param page [Page] that is published
  # @return [Check] with errors if the note will not do
  def self.say(page, by:, note: "", at: Time.current)
    date = CheckDate.find(page.id)
    made = new(page: page, person: by, note: note, edition: page.edition.number, checked_at: at, base_before: date.base_at)
    return made unless made.valid?

    transaction do
      made.save!
      date.begin_anew(at)
      Happening.write(:checked, page, by: by, at: at, small: true, edition: made.edition, note: made.note.presence)
    end
    made
  end

  # @return [Boolean] whether nothing has been said or published since that would count instead
  def newest?
    CheckDate.where(page_id: page_id, base_at: checked_at).exists?
  end

  # As if it had not been said.
  def take_back(by:, at: Time.current)
    transaction do
      destroy!
      CheckDate.find(page_id).begin_anew(base_before)
      Happening.write(:unchecked, page, by: by, at: at, small: true)
    end
  end
end
