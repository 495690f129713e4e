# The sections of what one viewer reads that may answer a question, with all that the scoring asks of them. They are found by any
# of the words, the rarest first, and never by the age of a page.
class SectionsFound
  ROWS = 1000 # of one word; a word that stands in more is looked for beside rarer ones
  WORDS = 7 # the rarest, by which sections are looked for
  RANKED = 250 # by their rarest words
  A_FEW_PAGES, ROWS_FOR_A_FEW, RANKED_FOR_A_FEW = 10, 300, 100 # where so few are told, while somebody types
  PAGES = 8 # the likeliest, of which all sections are looked at
  OF_PAGE = 12
  MOST = 90 # sections that are scored
  SMALL, SMALL_SECTIONS = 20, 120 # pages, and sections of those, that are all scored where there are no more: the index knows the words of all
  FEW, FOR_EACH = 25, 15 # of a short question not as many: so many, and for each word that is asked

  # What is scored of a section: many are, and few are shown.
  Row = Struct.new(:id, :page_id, :position, :level, :title, :heading, :body)
  private_constant :Row

  # @param asked [Array<Zuhause::Finding::Asked>]
  # @param pages [ActiveRecord::Relation<Page>] only of these
  # @param viewer [Viewer]
  # @param most [Integer] pages that are told: for a few, not as many sections need to be scored
  def initialize(question, asked, pages, viewer, most: MOST)
    @question, @pages, @viewer = question, pages, viewer
    @most = [ MOST, most * 4, FEW + (FOR_EACH * question.telling.size) ].min
    @rows, @ranked = most > A_FEW_PAGES ? [ ROWS, RANKED ] : [ ROWS_FOR_A_FEW, RANKED_FOR_A_FEW ]
    @asked = asked.select(&:known?).sort_by { |one| -one.rarity }
    @unfinished = question.words.last&.then { |word| word.word if word.unfinished }
  end

  # @return [Array<Zuhause::Finding::Candidate>] the likeliest first
  def candidates
    rows = Section.where(id: chosen).pluck(*Row.members).to_h { |values| [ values.first, Row.new(*values) ] }
    chosen.filter_map { |id| rows[id] }.map { |row| candidate(row) }
  end

  private

  # @return [Array<Integer>] numbers of sections
  def chosen
    @chosen ||= of_few_pages || begin
      likely = ranked
      (likely.first(@most * 3 / 4) | (common.any? ? besides(likely) : likely)).first(@most)
    end
  end

  # Whoever reads a few pages of a large house would wait for all that is not theirs.
  #
  # @return [Array<Integer>, nil]
  def of_few_pages
    pages = @pages.unscope(:order).limit(SMALL + 1).ids
    return if pages.size > SMALL

    ids = Section.where(page_id: pages).order(:id).limit(SMALL_SECTIONS + 1).ids
    ids if ids.size <= SMALL_SECTIONS
  end

  # A common word may stand in a section that was not looked for by it.
  def besides(likely)
    whole = likely.map { |id| Section.page_id_of(id) }.uniq.first(PAGES)
    Section.where(page_id: whole, position: ...OF_PAGE).in_order_of(:page_id, whole).order(:position).ids
  end

  def ranked
    worth = Hash.new(0.0)
    @asked.first(WORDS).each_with_index do |asked, i|
      next if common.include?(asked) && worth.size > @ranked

      rows(asked, @asked.first(i)).each { |id| worth[id] += asked.rarity }
    end
    headed(worth.sort_by { |id, sum| [ -sum, id ] }.first(@ranked).to_h)
  end

  def common
    @common ||= @asked.reject { |asked| asked.sections < @rows }
  end

  # Words in titles and headings lead more surely.
  def headed(worth)
    Section.where(id: worth.keys).pluck(:id, :title, :heading).each { |id, *texts| texts.uniq.each { |text| worth[id] += said_in(text) } }
    worth.sort_by { |id, sum| [ -sum, id ] }.map(&:first)
  end

  # @return [Float] what of all that is asked a title or a heading says
  def said_in(text)
    best = {}
    Zuhause::Finding::Folding.words(text).each { |word| forms[word]&.each { |asked| best[asked] = [ best[asked].to_f, asked.rarity * asked.weight(word) ].max } }
    best.values.sum
  end

  # @return [Hash{String=>Array<Zuhause::Finding::Asked>}] by each of their forms
  def forms
    @forms ||= @asked.each_with_object({}) { |asked, found| asked.forms.each_key { |form| (found[form] ||= []) << asked } }
  end

  def rows(asked, rarer)
    return Section.holding(expression(asked), @pages, most: @rows) unless common.include?(asked)

    beside = rarer.any? ? "#{expression(asked)} AND (#{rarer.map { |other| expression(other) }.join(" OR ")})" : "{title heading} : #{expression(asked)}"
    Section.holding(beside, @pages, most: @rows)
  end

  # All words that begin as the one that is not finished are gathered by the index before it looks at any other: of a common one those
  # that are known to be read will do.
  #
  # @return [String] an FTS5 expression; each word is quoted, so that nothing typed can be an operator
  def expression(asked)
    return either(asked.forms.keys) if asked.word != @unfinished || common.include?(asked)

    "(#{[ *asked.forms.keys.reject { |word| word.start_with?(asked.word) }.map { |word| %("#{word}") }, %("#{asked.word}"*) ].join(" OR ")})"
  end

  def either(words)
    "(#{words.map { |word| %("#{word}") }.join(" OR ")})"
  end

  def candidate(section)
    page = told.fetch(section.page_id)
    Zuhause::Finding::Candidate.new(id: section.id, page: section.page_id, links: links.fetch(page.public_id, 0), lately: @viewer.recent_pages.key?(page.id),
                                    fields: { title: section.title, heading: headed_by(section), above: above(section), path: path(page), body: section.body })
  end

  # @return [Hash{Integer=>Page}]
  def told
    @told ||= Page.where(id: chosen.map { |id| Section.page_id_of(id) }.uniq).select(:id, :public_id, :ancestry, :room_id).index_by(&:id)
  end

  # What stands before the first heading is headed by the page's title.
  def headed_by(section)
    section.position.zero? ? section.title : section.heading
  end

  # The headings under which a section stands.
  def above(section)
    level = section.level
    outline.fetch(section.page_id, []).select { |position, _level, _heading| position < section.position }.reverse.filter_map do |_position, other, heading|
      next if other >= level

      level = other
      heading
    end.join("\n")
  end

  def outline
    @outline ||= Section.where(page_id: told.keys).where.not(heading: "").order(:position).pluck(:page_id, :position, :level, :heading).group_by(&:first).transform_values { |rows| rows.map { |row| row.drop(1) } }
  end

  # Titles of the pages above it, of those that are seen.
  def path(page)
    page.ancestor_ids.filter_map { |id| titles[id] }.join("\n")
  end

  def titles
    @titles ||= Page.seen_by(@viewer).where(id: told.values.flat_map(&:ancestor_ids).uniq).pluck(:id, :title).to_h
  end

  # @return [Hash{String=>Integer}] links to pages, from pages that are read
  def links
    @links ||= Reference.from_editions.where(target_kind: "page", target_id: told.values.map(&:public_id)).joins(:page).merge(Page.read_by(@viewer)).group(:target_id).distinct.count(:page_id)
  end
end
