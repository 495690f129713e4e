# What is to be settled of a page's draft since two wrote it, and cannot be marked in its text (Zuhause::Merging::Other): a
# value that gave way, different words in code, a picture that one changed and the other removed.
class Dispute < ApplicationRecord
  include Zuhause

  UNTOLD = %w[colwidth].freeze # the later width holds: nobody wants to settle that cell by cell
  MOST = 50 # of one page
  WORDS = Merging::MARKS # what nothing is published before

  belongs_to :page
  belongs_to :person, optional: true

  scope :oldest_first, -> { order(:id) }
  scope :of_words, -> { where(name: WORDS) }

  class << self
    # @param others [Array<Merging::Other>] what came of joining
    def keep(page, others, at:)
      told = others.reject { |other| UNTOLD.include?(other.name) }.first([ MOST - where(page: page).count, 0 ].max)
      people = Person.where(public_id: told.filter_map(&:by)).index_by(&:public_id)
      told.each { |other| find_or_create_by!(page: page, block_id: other.id.to_s, name: other.name, value: other.value) { |row| row.attributes = { person: people[other.by], created_at: at } } }
    end

    # What a draft says by itself, or no longer has, is settled.
    def follow_draft(page, draft)
      where(page: page).reject { |dispute| dispute.open_in?(draft) }.each(&:delete)
    end

    # Whoever publishes has been told of it.
    def follow_edition(page, edition)
      where(page: page).delete_all if edition.draft_version
    end
  end

  # @param draft [Draft]
  def open_in?(draft)
    Merging.open?(draft.document, draft.title, other)
  end

  # Lets the value hold that gave way, or takes out what was kept.
  # @return [Draft]
  # @raise [Document::Invalid] if it does not fit any more
  def take(by:, at: Time.current)
    draft = page.draft
    taken = name == Merging::TITLE ? draft.state.with(title: value) : draft.state.with(document: Merging.take(draft.document, other))
    transaction do
      page.save_draft(taken, base_version: draft.version, by: by, at: at).tap { |saved| saved.persisted? && destroy! }
    end
  end

  private

  def other
    Merging::Other.new(block_id.presence, name, value)
  end
end
