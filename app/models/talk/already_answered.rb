# What already answers a question, before it is asked: questions that were, and sections of pages.
class AlreadyAnswered
  MOST = 4
  LOOKED_AT = 100 # questions, the newest of those that share a word
  # Words that say little of what is asked.
  QUIET = %w[about and any are can could does for from have how into may must not one our should some than that the their them then there these they this was what when where which who whom whose why will with would you your
             aber auf aus bei das dem den der des die doch ein eine einem einen einer für hat ich ihr ist kann man mit muss nicht oder sie sind und uns von wann warum was wenn wer wie wir wird wohin].to_set.freeze
  SHARED = 0.5 # of the words that are asked with, at least, are in a question that is shown

  def initialize(question, page, viewer)
    @question, @page, @viewer = question, page, viewer
  end

  # @return [Array<Remark>] those that share most words
  def questions
    @questions ||= words.empty? ? [] : asked.map { |one| [ shared(one.body), one ] }.select { |shared, _one| shared >= words.size * SHARED }.sort_by { |shared, one| [ -shared, -one.helped, one.id ] }.first(MOST).map(&:last)
  end

  # @return [Array<Search::Result>]
  def sections
    @sections ||= [ words, *[ 3, 2, 1 ].map { |number| words.max_by(number, &:length) } ].uniq.reject(&:empty?).lazy.map { |some| found(some) }.find(&:any?).to_a
  end

  def any?
    questions.any? || sections.any?
  end

  private

  def words
    @words ||= @question.scrub("").downcase.scan(/[\p{L}\p{M}\p{N}]+/).reject { |word| word.length < 3 || QUIET.include?(word) }.uniq.first(12)
  end

  # Finding wants all the words; where no section has them, the longest few are looked for.
  def found(some)
    Search.new(some.join(" "), @viewer).results(limit: MOST)
  end

  def asked
    likes = words.map { |word| Remark.arel_table[:body].matches("%#{Remark.sanitize_sql_like(word)}%") }.inject(:or)
    Remark.seen_by(@viewer).kept.firsts.of_kind("question").where(likes).preload(:page, :author).order(id: :desc).limit(LOOKED_AT)
  end

  def shared(body)
    said = body.downcase.scan(/[\p{L}\p{M}\p{N}]+/)
    words.count { |word| said.any? { |other| other.start_with?(word) || (other.length > 3 && word.start_with?(other)) } }
  end
end
