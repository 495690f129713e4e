# Making the draft the next edition, and putting an older edition back.
module Page::Publishing
  extend ActiveSupport::Concern

  # Somebody saved a newer draft than the one that was to be published.
  class Stale < StandardError; end
  # The draft is what is published already.
  class Unchanged < StandardError; end

  included do
    has_many :editions, dependent: :delete_all
    belongs_to :edition, optional: true
  end

  def published?
    edition_id.present?
  end

  # @param version [Integer] the draft's version that was seen when deciding to publish
  # @param small [Boolean] kept in the history, announced to nobody
  # @return [Edition]
  # @raise [Stale, Unchanged]
  def publish(version:, by:, note: "", small: false, at: Time.current)
    transaction do
      reload
      raise Stale unless draft.version == version
      raise Unchanged unless unpublished_changes?

      add_edition(title: draft.title, document: draft.document, draft_version: version, author: by, note: note, small: small, published_at: at)
    end
  end

  # Makes an older edition the newest again. A draft with unpublished changes is left as it is; any other follows.
  #
  # @param old [Edition] one of this page
  # @return [Edition] the new one
  def put_back(old, by:, at: Time.current)
    transaction do
      reload
      raise Unchanged if old.id == edition_id

      saved = save_draft(base_version: draft.version, save_id: SecureRandom.uuid, title: old.title, document: old.document, by: by, at: at) unless unpublished_changes?
      note = I18n.t("editions.put_back_note", number: old.number)
      add_edition(title: old.title, document: old.document, draft_version: saved&.version, author: by, note: note, small: false, published_at: at)
    end
  end

  # Goes back to what is published: the draft says the same as the newest edition, and what it said stays among the
  # earlier states.
  #
  # @param version [Integer] the draft's version that was seen when deciding to
  # @return [Draft] the state that was thrown away
  # @raise [Stale, Unchanged]
  def discard_draft(version:, by:, at: Time.current)
    transaction do
      reload
      raise Unchanged unless unpublished_changes?

      thrown = draft
      saved = save_draft(base_version: version, save_id: SecureRandom.uuid, title: edition.title, document: edition.document, by: by, at: at)
      raise Stale if saved.refused?

      Edition.where(id: edition_id).update_all(draft_version: saved.version) # which draft it equals; what it says never changes
      thrown
    end
  end

  # @return [Naming, nil] who was newly named by what was published last
  attr_reader :naming

  private

  def add_edition(attributes)
    number = editions.maximum(:number).to_i + 1
    new_edition = editions.create!(attributes.merge(number: number))
    update!(edition: new_edition, title: new_edition.title)
    Section.record(self, new_edition.title, new_edition.document)
    named_before = Naming.named_in(self)
    Reference.record(self, :edition, new_edition.document)
    Task.record(self, new_edition.document)
    @naming = Naming.new(self, by: new_edition.author, before: named_before)
    new_edition
  end
end
