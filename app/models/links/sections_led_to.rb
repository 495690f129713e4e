# The parts of a page that others lead to by themselves: sections, passages, any block with something pointing at it.
class SectionsLedTo
  # +title+ is what the part is called; +count+ is of pages that the viewer may know of.
  Part = Struct.new(:block_id, :title, :count)

  LONGEST = 60 # characters of a block that has no title

  # @param page [Page]
  # @param viewer [Viewer]
  def initialize(page, viewer)
    @page, @viewer = page, viewer
  end

  # @return [Array<Part>] in the order of what the viewer sees of the page
  def of_shown
    counts.empty? ? [] : parts(@page.edition&.document || @page.draft.document)
  end

  # @return [Array<Part>] that are published and gone from the draft, of those that links lead to
  def to_lose
    linked = @page.edition ? from.by_block(live: false) : {}
    return [] if linked.empty?

    left = ids(@page.draft.document)
    parts(@page.edition.document, linked).reject { |part| left.include?(part.block_id) }
  end

  private

  def from
    @from ||= LinkedFrom.new(@page, @viewer)
  end

  def counts
    @counts ||= from.by_block
  end

  def parts(document, counts = self.counts)
    Zuhause::Document::Walk.blocks(document).select { |block| counts.key?(block.dig("attrs", "id")) }.map do |block|
      name = block.dig("attrs", "name").presence || block.dig("attrs", "title").presence || Zuhause::Document::Text.of(block).squish
      Part.new(block.dig("attrs", "id"), name.truncate(LONGEST, omission: "…"), counts.fetch(block.dig("attrs", "id")))
    end
  end

  def ids(document)
    Zuhause::Document::Walk.blocks(document).to_set { |block| block.dig("attrs", "id") }
  end
end
