# The pages whose published text points to a page, as far as the viewer may read them.
class LinkedFrom
  Link = Struct.new(:page, :context)

  # What points to it, in one query: links and live inserts, each with the page they stand on.
  #
  # @param page [Page]
  # @param viewer [Viewer]
  def initialize(page, viewer)
    @page = page
    @viewer = viewer
  end

  # @return [Array<Link>]
  def self.of(page, viewer)
    new(page, viewer).links
  end

  # A promised title may have been kept by several pages; from each room it leads to one of them.
  #
  # @return [Array<Link>] one for each page, in the order of their titles
  def links
    pointing = rows.reject { |row| row.use == "insert" || row.id == @page.id }.select { |row| row.promised_title.nil? || kept_here?(row) }
    in_order(pointing).map { |row| Link.new(row, row.context) }
  end

  # @return [Array<Page>] pages that show it, or a passage of it
  def shown_on
    in_order(rows.select { |row| row.use == "insert" })
  end

  private

  # @return [Array<Page>] readable ones, each with what its reference says
  def rows
    @rows ||= Page.read_by(@viewer).joins(:links).where(links: { stage: "edition", use: %w[link title insert] })
                  .where("links.target_page = :id OR links.promised_title IN (SELECT title FROM promises WHERE page_id = :page)", id: @page.public_id, page: @page.id)
                  .select("pages.*", "links.use", "links.context", "links.promised_title", "links.id AS reference_id").order("links.id").to_a
  end

  def in_order(pages)
    pages.uniq(&:id).sort_by { |page| page.title.downcase }
  end

  def kept_here?(row)
    @kept ||= Hash.new { |rooms, room| rooms[room] = Promise.kept(rows.filter_map(&:promised_title).uniq, viewer: @viewer, room: room) }
    @kept[row.room][row.promised_title] == @page
  end
end
