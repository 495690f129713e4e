# Pages that belong to a page, as far as one viewer sees it and them, each with what makes it so.
class RelatedPages
  MOST = 5
  LOOKED_AT = 60 # pages
  FAR = 200 # links that are followed
  RARE, FEW, SHORTEST = 8, 40, 4 # rare words that are looked for; sections that have one; its letters

  Result = Struct.new(:page, :why, keyword_init: true)

  # @param page [Page] that the viewer reads
  def initialize(page, viewer)
    @page, @viewer = page, viewer
  end

  # @return [Array<Result>] the closest first
  def list
    @list ||= begin
      scores = Zuhause::Finding::Related.new(facts(@page.id), carrying: carrying).ranked(candidates.map { |id| facts(id) }).first(MOST)
      pages = Page.read_by(@viewer).where(id: scores.map(&:id)).includes(:room).index_by(&:id)
      scores.filter_map { |score| Result.new(page: pages[score.id], why: score.parts.keys.first) if pages[score.id] }
    end
  end

  private

  def facts(id)
    Zuhause::Finding::Related::Facts.new(id: id, links_to: links_to.fetch(id, []), linked_from: linked_from.fetch(id, []), tags: tags.fetch(id, []), words: titled.fetch(id, 0.0), rare: rare.fetch(id, 0.0))
  end

  # What leads here or from here, and what answers the page's title.
  def candidates
    @candidates ||= [ *near, *second, *with_tags, *titled.keys, *rare.max_by(MOST * 2) { |_id, part| part }.map(&:first) ].uniq.first(LOOKED_AT) - [ @page.id ]
  end

  def near
    @near ||= links([ @page.id ]).flatten.uniq - [ @page.id ]
  end

  # What is linked together with it.
  def second
    links(near.first(10)).flatten.tally.sort_by { |id, times| [ -times, id ] }.map(&:first).first(LOOKED_AT / 2)
  end

  def with_tags
    Page.read_by(@viewer).where(id: Tagging.where(tag_id: @page.taggings.select(:tag_id)).select(:page_id)).limit(LOOKED_AT / 3).ids
  end

  # @return [Hash{Integer=>Float}] how well pages answer its title
  def titled
    @titled ||= Search.new(@page.title, @viewer, most: 10).best.to_h { |score| [ score.candidate.page, score.covered ] }.except(@page.id)
  end

  # @return [Hash{Integer=>Float}] what part of its rare words other pages have, of those that have more than one
  def rare
    @rare ||= begin
      words = rare_words
      having = words.keys.to_h { |word| [ word, Section.holding(%({body} : "#{word}"), Page.read_by(@viewer), most: FEW).map { |id| Section.page_id_of(id) }.uniq ] }
      shared = having.flat_map { |word, ids| ids.map { |id| [ id, word ] } }.group_by(&:first).transform_values { |pairs| pairs.map(&:last) }
      shared.except(@page.id).select { |_id, some| some.size > 1 }.transform_values { |some| words.values_at(*some).sum / words.values.sum }
    end
  end

  # The rarest of what it says, of what the viewer reads: how often words stand in closed pages tells nothing.
  #
  # @return [Hash{String=>Float}] each with what it is worth
  def rare_words
    said = CountedPage.where(page_id: @page.id).pick(:words)&.then { |words| JSON.parse(Zlib.inflate(words)).keys } || []
    said = said.select { |word| word.length >= SHORTEST && word.match?(/\A\p{L}+\z/) && Zuhause::Finding::CommonWords.part(word).zero? }
    counts = WordCount.where(word: [ WordCount::ALL, *said ], access_list_id: @viewer.list_ids(:read)).group(:word).sum(:sections)
    all = counts.delete(WordCount::ALL).to_f
    counts.select { |_word, count| count.between?(2, FEW) }.transform_values { |count| Math.log(1 + (all / count)) }.max_by(RARE) { |word, worth| [ worth, word ] }.to_h
  end

  def links_to
    @links_to ||= among(candidates | [ @page.id ]).group_by(&:first).transform_values { |pairs| pairs.map(&:last).uniq }
  end

  def linked_from
    @linked_from ||= among(candidates | [ @page.id ], to: true).group_by(&:last).transform_values { |pairs| pairs.map(&:first).uniq }
  end

  # @return [Array<Array(Integer, Integer)>] pages that link, with those linked to, of which the viewer reads both
  def links(ids)
    among(ids) | among(ids, to: true)
  end

  def among(ids, to: false)
    leading = Reference.from_editions.where(target_kind: "page").joins("JOIN pages AS led_to ON led_to.public_id = \"references\".target_id").joins(:page).merge(Page.read_by(@viewer))
                       .where(@viewer.reading(Page.arel_table.alias("led_to"))).where("led_to.id <> \"references\".page_id")
    leading.where(to ? { "led_to.id" => ids } : { page_id: ids }).limit(FAR * ids.size.clamp(1, 10)).distinct.pluck(:page_id, Arel.sql("led_to.id"))
  end

  def tags
    @tags ||= Tagging.where(page_id: candidates | [ @page.id ]).pluck(:page_id, :tag_id).group_by(&:first).transform_values { |pairs| pairs.map(&:last) }
  end

  def carrying
    Tagging.where(tag_id: tags.fetch(@page.id, [])).joins(:page).merge(Page.seen_by(@viewer)).group(:tag_id).count
  end
end
