# How well questions are answered of which it is known what answers them: asked of a house, told beside plain BM25 over any of the
# words as a yardstick.
class Answered
  Asked = Struct.new(:text, :right, keyword_init: true) do
    def answerable?
      right.any?
    end
  end
  Outcome = Struct.new(:asked, :page, :section, :sure, keyword_init: true)
  NUMBER = /\A[\d.]+\s+/ # before a heading

  # @param path [Pathname] a question a line, with pages and headings that answer, between bars
  # @param person [Person] who asks
  # @yield [String] the public id of a page by how the questions tell it
  def initialize(path, person, &page_id)
    @person, @page_id = person, page_id || :itself.to_proc
    @questions = path.readlines(chomp: true).reject { |line| line.empty? || line.start_with?("#") }.map { |line| question(line) }
  end

  attr_reader :questions

  # @return [Array<Outcome>]
  def by_house(questions = @questions)
    outcomes(questions) { |text| Search.new(text, Viewer.new(@person)).then { |search| [ named(search.sections(40).map(&:last)), search.answer&.sure || false ] } }
  end

  # The same questions, in the longest word of each two letters changed over.
  def with_slips
    by_house(@questions.map { |asked| slipped(asked) })
  end

  def by_yardstick
    outcomes(@questions) { |text| [ named(ranked_by_bm25(text)), true ] }
  end

  # What does not exist would never be found, and count as a miss of the house.
  def check
    missing = @questions.flat_map(&:right).uniq.reject { |page, heading| headings_of(page).include?(heading) }
    abort("no such sections:\n#{missing.map { |pair| pair.join(" | ") }.join("\n")}") if missing.any?
  end

  # @return [Float] seconds of the slowest question
  attr_reader :worst, :median

  private

  def question(line)
    text, *rest = line.split("|", -1).map(&:strip)
    Asked.new(text: text, right: rest.first == "none" ? [] : rest.each_slice(2).map { |page, heading| [ @page_id.call(page), heading.to_s ] })
  end

  def outcomes(questions)
    times = []
    questions.map do |asked|
      started = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      found, sure = yield(asked.text)
      times << (Process.clock_gettime(Process::CLOCK_MONOTONIC) - started)
      Outcome.new(asked: asked, page: found.map(&:first).uniq.index { |page| asked.right.any? { |right, _| right == page } }, section: found.index { |pair| asked.right.include?(pair) }, sure: sure)
    end.tap { @worst, @median = times.max, times.sort[times.size / 2] }
  end

  def named(ids)
    sections = Section.where(id: ids).includes(:page).index_by(&:id)
    ids.filter_map { |id| sections[id]&.then { |section| [ section.page.public_id, section.heading.sub(NUMBER, "") ] } }
  end

  def headings_of(public_id)
    (@headings ||= {})[public_id] ||= Section.joins(:page).where(pages: { public_id: public_id }).pluck(:heading).map { |heading| heading.sub(NUMBER, "") }
  end

  def ranked_by_bm25(text)
    words = Zuhause::Finding::Folding.words(text).map { |word| %("#{word}") }
    Page.read_by(Viewer.new(@person)).unscope(:select).from("section_index CROSS JOIN pages").where("pages.id = section_index.rowid / #{Section::PER_PAGE}").where("section_index MATCH ?", words.join(" OR "))
        .order(Arel.sql("bm25(section_index)")).limit(30).pluck(Arel.sql("section_index.rowid"))
  end

  def slipped(asked)
    word = asked.text.scan(/\p{L}+/).max_by(&:length)
    at = word.length / 2
    Asked.new(text: asked.text.sub(word, word.dup.tap { |changed| changed[at], changed[at - 1] = changed[at - 1], changed[at] }), right: asked.right)
  end
end
