# That somebody has been told of a happening, once, and why. What they may not see now is not told, nor counted. Where and when it
# happened stands here too, so that lists need not look it up; +place+ is the number of the page, or of the room below zero.
class Telling < ApplicationRecord
  Reasons = Zuhause::Telling::Reasons

  belongs_to :happening
  belongs_to :person
  belongs_to :page, optional: true
  belongs_to :room, optional: true

  enum :reason, Reasons::ALL.index_with(&:to_s), prefix: :for, validate: true
  enum :sight, { edition: "edition", draft: "draft" }, prefix: :of, validate: true

  scope :unseen, -> { where(seen_at: nil) }
  scope :to_mail, ->(now) { where(mailed_at: nil, mail_at: ..now) }
  # What is told of a page needs the sight that it was told with; of a room, that one reads in it.
  scope :seen_by, lambda { |viewer|
    of_page = { edition: Page.seen_by(viewer), draft: Page.drafts_seen_by(viewer) }.map { |sight, pages| where(sight: sight, page_id: pages.select(:id)) }
    of_page.reduce(where(page_id: nil, room_id: Room.giving(viewer, :read).select(:id)), :or).where(person: viewer.person)
  }

  KEPT = 1.year

  # @return [Integer] pages and rooms with something that has not been looked at
  def self.waiting_for(viewer)
    seen_by(viewer).unseen.distinct.count(:place)
  end

  # Lets go of what was told long ago.
  def self.forget(now: Time.current)
    where(happened_at: ...(now - KEPT)).in_batches(of: 1000).delete_all
  end

  # Whoever has looked at a page has seen what was told of it.
  def self.looked_at(page_id, person_id, at: Time.current)
    where(person_id: person_id, seen_at: nil, page_id: page_id).update_all(seen_at: at)
  end

  # @return [Page, Room]
  def told_of
    page || room
  end
end
