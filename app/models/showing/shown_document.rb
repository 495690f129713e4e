# A document as one viewer sees it. What is the same for everybody is kept, in pieces; links, live inserts, names and dates are
# filled in at each view, because they depend on who looks and change without the document. What they need is gathered level
# by level (ShowingLevel), of all that is shown within each other at once.
class ShownDocument
  OWN = "b-" # before the ids of a page's own blocks

  REFERENCES = "<!--references-".freeze # where the list of references is to stand, and in how many columns

  # What of a text is the same whoever looks: its HTML in pieces, and what contents lists tell of it: its headings, and between
  # them the ids of live inserts whose headings join in. Of a passage its name too, and no pieces where it is gone.
  Same = Struct.new(:pieces, :outline, :name)

  class << self
    # @return [Hash{String=>String}] the words for the tones of notices
    def tones
      Zuhause::Document::Schema::TONES.index_with { |tone| I18n.t("document.tones.#{tone}") }
    end

    # @return [Hash{Symbol=>String}] the words for footnotes
    def notes
      Zuhause::Markup::HTML::NOTES.keys.index_with { |name| I18n.t("document.notes.#{name}") }
    end

    # Finds what is kept of several documents, and makes the rest, together.
    #
    # @param documents [Array<ShownDocument>]
    def find_same(documents)
      by_key = documents.reject(&:same?).group_by(&:key)
      found = Rails.cache.read_multi(*by_key.keys.compact)
      missing = by_key.reject { |key, _alike| found.key?(key) }
      load_texts(missing.values.map(&:first))
      made = missing.to_h { |key, alike| [ key, alike.first.write ] }
      Rails.cache.write_multi(made.compact.except(nil)) if made.except(nil).any?
      by_key.each { |key, alike| alike.each { |document| document.same = key ? found[key] || made.fetch(key) : document.write } }
    end

    # @param documents [Array<ShownDocument>] whose texts are needed
    def load_texts(documents)
      states = documents.map(&:state).select { |state| state.persisted? && !state.association(:text).loaded? }
      ActiveRecord::Associations::Preloader.new(records: states, associations: :text).call
    end
  end

  attr_reader :state, :page, :part, :viewer, :prefix, :citations, :inserts
  attr_accessor :level
  attr_writer :same

  # @param state [Edition, Draft]
  # @param page [Page] whose state it is
  # @param within [Array<String>] addresses of what it is shown in as a live insert, from the outside in
  # @param part [String, nil] the block id of a passage of it, if only that is to be shown
  # @param prefix [String] before the ids of its blocks, which the page around may have too
  # @param citations [ShownCitations] of the page around
  # @param outermost [Boolean] whether what is inserted stands in none of what it shows
  def initialize(state, page:, viewer:, within: [], part: nil, prefix: OWN, outermost: false, citations: nil)
    @state = state
    @page = page
    @viewer = viewer
    @within = within
    @part = part
    @prefix = prefix
    @outermost = outermost
    @inner = !citations.nil?
    @citations = citations || ShownCitations.new
    @inserts = {}.compare_by_identity
  end

  # @return [ActiveSupport::SafeBuffer]
  def to_html
    gather
    with_references(filled_in(same.pieces.to_a)).html_safe
  end

  # @param blocks [Array<String, nil>] HTML in which places are held (ShownPieces)
  # @return [Array<String, nil>] the same with what stands there
  def filled(blocks)
    filled_pieces(blocks.map { |html| html && ShownPieces.of(html) })
  end

  # @param pieces [Array<Array, nil>] of each block, as ShownPieces.of gives them
  # @return [Array<String, nil>] HTML with what stands in them
  def filled_pieces(pieces)
    @given = pieces
    citations.unlisted
    gather
    @given.map { |pieces| pieces && filled_in(pieces) }
  end

  # @return [Array<Zuhause::Document::Outline::Heading>] its own, and those of live inserts that join in
  def headings
    gather
    @headings ||= same.outline.flat_map { |entry| entry.is_a?(String) ? headings_of_insert(entry) : entry }
  end

  # @return [Array<Page>] that are shown live in it, and in those
  def shown_live
    gather
    inserts.values.flat_map { |inner| [ inner.page, *inner.shown_live ] }
  end

  # @return [Hash] what is shown
  def document
    @part ? { "type" => "doc", "content" => passage["content"] } : @state.document
  end

  # @return [Hash, nil] the passage that alone is shown; nil if it is gone
  def passage
    return unless @part

    @passage ||= Zuhause::Document::Walk.blocks(@state.document).find { |block| block["type"] == "passage" && block.dig("attrs", "id") == @part }
  end

  def passage_wanted?
    !@part.nil?
  end

  # @return [String, nil] what the passage is called
  def passage_name
    same.name
  end

  # @return [Boolean] whether the passage that it should show is not there any more
  def gone?
    same.pieces.nil?
  end

  # Which insert it is shown in, and which those are shown in; nothing where it only stands for a page being written.
  def within
    return [] if @outermost

    [ *@within, address ]
  end

  # @return [String] what it shows, as within tells it
  def address
    [ page.public_id, @part ].compact.join("#")
  end

  # Whether it shows what is published now, over which ticks are laid.
  def published_now?
    @state.is_a?(Edition) && @state.id == page.edition_id
  end

  # Whether its tasks can be ticked here: in the page itself, as it is published.
  def page_itself?
    @within.empty? && !@outermost && published_now?
  end

  # @return [Array<ShownPieces::Leaf, ShownPieces::Link>] all places in it
  def places
    @places ||= ShownPieces.places(@given ? @given.compact.flatten(1) : same.pieces.to_a)
  end

  def same?
    !@same.nil? || !@given.nil?
  end

  # @return [Array, nil] under which it is kept; nil for what may change
  def key
    [ "shown", page.id, @state.digest, Zuhause::Markup::HTML::VERSION, I18n.locale, @part ] if @state.is_a?(Edition)
  end

  # @return [Same] made anew
  def write
    return Same.new(nil, [], nil) if @part && passage.nil?

    html = Zuhause::Markup::HTML.write(document, tones: self.class.tones, notes: self.class.notes, link: ShownPieces::HOLD_LINK, leaf: ShownPieces::HOLD_LEAF)
    Same.new(ShownPieces.of(html), outline, passage&.dig("attrs", "name"))
  end

  private

  # Of blocks that are given by themselves it is looked for only if a contents list among them asks for the headings.
  def same
    @same || (self.class.find_same([ self ]) && @same) || (@same = write)
  end

  def gather
    ShowingLevel.gather(self) unless level
  end

  def filled_in(pieces)
    pieces.map do |piece|
      case piece
      when String then prefix == OWN ? piece : piece.gsub(/ (id="|href="#)#{OWN}/) { " #{Regexp.last_match(1)}#{prefix}" }
      when ShownPieces::Leaf then level.leaf(piece.node, self)
      else level.link(piece.target, filled_in(piece.label), self)
      end
    end.join
  end

  # A page that cites has a list of it, at its end if nowhere else.
  def with_references(html)
    return html if @inner

    placed = html.gsub(/#{REFERENCES}([12])-->/) { citations.any? ? citations.list(columns: Regexp.last_match(1).to_i) : "" }
    citations.any? && placed == html ? html + citations.list : placed
  end

  def outline
    Zuhause::Document::Walk.blocks(document).flat_map do |block|
      next Zuhause::Document::Outline.headings({ "type" => "doc", "content" => [ block ] }) if block["type"] == "heading"

      block["type"] == "live_insert" && block.dig("attrs", "headings") ? [ block.dig("attrs", "id") ] : []
    end
  end

  def headings_of_insert(id)
    inner = inserts.values.find { |shown| shown.prefix == "#{prefix}#{id}-" } or return []
    inner.headings.map { |heading| heading.dup.tap { |copy| copy.id = "#{inner.prefix}#{heading.id}" unless heading.id.include?("-") } }
  end
end
