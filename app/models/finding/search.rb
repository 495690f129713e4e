# Answers to a question from published pages, of those the viewer may read: the section that answers best of each page, the page
# that answers best first, and of the very best the passage.
class Search
  PER_PAGE = 20
  MOST = 60 # pages that are told
  # What surrounds a found word: characters that no document can hold.
  OPENING, CLOSING = "\u0002", "\u0003"
  MORE = 3
  ANSWERED = 90 # words of an answer
  LONG = 2000 # characters of a text, of which a stretch is shown

  # +score+ says why (Zuhause::Finding::Scoring).
  Result = Struct.new(:page, :section, :snippet, :others, :score, keyword_init: true)
  # The passage that answers, with the words found marked; +sure+: whether enough of what is asked stands there.
  Answer = Struct.new(:result, :passage, :marked, :sure, keyword_init: true)

  attr_reader :question, :filters

  # @param filters [SearchFilters, nil]
  # @param most [Integer] pages that are told
  def initialize(text, viewer, filters: nil, most: MOST)
    @text, @viewer, @most = text.to_s, viewer, most
    @question = Zuhause::Finding::Question.new(@text)
    @filters = filters || SearchFilters.new({}, viewer)
  end

  def text
    @text.valid_encoding? ? @text.first(Zuhause::Finding::Question::LONGEST) : ""
  end

  delegate :blank?, to: :question

  # @return [Integer] pages found
  def count
    ranked.size
  end

  # @return [Boolean] whether more may have been found than is told
  def more?
    ranked.size >= @most
  end

  # @return [Array<Result>]
  def results(offset: 0, limit: PER_PAGE)
    build(ranked[offset, limit] || [], with: %i[room edition])
  end

  # @param told [Array<Page>]
  # @return [Array<Result>] of other pages, the best section alone
  def results_besides(told, limit:)
    ids = told.map(&:id)
    build(ranked.reject { |scores| ids.include?(scores.first.candidate.page) }.first(limit).map { |scores| scores.first(1) })
  end

  # @param page [Page]
  # @return [Boolean] whether something in it answers
  def finds?(page)
    !question.blank? && asked.any?(&:known?) && SectionsFound.new(question, asked, pages.where(id: page.id), @viewer, most: 1).candidates.any?
  end

  # @return [Answer, nil] nil where nothing was found
  def answer
    return if ranked.empty?

    @answer ||= begin
      result = results(limit: 1).first
      passage = Zuhause::Finding::Passages.best(result.section.passages(result.page.edition), asked)
      Answer.new(result: result, passage: passage, marked: passage && snippet(passage.text, most: ANSWERED), sure: scoring.sure?(result.score))
    end
  end

  # @param text [String]
  # @return [String] the same with the words found between OPENING and CLOSING
  def marked(text)
    snippet(text, most: text.length)
  end

  # @return [Hash{String=>Array<String>}] words that nothing read has, with those that were looked for instead
  def instead
    asked.select { |one| one.forms.values.include?(:slip) }.to_h { |one| [ one.word, one.forms.keys ] }
  end

  # @return [Array<String>] words for which nothing was found to look for
  def unknown
    asked.reject(&:known?).map(&:word) & question.telling.map(&:word)
  end

  # @return [Array<Zuhause::Finding::Scoring::Score>] of each page the best section, best first
  def best
    ranked.map(&:first)
  end

  # @return [Array<Array(Integer, Integer)>] page and number of the sections that answer, best first, whatever page they are of
  def sections(most)
    ranked.flatten.sort_by { |score| -score.total }.first(most).map { |score| [ score.candidate.page, score.candidate.id ] }
  end

  # @return [Array<Zuhause::Finding::Asked>]
  def asked
    @asked ||= Vocabulary.new(@viewer).asked(question)
  end

  # @return [ActiveRecord::Relation<Page>] in which it is looked for
  def pages
    @pages ||= filters.narrow(Page.read_by(@viewer))
  end

  private

  # @return [Array<Array<Zuhause::Finding::Scoring::Score>>] of each page its sections, best first
  def ranked
    @ranked ||= question.blank? || asked.none?(&:known?) ? [] : by_page(scoring.ranked(SectionsFound.new(question, asked, pages, @viewer, most: @most).candidates))
  end

  def scoring
    @scoring ||= Zuhause::Finding::Scoring.new(question, asked)
  end

  # What is put aside comes after all that answers nearly as well.
  def by_page(scores)
    told = scores.take_while { |score| score.total >= scores.first.total * Zuhause::Finding::Weights::TOLD }
    told.group_by { |score| score.candidate.page }.values.sort_by.with_index { |sections, i| [ -sections.first.total * (aside.include?(sections.first.candidate.page) ? Zuhause::Finding::Weights::ASIDE : 1), i ] }.first(@most)
  end

  def aside
    @aside ||= PutAside.known(@viewer)
  end

  def build(ranked, with: nil)
    told = ranked.map { |scores| [ scores.first, *scores.drop(1).first(MORE).select { |score| score.total >= scores.first.total / 2 } ] }
    pages = Page.where(id: told.map { |scores| scores.first.candidate.page }).includes(with).index_by(&:id)
    sections = Section.where(id: told.flatten.map { |score| score.candidate.id }).index_by(&:id)
    told.filter_map { |best, *others| result(pages[best.candidate.page], best, sections[best.candidate.id], others.filter_map { |score| sections[score.candidate.id] }) if sections[best.candidate.id] }
  end

  def result(page, score, section, others)
    Result.new(page: page, section: section, snippet: snippet(around(section.body)), others: others.select { |other| other.heading.present? }, score: score)
  end

  # Of a long text what stands around the rarest word that was found.
  def around(text)
    return text if text.length <= LONG

    folded = Zuhause::Finding::Folding.fold(text)
    at = folded.length == text.length && asked.sort_by { |one| -one.rarity }.lazy.flat_map { |one| one.forms.keys }.filter_map { |form| folded.index(form) }.first
    text[[ at.to_i - (LONG / 2), 0 ].max, LONG]
  end

  # The index's own function would look for the words once more for each row.
  def snippet(text, most: Zuhause::Finding::Snippet::WORDS)
    Zuhause::Finding::Snippet.of(text, marked_words, opening: OPENING, closing: CLOSING, most: most)
  end

  # Words that hold others together are marked only where there are no others.
  def marked_words
    @marked_words ||= begin
      telling = question.telling.map(&:word)
      asked.select { |one| telling.include?(one.word) }.each_with_object({}) { |one, found| one.forms.each_key { |form| found[form] ||= one.word } }
    end
  end
end
