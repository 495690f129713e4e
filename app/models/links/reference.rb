# One thing that points somewhere: a place in the draft or the edition of a page (stage "draft", "edition"), or what is set
# apart from any text (stage "set"): the front page of a room or of the house, a link in the plan, a cover, an icon, a
# template. Whoever sees +page+, or else +room+, may know of it; of what has neither, everybody.
class Reference < ApplicationRecord
  USES = %w[link insert title mention task file cite front plan look template].freeze
  IN_TEXT = %w[draft edition].freeze
  COLUMNS = %w[page_id room_id signpost_id stage use target_kind target_id target_block target block_id label context].freeze

  belongs_to :page, optional: true
  belongs_to :room, optional: true
  belongs_to :signpost, optional: true

  scope :from_editions, -> { where(stage: "edition") }
  scope :in_texts, -> { where(stage: IN_TEXT) }
  # All of one kind, which is rare among what texts point to: the database takes the kinds to be equally common.
  scope :of_kind, ->(kind) { from("\"references\" INDEXED BY index_references_on_target_kind_and_target_id").where(target_kind: kind.to_s) }
  scope :to, ->(kind, ids) { where(target_kind: kind.to_s, target_id: ids) }

  class << self
    def follow_draft(page, draft)
      ReferenceRows.of_text(page, "draft", draft.points).write
    end

    def follow_edition(page, edition)
      ReferenceRows.of_text(page, "edition", edition.points).write
    end

    def follow_founding(founded)
      texts = founded.flat_map { |each| [ [ each.page, "draft", each.draft ], [ each.page, "edition", each.edition ] ] }
      rows = texts.flat_map { |page, stage, text| text ? ReferenceRows.of_text(page, stage, text.points).rows : [] }
      put_in(rows) if rows.any?
    end

    # Titles are compared by the rules of another language.
    def follow_language(page)
      ReferenceRows.of_page(page).each(&:write)
    end

    # What is set by itself points elsewhere now.
    #
    # @param holder [Pointing]
    def follow_set(holder)
      ReferenceRows.set_by(holder).write
    end

    # What is gone is no front page, cover or template any more.
    def let_go(use, kind, ids)
      where(stage: "set", use: use).to(kind, ids).delete_all
    end

    # Works all rows out again from what they tell of.
    #
    # @return [Integer] rows that were not as they should be
    def rebuild
      Promise.rebuild
      Page.in_batches(of: 100).sum { |pages| pages.sum { |page| transaction { ReferenceRows.of_page(page.lock!).sum(&:write) } } } + rebuild_set + PartsLedTo.rebuild
    end

    # @return [Integer]
    def rebuild_set
      Pointing.all.sum { |holder| transaction { ReferenceRows.set_by(holder).write } }
    end

    # @return [Array<String>] whose rows are not as they should be
    def astray
      pages = Page.find_each.select { |page| ReferenceRows.of_page(page).any?(&:astray?) }.map { |page| "page #{page.id}" }
      pages += PartsLedTo.astray.map { |page| "parts of page #{page.id}" }
      pages + Pointing.all.select { |holder| ReferenceRows.set_by(holder).astray? }.map { |holder| "#{holder.class.name.downcase} #{holder.id}" }
    end
  end
end
