# Full text of published pages: for each page the section that answers best, only of pages the viewer may read.
class Search
  PER_PAGE = 20
  MOST = 500 # sections; of words found in more, the newest pages' sections are told
  # What surrounds a found word in a snippet: characters that no document can hold.
  OPENING, CLOSING = "\u0002", "\u0003"
  MORE = 3

  Result = Struct.new(:page, :section, :snippet, :others, keyword_init: true)

  attr_reader :query, :filters

  # @param filters [SearchFilters, nil]
  # @param most [Integer] sections that are ranked
  # @param titles_apart [Boolean] whether pages found by their titles are told elsewhere
  def initialize(text, viewer, filters: nil, most: MOST, titles_apart: false)
    @most, @titles_apart = most, titles_apart
    @text = text.to_s
    @query = Zuhause::Finding::Query.new(text)
    @viewer = viewer
    @filters = filters || SearchFilters.new({}, viewer)
  end

  def text
    @text.valid_encoding? ? @text.first(Zuhause::Finding::Query::LONGEST) : ""
  end

  # @return [Integer] pages found
  def count
    ordered_pages.size
  end

  # @return [Boolean] whether more was found than is told
  def more?
    hits.size >= @most
  end

  # Pages whose title has all the words first, then those with a heading that has, then the rest; among equals those
  # that one read or wrote lately.
  #
  # @return [Array<Result>]
  def results(offset: 0, limit: PER_PAGE)
    build(ordered_pages[offset, limit] || [])
  end

  private

  def pages
    @pages ||= filters.narrow(Page.read_by(@viewer))
  end

  # @return [Array<Integer>] numbers of sections that have all the words, their page's title counted in
  def hits
    @hits ||= query.blank? ? [] : Section.matching(query.to_fts5, pages, most: @most)
  end

  def sections_by_page
    @sections_by_page ||= hits.group_by { |number| Section.page_id_of(number) }
  end

  # @return [Array<Integer>] ids
  def ordered_pages
    @ordered_pages ||= query.blank? ? [] : ((titled.to_a | sections_by_page.keys).sort_by { |id| [ tier(id), recent.fetch(id, RecentPages::MOST), -id ] })
  end

  def tier(id)
    return 0 if titled.include?(id)

    headed.include?(id) ? 1 : 2
  end

  def titled
    @titled ||= Page.titled(query.to_fts5, pages, most: @most).to_set
  end

  def headed
    @headed ||= headed_sections.to_set { |number| Section.page_id_of(number) }
  end

  def headed_sections
    @headed_sections ||= Section.matching("{heading} : (#{query.to_fts5})", pages, most: @most).to_set
  end

  # Those that have all the words themselves, whatever the page is called. Where a title has none of the words, all its
  # sections that were found have them; only the others have to be asked for.
  #
  # @param pages [Array<Page>] that are told
  def find_own_sections(pages)
    return @own_sections = hits.to_set if @titles_apart

    named, others = pages.partition { |page| query.words.any? { |word| Zuhause::Finding::Snippet.fold(page.title).include?(Zuhause::Finding::Snippet.fold(word)) } }
    own = named.any? ? Section.matching("{heading body} : (#{query.to_fts5})", self.pages.where(id: named), most: @most) : []
    @own_sections = own.to_set.merge(sections_by_page.values_at(*others.map(&:id)).flatten.compact)
  end

  attr_reader :own_sections

  def recent
    @viewer.recent_pages
  end

  # Those whose heading has the words first, then those whose own words have them, the shortest first, then those found by
  # the page's title.
  #
  # @param lengths [Hash{Integer=>Integer}] of sections, by number
  def sections_of(id, lengths)
    sections_by_page.fetch(id, []).sort_by { |number| [ headed_sections.include?(number) ? 0 : own_sections.include?(number) ? 1 : 2, lengths.fetch(number, 0), number ] }
  end

  def build(ids)
    pages = Page.where(id: ids).includes(:room).index_by(&:id)
    find_own_sections(pages.values)
    lengths = Section.where(id: sections_by_page.values_at(*ids).flatten.compact).pluck(:id, Arel.sql("length(body)")).to_h
    sections = ids.to_h { |id| [ id, sections_of(id, lengths) ] }
    best = ids.to_h { |id| [ id, sections.fetch(id).first || (id * Section::PER_PAGE) ] }
    others = ids.to_h { |id| [ id, sections.fetch(id).drop(1).select { |number| own_sections.include?(number) }.first(MORE + 1) ] }
    shown = Section.where(id: best.values + others.values.flatten).index_by(&:id)
    ids.map { |id| result(pages.fetch(id), shown.fetch(best.fetch(id)), others.fetch(id).filter_map { |number| shown[number] }) }
  end

  # The index's own function would look for the words once more for each row.
  def result(page, section, others)
    snippet = Zuhause::Finding::Snippet.of(section.body, query, opening: OPENING, closing: CLOSING)
    Result.new(page: page, section: section, snippet: snippet, others: others.select { |other| other.heading.present? }.first(MORE))
  end
end
