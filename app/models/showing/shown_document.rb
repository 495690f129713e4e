# A document as one viewer sees it. What is the same for everybody is kept; links, live inserts, names and dates are
# filled in at each view, in batches of queries, because they depend on who looks and change without the document.
class ShownDocument
  LINK = %r{<x-link target="([^"]*)">(.*?)</x-link>}m
  LEAF = %r{<x-leaf data="([^"]*)"></x-leaf>}

  # Keeps the place of what depends on who looks.
  HOLD_LEAF = ->(leaf) { %(<x-leaf data="#{CGI.escapeHTML(JSON.generate(leaf))}"></x-leaf>) }

  # @return [Hash{String=>String}] the words for the tones of notices
  def self.tones
    Zuhause::Document::Schema::TONES.index_with { |tone| I18n.t("document.tones.#{tone}") }
  end

  # @return [Hash{Symbol=>String}] the words for footnotes
  def self.notes
    Zuhause::Markup::HTML::NOTES.keys.index_with { |name| I18n.t("document.notes.#{name}") }
  end

  OWN = "b-" # before the ids of a page's own blocks

  REFERENCES = "<!--references-".freeze # where the list of references is to stand, and in how many columns

  attr_reader :page, :viewer, :prefix, :citations

  # @param state [Edition, Draft]
  # @param page [Page] whose state it is
  # @param within [Array<String>] addresses of what it is shown in as a live insert, from the outside in
  # @param part [Hash, nil] a passage of it, if only that is to be shown
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
  end

  # @return [ActiveSupport::SafeBuffer]
  def to_html
    html = same_for_all.html
    html = html.gsub(/ (id="|href="#)#{OWN}/) { " #{Regexp.last_match(1)}#{prefix}" } unless prefix == OWN
    links = ShownLinks.new(html.scan(LINK).map { |target, _label| parse(target) }, page: page, viewer: viewer)
    # Links first: a picture may stand in one, and what a live insert shows has its own links in it already.
    with_references(filled([ html.gsub(LINK) { links.html(parse(Regexp.last_match(1)), Regexp.last_match(2)) } ]).first).html_safe
  end

  # @param blocks [Array<String, nil>] HTML in which places are held by {HOLD_LEAF}
  # @return [Array<String, nil>] the same with what stands there
  def filled(blocks)
    leaves = ShownLeaves.new(blocks.compact.flat_map { |html| html.scan(LEAF).map { |leaf,| node(leaf) } }, self)
    blocks.map { |html| html&.gsub(LEAF) { leaves.html(node(Regexp.last_match(1))) } }
  end

  # @return [Array<Zuhause::Document::Outline::Heading>] its own, and those of live inserts that join in
  def headings
    @headings ||= same_for_all.joined ? LiveInsert.joined_headings(document, self) : same_for_all.headings
  end

  # @return [Hash] what is shown
  def document
    @part ? { "type" => "doc", "content" => @part["content"] } : @state.document
  end

  # Which insert it is shown in, and which those are shown in; nothing where it only stands for a page being written.
  def within
    return [] if @outermost

    [ *@within, [ page.public_id, @part&.dig("attrs", "id") ].compact.join("#") ]
  end

  # Whether it shows what is published now, over which ticks are laid.
  def published_now?
    @state.is_a?(Edition) && @state.id == page.edition_id
  end

  # Whether its tasks can be ticked here: in the page itself, as it is published.
  def page_itself?
    @within.empty? && !@outermost && published_now?
  end

  private

  # A page that cites has a list of it, at its end if nowhere else.
  def with_references(html)
    return html if @inner

    placed = html.gsub(/#{REFERENCES}([12])-->/) { citations.any? ? citations.list(columns: Regexp.last_match(1).to_i) : "" }
    citations.any? && placed == html ? html + citations.list : placed
  end

  def parse(target)
    Zuhause::Links::Target.parse(CGI.unescapeHTML(target))
  end

  def node(leaf)
    JSON.parse(CGI.unescapeHTML(leaf))
  end

  # What of a text is the same whoever looks: its HTML with places for the rest, its headings, and whether headings of what
  # it shows live join in.
  Same = Struct.new(:html, :headings, :joined)

  def same_for_all
    @same_for_all ||= @state.is_a?(Edition) ? Rails.cache.fetch([ "shown", page.id, @state.digest, Zuhause::Markup::HTML::VERSION, I18n.locale, @part&.dig("attrs", "id") ]) { write } : write
  end

  def write
    joined = Zuhause::Document::Walk.blocks(document).any? { |block| block["type"] == "live_insert" && block.dig("attrs", "headings") }
    Same.new(to_places, Zuhause::Document::Outline.headings(document), joined)
  end

  def to_places
    Zuhause::Markup::HTML.write(document, tones: self.class.tones, notes: self.class.notes,
      link: ->(target, label) { %(<x-link target="#{CGI.escapeHTML(target.to_s)}">#{label}</x-link>) },
      leaf: HOLD_LEAF)
  end
end
