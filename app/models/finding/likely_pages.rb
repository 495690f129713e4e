# Pages that may already answer what somebody is about to begin, by its title or its first words: with what they are alike in.
class LikelyPages
  MOST = 4

  # +why+: :title or :answer; +section+: the one that answers.
  Likely = Struct.new(:page, :why, :section, keyword_init: true)

  def initialize(text, viewer)
    @text, @viewer = text.to_s.first(Zuhause::Finding::Question::LONGEST), viewer
  end

  # @return [Array<Likely>]
  def list
    @list ||= @text.strip.length < 3 ? [] : (titled + answering).uniq(&:page).first(MOST)
  end

  private

  def titled
    Suggestions.new(@text, @viewer).pages.select(&:published?).first(MOST - 2).map { |page| Likely.new(page: page, why: :title) }
  end

  def answering
    search = Search.new(@text, @viewer, most: MOST)
    search.results(limit: MOST).map { |result| Likely.new(page: result.page, why: :answer, section: result.section) }
  end
end
