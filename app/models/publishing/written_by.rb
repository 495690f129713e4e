# Who wrote which part of a page, as its text is shown: block after block, with the stretches of each.
class WrittenBy
  # What somebody wrote of a top block: +person+ (nil for somebody the viewer does not meet), +since+ (an edition's number, nil for
  # what none has held), and the stretches, where others wrote more of it.
  Part = Struct.new(:person, :since, :stretches, keyword_init: true)
  # Words running: the first of them, and where they stand in which block.
  Stretch = Struct.new(:quote, :block, :start, :length, keyword_init: true)
  # Somebody's part in the whole text.
  Share = Struct.new(:person, :words, :part, keyword_init: true)

  QUOTED = 7 # words

  attr_reader :page, :stage

  # @param stage [String] one of Attribution::STAGES
  def initialize(page, viewer, stage:)
    @page, @viewer, @stage = page, viewer, stage
  end

  # @return [Edition, Draft]
  def state
    stage == "edition" ? page.edition : page.draft
  end

  # @return [Array<Array(String, Array<Part>)>] HTML of each block of the text, with whose parts it has
  def rows
    shown = ShownDocument.new(state, page: page, viewer: @viewer).filled_pieces(same.map(&:first))
    shown.zip(same).map { |html, (_pieces, parts)| [ html.html_safe, parts.map { |(id, since), stretches| Part.new(person: people[id], since: since, stretches: stretches) } ] }
  end

  # @return [Array<Share>] most words first
  def shares
    counted = runs.values.flatten(1).each_with_object(Hash.new(0)) { |(count, (person, _since)), sums| sums[person] += count }
    all = [ counted.values.sum, 1 ].max
    told = counted.group_by { |person, _count| people[person] }.transform_values { |pairs| pairs.sum(&:last) }
    told.map { |person, count| Share.new(person: person, words: count, part: count.fdiv(all)) }.sort_by { |share| [ -share.words, share.person&.name.to_s ] }
  end

  private

  def attribution
    @attribution ||= Attribution.for(page, stage)
  end

  def runs
    attribution.runs
  end

  # @return [Hash{Integer=>Person}] those whom the viewer meets
  def people
    @people ||= Person.where(id: runs.values.flatten(1).map { |_count, source| source.first }.uniq).select { |person| @viewer.meets?(person) }.index_by(&:id)
  end

  # What is the same whoever looks: each block in pieces, with its parts.
  def same
    @same ||= Rails.cache.fetch([ "written-by-block", page.id, state.digest, attribution.key, Zuhause::Markup::HTML::VERSION, I18n.locale ]) do
      html = Zuhause::Markup::HTML.blocks(state.document, tones: ShownDocument.tones, notes: ShownDocument.notes, link: ShownPieces::HOLD_LINK, leaf: ShownPieces::HOLD_LEAF)
      html.zip(state.document["content"].to_a).map { |written, block| [ ShownPieces.of(written), block ? parts_of(block) : [] ] }
    end
  end

  # @return [Array<Array(Array, Array<Stretch>)>] sources, each with its stretches; none for the one with the most words: what is not
  #   another's is theirs
  def parts_of(block)
    told = Zuhause::Document::Walk.blocks({ "type" => "doc", "content" => [ block ] }).flat_map { |node| stretches(node) }
    most = told.group_by(&:first).max_by { |_source, parts| parts.sum { |part| part[1] } }&.first
    told.group_by(&:first).map { |source, parts| [ source, source == most ? [] : parts.filter_map(&:last) ] }
  end

  # @return [Array<Array(Array, Integer, Stretch|nil)>] each source with its number of words and where they stand, in their order
  def stretches(node)
    told = runs[node.dig("attrs", "id")].to_a.select { |count, _source| count.positive? }
    return [] if told.empty?

    text = Zuhause::Document::Text.of(node)
    words, at = Zuhause::Anchors::PageText.words(text), 0
    told.map { |count, source| [ source, count, stretch(node, text, words[at, count].to_a) ].tap { at += count } }
  end

  def stretch(node, text, words)
    return if words.empty?

    start, finish = words.first[1], words.last[2]
    shown = text[start...words.first(QUOTED).last[2]].squish
    Stretch.new(quote: words.size > QUOTED ? "#{shown} …" : shown, block: node.dig("attrs", "id"), start: start, length: finish - start)
  end
end
