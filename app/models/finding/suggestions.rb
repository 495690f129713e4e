# What the find field offers while one types: pages by their title, forgiving slips, then sections that have the words.
class Suggestions
  PAGES = 6
  SECTIONS = 4
  PEOPLE = 2
  LOOKED_AT = 300 # titles, and words that may be meant
  FORGIVEN = 4 # words in which a slip is looked for, the longest
  END_OF_WORD, LIKELY = 2, 2000 # letters, and words that have them

  def initialize(text, viewer)
    @search = Search.new(text, viewer, most: PAGES + SECTIONS)
    @words = Zuhause::Finding::Query.new(text).words.map { |word| Zuhause::Document::Title.normalise(word) }
    @viewer, @text = viewer, text
  end

  # @return [Array<Page>] titles that begin with what was typed first, then those that have words beginning so, then
  #   those that have them but for slips; among equals those read or written lately
  def pages
    @pages ||= @words.empty? ? [] : Page.where(id: best_ids).includes(:room).in_order_of(:id, best_ids).to_a
  end

  # @return [Hash{Integer=>String}] the other name by which a page was found
  def called
    @called ||= OtherName.met_by(pages, @words)
  end

  # @return [Array<Person>] colleagues of that name
  def people
    @people ||= Colleagues.new(@viewer, text: @text).found(limit: PEOPLE, named: true)
  end

  # @return [Array<Search::Result>] of other pages than those
  def sections
    return [] if @words.empty?

    @search.results_besides(pages, limit: SECTIONS)
  end

  private

  def best_ids
    @best_ids ||= begin
      ids = found(@words.map { |word| %("#{word}"*) })
      ids |= found(with_slips_forgiven) if ids.size < PAGES && @words.any? { |word| Zuhause::Finding::Spelling.allowed(word).positive? }
      in_order(ids).first(PAGES)
    end
  end

  def found(terms)
    terms.any?(&:nil?) ? [] : Page.titled(terms.join(" AND "), Page.seen_by(@viewer), most: LOOKED_AT)
  end

  def with_slips_forgiven
    forgiven = @words.max_by(FORGIVEN, &:length)
    @words.map { |word| forgiven.include?(word) ? alternatives(word) : %("#{word}"*) }
  end

  # The words of titles that may have been meant. A slip stands at one end of a word at most, so that the other end leads there.
  # @return [String, nil] an FTS5 expression; nil if there is none
  def alternatives(word)
    word = Zuhause::Finding::Folding.fold(word)
    most = Zuhause::Finding::Spelling.allowed(word)
    return %("#{word}"*) if most.zero?

    lengths = (word.length - most)..(word.length + most)
    likely = Page.title_words(word[0, END_OF_WORD], lengths) | Word.ending(word[-END_OF_WORD, END_OF_WORD]).of_length(lengths).limit(LIKELY).pluck(:word)
    meant = likely.select { |other| Zuhause::Finding::Spelling.match?(word, other) }.first(LOOKED_AT)
    terms = [ %("#{word}"*), *meant.map { |other| %("#{other}") } ]
    "(#{terms.join(" OR ")})"
  end

  def in_order(ids)
    recent, aside = @viewer.recent_pages, PutAside.known(@viewer)
    names = OtherName.where(page_id: ids).pluck(:page_id, :name).group_by(&:first).transform_values { |rows| rows.map { |_id, name| Zuhause::Document::Title.normalise(name) } }
    typed = @words.join(" ")
    Page.where(id: ids).pluck(:id, :title).sort_by do |id, title|
      normal = Zuhause::Document::Title.normalise(title)
      tier = [ normal, *names.fetch(id, []) ].map { |name| tier(name, typed) }.min
      [ aside.include?(id) ? 3 : tier, recent.fetch(id, RecentPages::MOST), normal, id ]
    end.map(&:first)
  end

  def tier(title, typed)
    return 0 if title.start_with?(typed)

    words = title.scan(Zuhause::Finding::Query::WORD)
    @words.all? { |word| words.any? { |other| other.start_with?(word) } } ? 1 : 2
  end
end
