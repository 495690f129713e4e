# Where a remark stands in what is published, or in the draft, now: carried from one state of the page to the next
# (Zuhause::Anchors). What is not found any more keeps what was quoted last, and is looked for again in the next.
class RemarkPlace < ApplicationRecord
  STAGES = %w[edition draft].freeze
  FOUND = %w[same changed].freeze

  belongs_to :remark

  class << self
    # @param document [Hash]
    # @param pointed [Remark::OnText::Pointed]
    # @return [Zuhause::Anchors::Anchor, nil] what was pointed at
    def anchor(document, pointed)
      text = Zuhause::Anchors::PageText.new(document)
      return text.whole_block(pointed.block) unless pointed.start && pointed.length&.between?(1, Zuhause::Anchors::LONGEST)

      anchor = text.anchor(pointed.block, pointed.start, pointed.length)
      return anchor if anchor && (pointed.quote.blank? || same?(anchor.exact, pointed.quote))

      quoted(text, pointed) || text.whole_block(pointed.block)
    end

    # @param anchor [Zuhause::Anchors::Anchor] in some state of the page
    # @param state [State] in which it is to stand
    # @param point [Hash] x and y, in a picture
    def put(remark, stage, anchor, state, point)
      found = Zuhause::Anchors.find_all([ anchor ], text = state.page_text).first
      create!(remark: remark, stage: stage, **point, **stretch(found.anchor || anchor), **judged(found, remark, text))
    end

    # What follows a draft: each is looked for in what is saved.
    def follow_draft(page, draft)
      carry(page, "draft", draft.state)
    end

    # What follows an edition: where it says what the draft says, what stands there stands here. What was said to the draft is
    # open to all readers once they read the words that it quotes.
    def follow_edition(page, edition)
      return unless of(page, "draft").exists?

      page.draft&.digest == edition.digest ? copy_from_draft(page) : carry(page, "edition", edition.state)
      open_up(page)
    end

    # Nothing is published any more.
    def let_go(page)
      of(page, "edition").delete_all
    end

    # Remarks of one page go to another with what they stand on.
    #
    # @param remarks [ActiveRecord::Relation<Remark>]
    # @param to [Page]
    # @param blocks [Hash{String=>String}] ids of blocks there by those here
    def move(remarks, to:, blocks: {})
      ids = remarks.ids
      return if ids.empty?

      where(remark_id: ids).find_each { |place| place.update!(block_id: blocks.fetch(place.block_id, place.block_id)) }
      Remark.where(id: ids).or(Remark.where(parent_id: ids)).update_all(page_id: to.id)
    end

    # Looks for all of a page's places anew, in what is published and in the draft.
    def carry_all(page)
      carry(page, "edition", page.edition.state) if page.edition
      carry(page, "draft", page.draft.state)
    end

    private

    def of(page, stage)
      where(stage: stage, remark_id: Remark.where(page: page, kind: Remark::ON_TEXT).select(:id))
    end

    def carry(page, stage, state)
      rows = of(page, stage).includes(:remark).to_a
      return if rows.empty?

      text = state.page_text
      found = rows.partition(&:found?).zip([ true, false ]).flat_map { |some, alike| some.zip(Zuhause::Anchors.find_all(some.map(&:anchor), text, alike: alike)) }
      write(found.map { |row, each| row.tap { row.assign_attributes(**stretch(each.anchor || row.anchor), **judged(each, row.remark, text)) } })
    end

    # All that changed in one statement: a save may move many a little.
    def write(rows)
      changed = rows.select(&:changed?)
      upsert_all(changed.map(&:attributes), unique_by: :id, record_timestamps: false) if changed.any?
    end

    def copy_from_draft(page)
      of(page, "edition").delete_all
      rows = of(page, "draft").map { |place| place.attributes.except("id").merge("stage" => "edition") }
      insert_all!(rows) if rows.any?
    end

    # A quotation that no edition has held stays with those who see drafts.
    def open_up(page)
      ids = of(page, "edition").where(state: "same").joins(:remark).where(remarks: { draft: true }).pluck(:remark_id)
      Remark.where(id: ids).or(Remark.where(parent_id: ids)).update_all(draft: false) if ids.any?
    end

    def stretch(anchor)
      { block_id: anchor.block, start: anchor.start, length: anchor.length, exact: anchor.exact, prefix: anchor.prefix, suffix: anchor.suffix, file: anchor.file }
    end

    # Other words than were quoted at first are said to be others, however they were found; those that come back are the same.
    def judged(found, remark, text)
      same = found.anchor&.exact == remark.quote && (found.state == :same || !found.anchor.whole?)
      state = found.anchor ? (same ? :same : :changed) : found.state
      { state: state.to_s, position: found.anchor ? text.place(found.anchor) : 0, candidates: found.candidates.map { |one| stretch(one).slice(:block_id, :start, :length, :exact) }.presence }
    end

    def quoted(text, pointed)
      block = text.block(pointed.block)
      quote = pointed.quote.to_s.strip
      return if block.nil? || quote.empty?

      at = block.text.index(quote)
      at && text.anchor(block.id, at, quote.length)
    end

    # However blanks are shown.
    def same?(one, other)
      one.squish == other.squish
    end
  end

  # @return [Zuhause::Anchors::Anchor]
  def anchor
    Zuhause::Anchors::Anchor.new(block: block_id, start: start, length: length, exact: exact, prefix: prefix, suffix: suffix, file: file)
  end

  def found?
    FOUND.include?(state)
  end

  # Somebody says which of several likely places is meant.
  #
  # @param number [Integer] one of its candidates
  def take(number)
    candidate = (candidates.to_a[number] if number >= 0) or return false
    current = (stage == "edition" ? remark.page.edition : remark.page.draft).state
    anchor = current.page_text.anchor(candidate["block_id"], candidate["start"], candidate["length"]) or return false

    remark.update!(quote: anchor.exact)
    update!(block_id: anchor.block, start: anchor.start, length: anchor.length, exact: anchor.exact, prefix: anchor.prefix, suffix: anchor.suffix,
            state: "same", candidates: nil, position: current.page_text.place(anchor))
  end
end
