# What already answers a question, before it is asked: questions that were, and sections of pages.
class AlreadyAnswered
  MOST = 4
  QUIET = 3 # letters; shorter words say little of what is asked

  def initialize(question, page, viewer)
    @question, @page, @viewer = question, page, viewer
  end

  # @return [Array<Remark>] those that share most words
  def questions
    @questions ||= words.empty? ? [] : asked.map { |one| [ shared(one.body), one ] }.select { |shared, _one| shared >= [ words.size, 2 ].min }.sort_by { |shared, one| [ -shared, -one.helped, one.id ] }.first(MOST).map(&:last)
  end

  # @return [Array<Search::Result>]
  def sections
    @sections ||= words.empty? ? [] : Search.new(words.join(" "), @viewer).results(limit: MOST)
  end

  def any?
    questions.any? || sections.any?
  end

  private

  def words
    @words ||= @question.scrub("").downcase.scan(/[\p{L}\p{M}\p{N}]+/).select { |word| word.length > QUIET }.uniq.first(12)
  end

  def asked
    likes = words.map { |word| Remark.arel_table[:body].matches("%#{Remark.sanitize_sql_like(word)}%") }.inject(:or)
    Remark.seen_by(@viewer).kept.firsts.of_kind("question").where(likes).preload(:page, :author).order(id: :desc).limit(100)
  end

  def shared(body)
    said = body.downcase.scan(/[\p{L}\p{M}\p{N}]+/)
    words.count { |word| said.any? { |other| other.start_with?(word) || word.start_with?(other) && other.length > QUIET } }
  end
end
