# Passages of pages that somebody reads.
class PassageList
  def initialize(viewer, of: "all")
    @viewer, @of = viewer, of
  end

  # @return [ActiveRecord::Relation<Passage>] room by room; lately: as they were published
  def passages
    found = Passage.joins(page: %i[edition room]).merge(Page.read_by(@viewer)).includes(page: %i[edition room])
    found = found.where(editions: { author_id: @viewer.person.id }) if @of == "mine"
    found.order(@of == "lately" ? Arel.sql("editions.published_at DESC, passages.id") : Arel.sql("rooms.position, rooms.id, pages.title COLLATE NOCASE, passages.id"))
  end

  # @param passages [Array<Passage>]
  # @return [Hash{Passage=>Array<Page>}] the pages on which each is shown, of those that are read
  def shown(passages)
    inserts = Reference.from_editions.where(use: "insert").to(:page, passages.map { |passage| passage.page.public_id }).where.not(target_block: nil).where(page: Page.read_by(@viewer)).distinct.pluck(:target_id, :target_block, :page_id)
    pages = Page.where(id: inserts.map(&:last)).order(Arel.sql("pages.title COLLATE NOCASE")).to_a
    by_place = inserts.group_by { |id, block, _page| [ id, block ] }.transform_values { |rows| rows.map(&:last) }
    passages.index_with { |passage| pages.select { |page| by_place.fetch([ passage.page.public_id, passage.block_id ], []).include?(page.id) } }
  end
end
