# Full text of published pages: for each page the section that answers best, only of pages the viewer may read.
class Search
  PER_PAGE = 20
  # What surrounds a found word in a snippet: characters that no document can hold.
  OPENING, CLOSING = "\u0002", "\u0003"
  MORE = 3

  Result = Struct.new(:page, :section, :snippet, :others, keyword_init: true)

  attr_reader :query

  def initialize(text, viewer)
    @text = text.to_s
    @query = Zuhause::Finding::Query.new(text)
    @viewer = viewer
  end

  def text
    @text.valid_encoding? ? @text.first(Zuhause::Finding::Query::LONGEST) : ""
  end

  # @return [Integer] pages found
  def count
    query.blank? ? 0 : select_value("SELECT COUNT(DISTINCT page_id) FROM found")
  end

  # @return [Array<Result>] pages whose title has all the words first, then those with a heading that has, then the rest
  def results(offset: 0)
    return [] if query.blank?

    rows = select_rows(<<~SQL, limit: PER_PAGE, offset: offset)
      SELECT id FROM (SELECT *, ROW_NUMBER() OVER (PARTITION BY page_id ORDER BY tier, heading_or_text DESC, CASE WHEN heading_or_text THEN rank ELSE position END, position) AS place FROM found)
      WHERE place = 1 ORDER BY tier, rank, id LIMIT :limit OFFSET :offset
    SQL
    build(rows.flatten)
  end

  private

  def build(ids)
    sections = Section.where(id: ids).includes(page: :room).index_by(&:id)
    others = others(sections.values)
    ids.map do |id|
      section = sections.fetch(id)
      Result.new(page: section.page, section: section, snippet: snippet(section), others: others.fetch(section.page_id, []))
    end
  end

  # The index's own function would look for the words once more for each row.
  def snippet(section)
    Zuhause::Finding::Snippet.of(section.body, query, opening: OPENING, closing: CLOSING)
  end

  # Further sections of the same pages that have the words under a heading of their own.
  def others(best)
    ids = select_rows("SELECT id FROM found WHERE page_id IN (:pages) AND heading_or_text ORDER BY rank", pages: best.map(&:page_id)).flatten
    Section.where(id: ids - best.map(&:id)).where.not(heading: "").in_order_of(:id, ids).group_by(&:page_id).transform_values { |s| s.first(MORE) }
  end

  def found
    <<~SQL
      WITH hits AS MATERIALIZED (SELECT rowid, bm25(section_index, 8.0, 4.0, 1.0) AS rank FROM section_index WHERE section_index MATCH :query),
      titles AS MATERIALIZED (SELECT rowid FROM section_index WHERE section_index MATCH :in_title),
      headings AS MATERIALIZED (SELECT rowid FROM section_index WHERE section_index MATCH :in_heading),
      texts AS MATERIALIZED (SELECT rowid FROM section_index WHERE section_index MATCH :in_section),
      found AS (
        SELECT sections.id, sections.page_id, sections.position, hits.rank,
               CASE WHEN hits.rowid IN titles THEN 0 WHEN hits.rowid IN headings THEN 1 ELSE 2 END AS tier,
               hits.rowid IN texts AS heading_or_text
        FROM hits JOIN sections ON sections.id = hits.rowid
        WHERE sections.page_id IN (#{Page.read_by(@viewer).select(:id).to_sql})
      )
    SQL
  end

  def select_value(sql)
    connection.select_value(bind("#{found} #{sql}"))
  end

  def select_rows(sql, **values)
    connection.select_rows(bind(sql.include?("found") ? "#{found} #{sql}" : sql, **values))
  end

  def bind(sql, **values)
    words = query.to_fts5
    Section.sanitize_sql([ sql, values.merge(query: words, in_title: "{title} : (#{words})", in_heading: "{heading} : (#{words})",
                                             in_section: "{heading body} : (#{words})") ])
  end

  def connection
    Section.connection
  end
end
