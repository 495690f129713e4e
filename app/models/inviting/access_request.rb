# Somebody was given an address, may not see what is there, and asks. It is written down alike whether there is such a place or not,
# so that asking tells nothing; who keeps the place hears of it.
class AccessRequest < ApplicationRecord
  include PubliclyIdentified

  MOST = 10 # a day and person
  LONGEST_WORDS = 500
  PLACE = %r{\A/(p|rooms)/([^/?#]+)}

  class TooMany < StandardError; end

  belongs_to :person
  belongs_to :page, optional: true
  belongs_to :room, optional: true
  belongs_to :answered_by, class_name: "Person", optional: true

  normalizes :words, with: ->(words) { words.to_s.squish.slice(0, LONGEST_WORDS) }

  scope :unanswered, -> { where(answered_at: nil) }

  class << self
    # @param address [String] the path of a page or a room
    # @raise [TooMany]
    def ask(person, address, words: "", at: Time.current)
      transaction do
        raise TooMany if where(person: person, created_at: (at - 1.day)..).count >= MOST

        place = unseen_place(person, address)
        known = place && unanswered.exists?(person: person, **at(place))
        request = create!(person: person, address: address.slice(0, 300), words: words, created_at: at, **at(place))
        Happening.write(:access_asked, place, by: person, at: at, request: request.public_id) if place && !known
        request
      end
    end

    # @param viewer [Viewer]
    # @return [ActiveRecord::Relation] of places that the viewer keeps, one for each person and place
    def for_keeper(viewer)
      open = unanswered.where(page: Page.kept.giving(viewer, :keep)).or(unanswered.where(room: Room.giving(viewer, :keep)))
      open.where(id: open.group(:person_id, :page_id, :room_id).select("MIN(access_requests.id)"))
    end

    # Whoever was given something there, or was not, need not ask any more.
    def answer(place, person_id, given:, by: nil, at: Time.current)
      unanswered.where(person_id: person_id, **at(place)).update_all(answered_at: at, given: given, answered_by_id: by&.id)
    end

    private

    def at(place)
      { page_id: (place.id if place.is_a?(Page)), room_id: (place.id if place.is_a?(Room)) }
    end

    def unseen_place(person, address)
      kind, id = address[PLACE, 1], address[PLACE, 2]
      return unless id

      viewer = Viewer.new(person)
      public_id = id[/[a-z0-9]{10}\z/]
      place = (kind == "p" ? Page.kept : Room).find_by(public_id: public_id)
      place unless place.nil? || (place.is_a?(Page) ? viewer.sees?(place) : viewer.level_on(place) != :none)
    end
  end

  # @return [Page, Room, nil]
  def place
    page || room
  end
end
