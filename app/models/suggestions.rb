# What the find field offers while one types: pages by their title, forgiving slips, then sections that have the words.
class Suggestions
  PAGES = 6
  SECTIONS = 4

  def initialize(text, viewer)
    @search = Search.new(text, viewer)
    @words = @search.query.words.map { |word| Zuhause::Document::Title.normalise(word) }
    @viewer = viewer
  end

  # @return [Array<Page>] titles that begin with what was typed first, then those that have the words, slips forgiven
  def pages
    return [] if @words.empty?

    @pages ||= Page.where(id: ranked_ids).includes(:room).in_order_of(:id, ranked_ids).to_a
  end

  # @return [Array<Search::Result>] of other pages than those
  def sections
    @search.results.reject { |result| pages.include?(result.page) }.first(SECTIONS)
  end

  private

  def ranked_ids
    @ranked_ids ||= Page.seen_by(@viewer).pluck(:id, :title).filter_map { |id, title| rank(title)&.then { |rank| [ rank, title, id ] } }
                        .sort.first(PAGES).map(&:last)
  end

  # 0 for a title that begins so, 1 for one that has the words, 2 for one that has them but for slips.
  def rank(title)
    normal = Zuhause::Document::Title.normalise(title)
    return 0 if normal.start_with?(@words.join(" "))

    others = normal.scan(/[\p{L}\p{M}\p{N}]+/)
    return 1 if @words.all? { |word| others.any? { |other| other.start_with?(word) } }

    2 if @words.all? { |word| others.any? { |other| Zuhause::Finding::Spelling.match?(word, other) } }
  end
end
