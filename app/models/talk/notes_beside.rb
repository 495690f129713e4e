# The open notes and proposals that stand beside a page's text, for one viewer.
class NotesBeside
  MOST = 400
  SHORT = 400 # characters of what was said that are looked up, more than are shown
  TOLD_APART = 600 # characters, both together, of words that are proposed for others

  COLUMNS = { id: "remarks.id", public_id: "remarks.public_id", kind: "remarks.kind", page_id: "remarks.page_id", page_key: "pages.public_id", page_title: "pages.title", author_name: "people.name",
              body: "substr(remarks.body, 1, #{SHORT})", words: "remarks.words", quote: "remarks.quote", draft: "remarks.draft", removed_at: "remarks.removed_at", created_at: "remarks.created_at",
              state: "remark_places.state", block_id: "remark_places.block_id", start: "remark_places.start", length: "remark_places.length", x: "remark_places.x", y: "remark_places.y", position: "remark_places.position" }.freeze

  # One of them in short, with where it stands: what a margin of hundreds needs, and no more.
  Note = Struct.new(*COLUMNS.keys, keyword_init: true) do
    # Long ones are told apart by word only when they are opened: hundreds would take long.
    def difference
      return Zuhause::Talk::Proposing.difference(quote.to_s, words.to_s) if quote.to_s.length + words.to_s.length <= TOLD_APART

      [ [ :removed, quote.to_s ], [ :added, words.to_s ] ].reject { |_kind, text| text.empty? }
    end

    def removed?
      !removed_at.nil?
    end

    def done?
      false
    end

    def found?
      RemarkPlace::FOUND.include?(state)
    end
  end

  attr_reader :page, :stage, :open, :viewer

  # @param stage [String] "edition" or "draft", the text that is open
  # @param open [Remark, nil] the one that is told in full
  # @param shown [Array<Page>, nil] pages that are shown live in it, where they are known
  def initialize(page, viewer, stage:, open: nil, shown: nil, said: SaidHere.new(page, viewer))
    @page, @viewer, @open, @shown, @said = page, viewer, open, shown, said
    @stage = stage == "draft" && viewer.sight_of(page) == :draft ? "draft" : "edition"
  end

  # @return [Array<Note>] in the order of the text
  def notes
    @notes ||= [ *found.select(&:found?).sort_by { |note| [ note.position, note.id ] }, *within ].first(MOST)
  end

  # @return [Integer] of the page itself
  def count
    notes.count { |note| note.page_id == @page.id }
  end

  # @return [Integer] open ones whose place is gone, or not sure
  def displaced
    found.reject(&:found?).size
  end

  # @return [Boolean] whether anything was ever said to the text
  def any?
    notes.any? || found.any? || done.positive?
  end

  # @return [Integer]
  def done
    @said.settled_notes
  end

  # @return [ToldRemarks]
  def told
    @told ||= ToldRemarks.new(notes, @viewer, replies: false)
  end

  # @return [ToldRemarks] of the one that is open
  def told_open
    @told_open ||= ToldRemarks.new([ @open ], @viewer)
  end

  # @return [Integer, nil] the version of the text that they stand beside
  def version
    @stage == "draft" ? @page.draft.version : @page.edition&.number
  end

  private

  def of_page
    Remark.of_page(@page, @viewer).firsts.of_kind(*Remark::ON_TEXT)
  end

  def found
    @found ||= @said.open_notes.positive? ? told_at(of_page.open_still, @stage) : []
  end

  # Those that stand on other pages' texts which are shown live in this one.
  def within
    ids = shown_live
    return [] if ids.empty?

    said = Remark.kept.firsts.open_still.where(kind: Remark::ON_TEXT, draft: false, page_id: ids)
    told_at(said, "edition").select(&:found?).sort_by { |note| [ note.page_id, note.position ] }
  end

  # @return [Array<Integer>] other pages that the viewer sees in it
  def shown_live
    return @shown.map(&:id).uniq - [ @page.id ] if @shown

    Page.seen_by(@viewer).where(public_id: Reference.where(page: @page, use: "insert", stage: @stage, target_kind: "page").select(:target_id)).where.not(id: @page.id).ids
  end

  def told_at(remarks, stage)
    rows = remarks.joins(:places).where(remark_places: { stage: stage }).joins(:page).left_joins(:author).pluck(*COLUMNS.values.map { |column| Arel.sql(column) })
    rows.map { |row| Note.new(**COLUMNS.keys.zip(row).to_h) }
  end
end
