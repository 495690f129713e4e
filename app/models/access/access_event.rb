# A change of access that was made: who, what, when, and what it opened and closed. Never changed afterwards.
class AccessEvent < ApplicationRecord
  ACTS = %w[given changed taken own_list_made own_list_ended moved stayed joined taken_over].freeze

  belongs_to :room, optional: true
  belongs_to :page, optional: true
  belongs_to :actor, class_name: "Person"

  validates :act, inclusion: { in: ACTS }

  scope :newest_first, -> { order(id: :desc) }

  # Of a room, not of pages in it, which may have lists of their own, nor of pages that have been erased.
  scope :of_place_itself, ->(place) { place.is_a?(Room) ? where(page_id: nil).where("json_extract(details, '$.page_erased') IS NULL") : all }

  # @param exposure [Zuhause::Access::Exposure]
  def self.record(act, place, by:, exposure:, **details)
    note(act, place, by: by, **details, opened: exposure.opened.size, closed: exposure.closed.size, changed: exposure.changed.size)
  end

  def self.note(act, place, by:, **details)
    create!(act: act.to_s, actor: by, page: (place if place.is_a?(Page)), room: place.room, details: details)
  end

  def readonly?
    persisted?
  end
end
