# That somebody has been told of a happening, once, and why. What they may not see now is not told, nor counted.
class Telling < ApplicationRecord
  Reasons = Zuhause::Telling::Reasons

  belongs_to :happening
  belongs_to :person

  enum :reason, Reasons::ALL.index_with(&:to_s), prefix: :for, validate: true
  enum :sight, { edition: "edition", draft: "draft" }, prefix: :of, validate: true

  scope :unseen, -> { where(seen_at: nil) }
  scope :to_mail, ->(now) { where(mailed_at: nil, mail_at: ..now) }
  scope :newest_first, -> { order(happening_id: :desc) }
  # What is told of a page needs the sight that it was told with; of a room, that one reads in it.
  scope :seen_by, lambda { |viewer|
    of_page = { of_edition: Page.seen_by(viewer), of_draft: Page.drafts_seen_by(viewer) }.map { |sight, pages| joins(:happening).public_send(sight).where(happenings: { page_id: pages.select(:id) }) }
    of_room = joins(:happening).where(happenings: { page_id: nil, room_id: Room.giving(viewer, :read).select(:id) }).where("happenings.subject LIKE 'room:%'")
    of_page.reduce(of_room, :or).where(person: viewer.person)
  }

  # @return [Integer] pages and rooms with something that has not been looked at
  def self.waiting_for(viewer)
    seen_by(viewer).unseen.distinct.count(Arel.sql("COALESCE(happenings.page_id, -happenings.room_id)"))
  end

  # Whoever has looked at a page has seen what was told of it.
  def self.looked_at(page_id, person_id, at: Time.current)
    where(person_id: person_id, seen_at: nil, happening_id: Happening.where(page_id: page_id).select(:id)).update_all(seen_at: at)
  end

  # @return [Page, Room]
  def place
    happening.page || happening.room
  end

  def personal?
    Reasons::PERSONAL.include?(reason.to_sym)
  end
end
