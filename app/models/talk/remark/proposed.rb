# Other words for a stretch of the text: taken into the draft by a writer, or declined. Whoever proposed taken words is named
# with the edition that has them.
module Remark::Proposed
  extend ActiveSupport::Concern

  included do
    belongs_to :edition, optional: true

    validates :words, length: { maximum: Zuhause::Anchors::LONGEST }

    scope :taken_for, ->(page) { where(page: page, kind: "proposal", standing: "taken", edition_id: nil) }
  end

  class_methods do
    # The edition that says what was taken names who proposed it.
    def follow_edition(page, edition)
      taken_for(page).update_all(edition_id: edition.id) if edition.draft_version
    end

    # The draft that held what was taken was thrown away: it is proposed again, for what the edition says.
    def reopen_taken(page)
      taken_for(page).includes(:places).each do |remark|
        remark.update!(standing: "open", settled_by: nil, settled_at: nil)
        published, drafted = remark.place_in("edition"), remark.place_in("draft")
        drafted.update!(published.attributes.except("id", "stage")) if published && drafted
      end
    end
  end

  # @return [Boolean] whether the text still says what the words were proposed for
  def fits?
    place = place_in("draft")
    kind == "proposal" && !removed? && place&.state == "same"
  end

  # @return [Array<Array(Symbol, String)>] see Zuhause::Talk::Proposing.difference
  def difference
    Zuhause::Talk::Proposing.difference(quote.to_s, words.to_s)
  end

  # Puts the words into the draft.
  #
  # @return [Draft]
  # @raise [Zuhause::Talk::Proposing::Unfit] if the text says something else by now
  # @raise [Zuhause::Document::Invalid]
  def take(by:, at: Time.current)
    transaction do
      reload
      raise Zuhause::Talk::Proposing::Unfit unless standing == "open" && fits?

      draft = page.draft
      @taken_at = place_in("draft").start
      document = Zuhause::Talk::Proposing.take(draft.document, place_in("draft").anchor, words.to_s)
      update!(standing: "taken", settled_by: by, settled_at: at)
      saved = page.save_draft(draft.state.with(document: document), base_version: draft.version, by: by, at: at)
      raise ActiveRecord::RecordInvalid, saved unless saved.persisted?

      stand_on_taken(saved)
      tell(:words_taken, by: by, at: at)
      saved
    end
  end

  def decline(by:, at: Time.current)
    return unless standing == "open"

    transaction do
      update!(standing: "declined", settled_by: by, settled_at: at)
      tell(:words_declined, by: by, at: at)
    end
  end

  private

  # It stands on the new words from then on.
  def stand_on_taken(draft)
    place = place_in("draft").reload
    there = draft.state.page_text.anchor(place.block_id, @taken_at, words.length) if @taken_at && words.present?
    place.update!(start: there.start, length: there.length, exact: there.exact, prefix: there.prefix, suffix: there.suffix, state: "changed") if there && there.exact == words
  end
end
