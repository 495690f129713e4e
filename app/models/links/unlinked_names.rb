# Names of pages that stand in texts without a link, as far as somebody reads the texts and sees the pages. Where names stand in each
# other those count that begin first, and of those the longest; a text that links to a page anywhere needs no more links to it.
class UnlinkedNames
  # A page that is named: +pages+, in how many texts.
  Named = Struct.new(:page, :pages, keyword_init: true)
  # Where it is named: +context+ is what stands around, +name+ between Search::OPENING and CLOSING.
  Place = Struct.new(:row, :page, :context, keyword_init: true)

  AROUND = 60 # characters to both sides

  # @param viewer [Viewer]
  # @param within [ActiveRecord::Relation<Page>, nil] in whose texts
  def initialize(viewer, within: nil)
    @viewer, @within = viewer, within
  end

  # @return [Integer] pages that are named
  def count
    tally.size
  end

  # @return [Array<Named>] those named in most texts first
  def named(limit:, offset: 0)
    rows = tally[offset, limit] || []
    pages = Page.where(id: rows.map(&:first)).includes(:room).index_by(&:id)
    rows.map { |id, number| Named.new(page: pages.fetch(id), pages: number) }
  end

  # @param page [Page] that is named
  # @return [Integer] texts
  def count_of(page)
    counting.where(target: page).distinct.count(:page_id)
  end

  # @param pages [Array<Page>]
  # @return [Hash{Integer=>Integer}] texts, by id
  def counts_of(pages)
    counting.where(target: pages).group(:target_id).distinct.count(:page_id)
  end

  # @param page [Page]
  # @return [Array<Place>] text by text
  def places_of(page, limit:, offset: 0)
    ids = counting.where(target: page).joins(:page).order(Arel.sql("pages.title COLLATE NOCASE"), :page_id).distinct.limit(limit).offset(offset).pluck(:page_id, Arel.sql("pages.title COLLATE NOCASE")).map(&:first)
    rows = counting.where(target: page, page_id: ids).includes(page: [ :room, { edition: :text } ]).to_a
    rows.sort_by { |row| [ ids.index(row.page_id), row.id ] }.filter_map { |row| place(row) }
  end

  # @param ids [Array<Integer>] of rows that were chosen
  # @return [Array<UnlinkedName>]
  def chosen(page, ids)
    counting.where(target: page, id: ids).includes(:page).to_a
  end

  private

  # @return [Array<Array(Integer, Integer)>] pages that are named, and in how many texts
  def tally
    @tally ||= counting.group(:target_id).order(Arel.sql("COUNT(DISTINCT unlinked_names.page_id) DESC, unlinked_names.target_id")).pluck(:target_id, Arel.sql("COUNT(DISTINCT unlinked_names.page_id)"))
  end

  # Row by row: there are fewer of them than of pages that one reads.
  def seen
    UnlinkedName.where(read(UnlinkedName.arel_table[:page_id])).where(read(UnlinkedName.arel_table[:target_id]))
  end

  # @param column [Arel::Attribute] holding a page's id
  def read(column)
    Page.read_by(@viewer).where(Page.arel_table[:id].eq(column)).arel.exists
  end

  # Whoever sees a draft sees what has been linked there.
  def counting
    @counting ||= (@within ? seen.where(page_id: @within.select(:id)) : seen).where.not(covered.arel.exists)
                                                                               .where(UnlinkedName.arel_table[:drafted].eq(false).or(Page.drafts_seen_by(@viewer).where("pages.id = unlinked_names.page_id").arel.exists.not))
  end

  # Another that is seen begins before it and reaches into it, or begins with it and is longer.
  def covered
    one, other = UnlinkedName.arel_table, UnlinkedName.arel_table.alias("others")
    before = other[:start].lt(one[:start]).and((other[:start] + other[:length]).gt(one[:start]))
    longer = other[:start].eq(one[:start]).and(other[:length].gt(one[:length]))
    UnlinkedName.unscoped.from(other).select("1").where(other[:page_id].eq(one[:page_id])).where(other[:block_id].eq(one[:block_id])).where(before.or(longer)).where(read(other[:target_id]))
  end

  # @return [Place, nil] nil if the text says something else by now
  def place(row)
    block = text_of(row.page).block(row.block_id) or return
    from = [ row.start - AROUND, 0 ].max
    before, name, after = block.text[from...row.start], block.text[row.start, row.length], block.text[row.start + row.length, AROUND]
    context = [ ("…" if from.positive?), before, Search::OPENING, name, Search::CLOSING, after, ("…" if row.start + row.length + AROUND < block.text.length) ].join
    Place.new(row: row, page: row.page, context: context)
  end

  def text_of(page)
    (@texts ||= {})[page.id] ||= Zuhause::Anchors::PageText.new(page.edition.document)
  end
end
