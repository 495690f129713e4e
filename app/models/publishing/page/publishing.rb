# Making the draft the next edition, and putting an older edition back.
module Page::Publishing
  extend ActiveSupport::Concern

  # Somebody saved a newer draft than the one that was to be published.
  class Stale < StandardError; end
  # Two wrote in one place of the draft, and it is not settled whose words hold.
  class Unsettled < StandardError; end
  # The draft is what is published already.
  class Unchanged < StandardError; end

  # What follows an edition, in this order, whatever way it came to be: each is told by +follow_edition(page, edition)+. A
  # subject adds a line.
  FOLLOWED_BY = %w[Section CheckDate TextDate CountedPage Passage Reference Forwarding PartsLedTo Task PageFile Dispute RemarkPlace Remark Review EditionWriter Changer TimedPublication Attribution Follow UnlinkedName].freeze

  included do
    has_many :editions
    belongs_to :edition, optional: true
  end

  def published?
    edition_id.present?
  end

  # @param version [Integer] the draft's version that was seen when deciding to publish
  # @param small [Boolean] kept in the history, announced to nobody
  # @return [Edition]
  # @raise [Stale, Unchanged, Unsettled, Page::Reviewed::Unreviewed]
  def publish(version:, by:, note: "", small: false, at: Time.current)
    prepared = draft.state.prepare_edition
    transaction do
      reload
      raise Stale unless draft.version == version
      raise Unchanged unless unpublished_changes?
      raise Unsettled if unsettled.positive?

      issue(prepared.same?(draft.state) ? prepared : draft.state, draft: draft, by: by, note: note, small: small, at: at)
    end
  end

  # @return [Integer] places of the draft at which two wrote, and which nobody has settled
  def unsettled
    Zuhause::Merging.open_in(draft.document) + disputes.of_words.count
  end

  # Makes an older edition the newest again, with what has been ticked since. A draft with unpublished changes is left as it
  # is; any other follows.
  #
  # @param old [Edition] one of this page
  # @return [Edition] the new one
  def put_back(old, by:, at: Time.current)
    transaction do
      reload
      raise Unchanged if old.id == edition_id

      state = ticked_since(old, old.published_at)
      saved = save_draft(state, base_version: draft.version, by: by, at: at) unless unpublished_changes?
      issue(saved&.state || state, draft: saved, by: by, note: I18n.t("editions.put_back_note", number: old.number), at: at, act: :restored)
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

      raise Stale unless draft.version == version

      thrown = draft
      saved = save_draft(ticked_since(edition, edition.published_at), base_version: version, by: by, at: at)
      Edition.where(id: edition_id).update_all(draft_version: saved.version) # which draft it equals; what it says never changes
      Changer.where(page: self).delete_all # it holds nobody's changes any more
      Attribution.follow_discard(self)
      Remark.reopen_taken(self)
      Happening.write(:discarded, self, by: by, at: at)
      thrown
    end
  end

  # @return [Array<Person>] whom the edition published last names for the first time and who may not read it
  attr_reader :named_outside

  private

  # @param holder [Edition, Draft] an older state
  # @return [State] what it says, with what has been ticked since then
  def ticked_since(holder, time)
    holder.state.with(document: Tick.since(self, time).lay_over(holder.document))
  end

  # The one door by which an edition comes to be.
  #
  # @param draft [Draft, nil] the draft that says the same, if one does
  # @param act [Symbol] what is said to have happened
  def issue(state, draft:, by:, at:, note: "", small: false, act: :published)
    reviewed = judge_review(state, small: small)
    named_before = Naming.in(self)
    created = editions.create!(number: editions.maximum(:number).to_i + 1, state: state, reviewed: reviewed, draft_version: draft&.version, author: by, note: note, small: small, published_at: at, **Attribution.size_of_change(edition&.state, state))
    update!(edition: created, title: created.title)
    FOLLOWED_BY.each { |follower| follower.constantize.follow_edition(self, created) }
    Happening.write(act, self, by: by, at: at, small: small, edition: created.number, note: created.note)
    @named_outside = Naming.follow(self, before: named_before, by: by, at: at)
    created
  end
end
