# Another page, or one passage of it, shown where it is inserted, always as it is published now.
class LiveInsert
  include Rails.application.routes.url_helpers

  DEEPEST = 5

  # @param attrs [Hash] the node's
  # @param shown [ShownDocument] what it stands in
  # @param page [Page, nil] the page, if the viewer sees it
  # @param gone [Boolean] whether it has been erased and was open to the viewer
  def initialize(attrs, shown, page:, gone: false)
    @attrs = attrs
    @shown = shown
    @page = page
    @gone = gone
  end

  # @return [String] HTML
  def to_html
    problem = problem()
    return %(<p class="insert-none">#{I18n.t("document.insert.#{problem}")}</p>) if problem

    inner = shown_there
    %(<div class="insert">#{inner.to_html}<p class="insert-from">#{from}</p></div>)
  end

  # @return [Array<Zuhause::Document::Outline::Heading>] of a document with those of its inserts that are to join, where
  #   they stand
  def self.joined_headings(document, shown)
    Zuhause::Document::Walk.blocks(document).flat_map do |block|
      next Zuhause::Document::Outline.headings({ "type" => "doc", "content" => [ block ] }) if block["type"] == "heading"
      next [] unless block["type"] == "live_insert" && block.dig("attrs", "headings")

      new(block["attrs"], shown, page: Page.seen_by(shown.viewer).find_by(public_id: block.dig("attrs", "page"))).headings
    end
  end

  def headings
    return [] if problem

    inner = shown_there
    inner.headings.map { |heading| heading.dup.tap { |copy| copy.id = "#{inner.prefix}#{heading.id}" unless heading.id.include?("-") } }
  end

  private

  def problem
    return :none if @attrs["page"].nil?
    return @gone ? :gone : :hidden unless @page
    return :unpublished unless @page.edition
    return :circle if @shown.within.include?(address) || @shown.within.include?(@page.public_id)
    return :deep if @shown.within.size > DEEPEST

    :gone if @attrs["passage"] && passage.nil?
  end

  def address
    [ @page.public_id, @attrs["passage"] ].compact.join("#")
  end

  def passage
    return unless @attrs["passage"]

    @passage ||= Zuhause::Document::Walk.blocks(@page.edition.document).find { |block| block["type"] == "passage" && block.dig("attrs", "id") == @attrs["passage"] }
  end

  def shown_there
    ShownDocument.new(@page.edition, page: @page, viewer: @shown.viewer, within: @shown.within, part: passage, prefix: "#{@shown.prefix}#{@attrs["id"]}-", citations: @shown.citations)
  end

  # Where it comes from, with the ways there.
  def from
    link = %(<a href="#{page_path(@page)}#{"#b-#{@attrs["passage"]}" if passage}">#{CGI.escapeHTML(@page.title)}</a>)
    words = passage && passage.dig("attrs", "name").present? ? I18n.t("document.insert.from_passage_html", name: CGI.escapeHTML(passage.dig("attrs", "name")), page: link) : I18n.t("document.insert.from_html", page: link)
    return words unless PagePolicy.new(@shown.viewer, @page).edit?

    %(#{words} · <a href="#{edit_page_draft_path(@page)}">#{I18n.t("document.insert.edit")}</a>)
  end
end
