# That a page is to be published at a set time: just the state that was set, by whoever set it, if rights, rules and reviews let
# them then. What cannot be done at that time is held up with the reason, and waits for somebody.
class TimedPublication < ApplicationRecord
  # Why it was held up.
  REASONS = %w[rights reviewed unsettled unchanged binned archived].freeze

  belongs_to :page
  belongs_to :person
  belongs_to :review, optional: true

  normalizes :note, with: ->(note) { Zuhause::Document::Title.clean(note) }
  validates :note, length: { maximum: 300 }
  validates :due_at, presence: true, comparison: { greater_than: ->(timed) { timed.created_at || Time.current }, allow_nil: true }
  validates :held_up, inclusion: { in: REASONS }, allow_nil: true

  scope :due, ->(now) { where(due_at: ..now, held_up: nil).order(:due_at, :id) }
  scope :soonest_first, -> { order(:due_at, :id) }

  class << self
    # Sets the draft of a page to be published. What was set of it before is taken back.
    #
    # @param due_at [Time]
    # @return [TimedPublication] with errors if what is given will not do
    def set(page, due_at:, by:, note: "", small: false, review: nil, at: Time.current)
      draft = page.draft
      made = new(page: page, person: by, due_at: due_at, note: note, small: small, review: review, draft_version: draft.version, title: draft.title, digest: draft.digest, created_at: at)
      return made unless made.valid?

      transaction do
        where(page: page).delete_all
        made.save!
        Happening.write(:publication_set, page, by: by, at: at, due: due_at.utc.iso8601)
      end
      made
    end

    # Publishes what is due. One that fails holds up no other.
    def carry_out(now: Time.current)
      due(now).ids.each do |id|
        find_by(id: id)&.carry_out(now: now)
      rescue StandardError => e
        Rails.error.report(e, handled: true, context: { timed_publication: id })
      end
    end

    # Whatever else becomes the newest edition takes the place of what was set.
    def follow_edition(page, edition)
      where(page: page).find_each do |timed|
        timed.delete
        Happening.write(:publication_overtaken, page, by: edition.author, at: edition.published_at, people: [ timed.person.public_id ])
      end
    end
  end

  # @return [Boolean] whether the draft is another by now than what was set
  def draft_moved_on?
    page.draft.version != draft_version
  end

  def take_back(by:, at: Time.current)
    transaction do
      delete
      Happening.write(:publication_unset, page, by: by, at: at)
    end
  end

  # @return [Edition, nil] nil if it was held up, or somebody else was quicker
  def carry_out(now: Time.current)
    transaction do
      next unless self.class.due(now).exists?(id: id)

      reason = hindrance
      next hold_up(reason, now) && nil if reason

      delete
      page.publish_as_set(self, at: now)
    end
  rescue Page::Reviewed::Unreviewed then hold_up("reviewed", now) && nil
  rescue Page::Publishing::Unsettled then hold_up("unsettled", now) && nil
  rescue Page::Publishing::Unchanged then hold_up("unchanged", now) && nil
  end

  private

  def hindrance
    page.reload
    return "binned" if page.binned?
    return "archived" if page.room.archived?

    "rights" if person.suspended? || !Zuhause::Access::Level.at_least?(Viewer.new(person).level_on(page), :write)
  end

  def hold_up(reason, now)
    transaction do
      self.class.where(id: id).update_all(held_up: reason)
      Happening.write(:publication_held_up, page, by: person, at: now, reason: reason)
    end
  end
end
