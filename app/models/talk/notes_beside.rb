# The open notes and proposals that stand beside a page's text, for one viewer.
class NotesBeside
  MOST = 400

  attr_reader :page, :stage, :open, :viewer

  # @param stage [String] "edition" or "draft", the text that is open
  # @param open [Remark, nil] the one that is told in full
  def initialize(page, viewer, stage:, open: nil)
    @page, @viewer, @open = page, viewer, open
    @stage = stage == "draft" && viewer.sight_of(page) == :draft ? "draft" : "edition"
  end

  # @return [Array<RemarkPlace>] in the order of the text, each with its remark
  def places
    @places ||= [ *found.select(&:found?).sort_by { |place| [ place.position, place.remark_id ] }, *within ].first(MOST)
  end

  # @return [Integer] of the page itself
  def count
    places.count { |place| place.remark.page_id == @page.id }
  end

  # @return [Integer] open ones whose place is gone, or not sure
  def displaced
    found.reject(&:found?).size
  end

  # @return [Boolean] whether anything was ever said to the text
  def any?
    @viewer.signed_in? && (places.any? || found.any? || of_page.exists?)
  end

  # @return [Integer]
  def done
    @done ||= of_page.where(standing: Remark::DONE).count
  end

  def told
    @told ||= ToldRemarks.new(places.map(&:remark), @viewer, replies: false)
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
    Remark.of_page(@page, @viewer).firsts.of_kind(*Remark::ON_TEXT).where.not("removed_at IS NOT NULL AND standing IN (?)", Remark::DONE)
  end

  # Those that stand on other pages' texts which are shown live in this one.
  def within
    ids = @viewer.signed_in? ? Reference.where(page: @page, use: "insert", stage: @stage, target_kind: "page").distinct.pluck(:target_id) - [ @page.public_id ] : []
    return [] if ids.empty?

    said = Remark.kept.firsts.open_still.where(kind: Remark::ON_TEXT, draft: false, page_id: Page.seen_by(@viewer).where(public_id: ids).select(:id))
    RemarkPlace.where(stage: "edition", state: RemarkPlace::FOUND).joins(:remark).merge(said).includes(remark: %i[author page]).order(:position).to_a
  end

  def found
    @found ||= @viewer.signed_in? ? RemarkPlace.where(stage: @stage).joins(:remark).merge(of_page.open_still).includes(remark: :author).to_a : []
  end
end
