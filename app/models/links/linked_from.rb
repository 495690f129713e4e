# The pages whose published text points to a page, as far as the viewer may read them: by links, and by showing it live.
class LinkedFrom
  Link = Struct.new(:page, :context)

  BESIDE = 20 # are told beside a page; the rest on a screen of its own

  # @param page [Page]
  # @param viewer [Viewer]
  def initialize(page, viewer)
    @page = page
    @viewer = viewer
  end

  # @return [Integer]
  def count
    linking.size
  end

  # @return [Integer]
  def count_of_shown_on
    showing.size
  end

  # @return [Array<Link>] one for each page, in the order of their titles, each with the words around its first link
  def links(limit: BESIDE, offset: 0)
    pages = in_order(linking, limit, offset)
    contexts = pages.any? ? pointing(LINKS).where(page_id: pages).order(id: :desc).pluck(:page_id, :context).to_h : {}
    pages.map { |page| Link.new(page, contexts.fetch(page.id)) }
  end

  # @return [Array<Page>] pages that show it, or a passage of it
  def shown_on(limit: BESIDE, offset: 0)
    in_order(showing, limit, offset)
  end

  private

  LINKS, INSERTS = %w[link title], %w[insert]
  Row = Struct.new(:id, :room_id, :use, :promised_title)
  private_constant :LINKS, :INSERTS, :Row

  def linking
    @linking ||= rows.select { |row| LINKS.include?(row.use) && row.id != @page.id && (row.promised_title.nil? || kept_here?(row)) }.map(&:id).uniq
  end

  def showing
    @showing ||= rows.select { |row| INSERTS.include?(row.use) }.map(&:id).uniq
  end

  # Readable pages, and by what they point here, also by a title that was promised.
  def rows
    @rows ||= pointing(LINKS + INSERTS).joins(:page).merge(Page.read_by(@viewer)).distinct.pluck("pages.id", "pages.room_id", :use, :promised_title).map { |row| Row.new(*row) }
  end

  def pointing(use)
    all = Reference.where(stage: "edition", use: use)
    all.where(target_page: @page.public_id).or(all.where(promised_title: Promise.where(page: @page).select(:title)))
  end

  # A promised title may have been kept by several pages; from each room it leads to one of them.
  def kept_here?(row)
    @nearest ||= Promise.rows(rows.filter_map(&:promised_title).uniq, viewer: @viewer).then do |kept|
      Room.where(id: rows.map(&:room_id).uniq).to_h { |room| [ room.id, Promise.nearest(kept, room) ] }
    end
    @nearest[row.room_id][row.promised_title] == @page
  end

  def in_order(ids, limit, offset)
    ids.any? ? Page.where(id: ids).order(Arel.sql("pages.title COLLATE NOCASE"), :id).limit(limit).offset(offset).to_a : []
  end
end
