# That an edition was taken back from its readers, for a mistake: the edition stays for who keeps the page.
class Retraction < ApplicationRecord
  LONGEST = 300 # characters of the reason

  belongs_to :edition
  belongs_to :person, optional: true

  normalizes :reason, with: ->(reason) { reason.to_s.squish }
  validates :reason, presence: true, length: { maximum: LONGEST }
end
