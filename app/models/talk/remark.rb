# Something that somebody said to a page or in a room: a note on its text, other words proposed for it, a question to it as a
# whole, a line of its thread; or a reply to one of those. It takes access from the page or the room.
class Remark < ApplicationRecord
  include PubliclyIdentified
  include OnText, Settled, Proposed, Asked, Voiced

  KINDS = %w[note proposal question line reply].freeze
  ON_TEXT = %w[note proposal].freeze
  STANDINGS = %w[open doubted answered settled taken declined].freeze
  DONE = %w[settled taken declined].freeze
  LONGEST_ORIGIN = 120 # characters
  # What is written when one is made.
  ACTS = { "note" => :noted, "proposal" => :proposed, "question" => :asked, "line" => :spoken, "reply" => :replied }.freeze

  belongs_to :page, optional: true
  belongs_to :room, optional: true
  belongs_to :parent, class_name: "Remark", optional: true
  belongs_to :author, class_name: "Person", optional: true
  belongs_to :shown_page, class_name: "Page", optional: true
  has_many :replies, -> { order(:created_at, :id) }, class_name: "Remark", foreign_key: :parent_id

  validates :kind, inclusion: { in: KINDS }
  validates :standing, inclusion: { in: STANDINGS }
  validates :body, presence: true, unless: -> { kind == "proposal" || shown_page_id || removed? }
  validates :body, length: { maximum: Zuhause::Talk::LONGEST }
  validates :origin, length: { maximum: LONGEST_ORIGIN }
  validate :of_one_place_with_its_parent, on: :create

  scope :kept, -> { where(removed_at: nil) }
  scope :firsts, -> { where(parent_id: nil) }
  scope :of_kind, ->(*kinds) { where(kind: kinds) }
  scope :open_still, -> { where.not(standing: DONE) }
  # What is said to a draft, its quotation too, is met by those who see the draft.
  scope :seen_by, lambda { |viewer|
    next none unless viewer.hears?

    published = where(page_id: Page.seen_by(viewer).select(:id), draft: false)
    published.or(where(page_id: Page.drafts_seen_by(viewer).select(:id))).or(where(room_id: Room.giving(viewer, :read).select(:id)))
  }
  scope :of_page, ->(page, viewer) { viewer.hears? ? where(page: page).then { |all| viewer.sight_of(page) == :draft ? all : all.where(draft: false) } : none }

  class << self
    # @param place [Page, Room]
    # @param body [String] as it was typed
    # @param attributes [Hash] further columns
    # @yieldparam remark [Remark] before it is told of, to say where in the text it stands
    # @return [Remark] with errors if it will not do
    def say(place, kind:, body:, by:, at: Time.current, **attributes)
      remark = new(kind: kind, page: (place if place.is_a?(Page)), room: (place if place.is_a?(Room)), author: by, created_at: at, body: Said.keep(body, by: by), **attributes)
      transaction do
        raise ActiveRecord::Rollback unless remark.save

        yield remark if block_given?
        raise ActiveRecord::Rollback if remark.errors.any?

        remark.parent&.judge
        remark.tell(ACTS.fetch(kind), by: by, at: at)
      end
      remark
    rescue ActiveRecord::InvalidForeignKey
      raise ActiveRecord::RecordNotFound # what it was said to was erased meanwhile
    end
  end

  # @param body [String]
  # @return [Remark] with errors if it will not do
  def reply(body, by:, at: Time.current)
    Remark.say(place, kind: "reply", parent: self, draft: draft, body: body, by: by, at: at)
  end

  # @return [Page, Room] that it is said to
  def place
    page || room
  end

  # @return [Remark] itself, or what it replies to
  def first
    parent || self
  end

  # @return [Boolean] false, with errors, if the words will not do
  def edit(body, by:, words: nil, at: Time.current)
    before = self.body
    self.body = Said.keep(body, by: by)
    self.words = Said.line(words) if kind == "proposal" && words
    return true unless changed?

    transaction { update(edited_at: at) && (address_people(by: by, at: at, before: before) || true) }
  end

  # Its words go; where something was said to it, its place is left.
  def remove(by:, at: Time.current)
    transaction do
      tell(:remark_removed, by: by, at: at) unless author_id == by.id
      next destroy! && parent&.judge if replies.kept.none?

      update!(body: "", words: nil, quote: nil, removed_at: at)
      parent&.judge
    end
  end

  def removed?
    removed_at.present?
  end

  def done?
    DONE.include?(standing)
  end

  # Writes that something was done to it, and who is addressed by it.
  def tell(act, by:, at: Time.current)
    Happening.write(act, place, by: by, at: at, remark: public_id, draft: (true if draft))
    address_people(by: by, at: at) if ACTS.value?(act)
  end

  private

  # Whoever is named in it for the first time.
  def address_people(by:, at:, before: "")
    people = Zuhause::Talk::Words.people(body) - Zuhause::Talk::Words.people(before) - [ by.public_id ]
    Happening.write(:addressed, place, by: by, at: at, remark: public_id, draft: (true if draft), people: people) if people.any?
  end

  def of_one_place_with_its_parent
    errors.add(:base, :invalid) if parent && (parent.parent_id || parent.place != place || kind != "reply")
  end
end
