# What points to a page, to one part of it, to a file or a source, as far as the viewer may know: pages whose published text
# does, or whose draft where the viewer sees that; and what is set apart from any text.
class LinkedFrom
  # A page that points here: +places+ in its text, and whether only its draft does.
  Link = Struct.new(:page, :places, :draft) do
    # @return [String, nil] the words around the first
    def context
      places.first&.context
    end
  end
  # A place in a text: the words around it, the block, and whether what is pointed to is shown there live.
  Place = Struct.new(:context, :block_id, :live)

  BESIDE = 20 # are told beside a page; the rest on a screen of its own
  PLACES = 10 # of one page

  # @param target [Page, PageFile, Source, Zuhause::Links::Target]
  # @param viewer [Viewer]
  # @param block [String, nil] the id of one block of the page
  def initialize(target, viewer, block: nil)
    @target, @viewer, @block = target, viewer, block
  end

  # @return [Integer] pages
  def count
    linking.size
  end

  # @return [Integer] pages that show it, or a passage of it
  def count_of_shown_on
    showing.size
  end

  # @return [Integer] pages that link to it or show it
  def count_of_all
    (linking | showing).size
  end

  # @return [Array<Link>] one for each page that links here, in the order of their titles
  def links(limit: BESIDE, offset: 0)
    told(Page.where(id: linking).order(Arel.sql("pages.title COLLATE NOCASE"), :id), LINKS, limit, offset)
  end

  # @return [Array<Page>] pages that show it, or a passage of it
  def shown_on(limit: BESIDE, offset: 0)
    Page.where(id: showing).order(Arel.sql("pages.title COLLATE NOCASE"), :id).limit(limit).offset(offset).to_a
  end

  # @return [Array<Link>] all pages, room by room
  def by_room(limit:, offset: 0)
    all = Page.where(id: linking | showing).joins(:room).includes(:room)
    told(all.order("rooms.position", "rooms.id", Arel.sql("pages.title COLLATE NOCASE"), :id), LINKS + INSERTS, limit, offset)
  end

  # @param live [Boolean] whether pages that show it live count as well
  # @return [Hash{String=>Integer}] how many pages lead to single blocks of the page
  def by_block(live: true)
    found.select { |row| row.block && (live || LINKS.include?(row.use)) }.group_by(&:block).transform_values { |rows| rows.map(&:id).uniq.size }
  end

  # @return [Array<Reference>] what is set apart from any text: front pages, links in the plan, templates
  def set
    return [] unless @target.is_a?(Page) && @block.nil?

    Reference.where(stage: "set").to(*identity).includes(:room, :page).select do |row|
      row.page_id ? @viewer.sees?(row.page) : row.room_id.nil? || Room.seen_by(@viewer).exists?(row.room_id)
    end
  end

  private

  LINKS, INSERTS = %w[link title file cite], %w[insert]
  Row = Struct.new(:id, :room_id, :use, :promised, :block, :draft)
  private_constant :LINKS, :INSERTS, :Row

  def linking
    @linking ||= found.select { |row| LINKS.include?(row.use) }.map(&:id).uniq
  end

  def showing
    @showing ||= found.select { |row| INSERTS.include?(row.use) }.map(&:id).uniq
  end

  def found
    @found ||= rows.reject { |row| own?(row) || (row.promised && @target.is_a?(Page) && !kept_here?(row)) }
  end

  # A page's links to its own parts are none of anybody else's.
  def own?(row)
    @target.is_a?(Page) && @block.nil? && row.id == @target.id && row.use != "insert"
  end

  def rows
    @rows ||= SeenReferences.of(pointing(LINKS + INSERTS), @viewer).distinct.pluck("pages.id", "pages.room_id", :use, Arel.sql("CASE target_kind WHEN 'promise' THEN target_id END"), :target_block, :stage).map { |*row, stage| Row.new(*row, stage == "draft") }
  end

  def pointing(uses)
    all = Reference.in_texts.where(use: uses)
    return all.merge(Mending.pointing(@target)) if @target.is_a?(Zuhause::Links::Target)
    return all.to(*identity).where(target_block: @block) if @block
    return all.to(*identity) unless @target.is_a?(Page)

    forwarded(all).inject(all.to(*identity).or(all.to(:promise, Promise.where(page: @target).select(:title)))) { |found, more| found.or(more) }
  end

  # What leads to pages that were joined to this one, and to parts that it was made of.
  def forwarded(all)
    return [] unless Forwarding.pages_come_to(@viewer).include?(@target.id)

    whole, parts = (@forwardings ||= Forwarding.where(page: @target).pluck(:from_page, :from_block)).partition { |_id, block| block.empty? }
    of_parts = parts.group_by(&:first).except(*whole.map(&:first)).map { |id, rows| all.to(:page, id).where(target_block: rows.map(&:last)) }
    whole.any? ? [ all.to(:page, whole.map(&:first)), *of_parts ] : of_parts
  end

  def identity
    [ @target.is_a?(PageFile) ? :file : @target.class.name.downcase, @target.public_id ]
  end

  # A promised title may have been kept by several pages; from each room it leads to one of them.
  def kept_here?(row)
    @nearest ||= Promise.rows(rows.filter_map(&:promised).uniq, viewer: @viewer).then do |kept|
      Room.where(id: rows.map(&:room_id).uniq).to_h { |room| [ room.id, Promise.nearest(kept, room) ] }
    end
    @nearest[row.room_id][row.promised] == @target
  end

  def told(pages, uses, limit, offset)
    shown = pages.limit(limit).offset(offset).to_a
    published = found.reject(&:draft).to_set(&:id)
    places = places_of(shown, published, uses)
    shown.map { |page| Link.new(page, places.fetch(page.id, []), published.exclude?(page.id)) }
  end

  # Of a page whose edition points here, those of the edition; of others those of the draft.
  def places_of(pages, published, uses)
    return {} if pages.empty?

    rows = pointing(uses).where(page_id: pages).order(:id).pluck(:page_id, :stage, :context, :block_id, :use)
    kept = rows.select { |id, stage, *| stage == (published.include?(id) ? "edition" : "draft") }
    kept.group_by(&:first).transform_values { |all| all.first(PLACES).map { |_id, _stage, context, block, use| Place.new(context, block, INSERTS.include?(use)) } }
  end
end
