# Recognises addresses of this house's pages in text, so that links name the page and not where it happens to be.
class PageAddresses
  # @param base_url [String]
  # @param viewer [Viewer, nil] who is told titles; nobody if there is none
  def initialize(base_url, viewer = nil)
    @address = %r{#{Regexp.escape(base_url)}/p/(?:[a-z0-9-]*-)?([a-z0-9]{10})(?:#b-([a-z0-9]{8}))?(?![\w-])}
    @viewer = viewer
  end

  # @param text [String] Markdown
  # @return [String] the same with page targets; an address that stands alone becomes a link labelled with the title
  def to_targets(text)
    return text unless text.valid_encoding?

    alone = text.strip.match(/\A#{@address}\z/)
    page = alone && @viewer && Page.seen_by(@viewer).find_by(public_id: alone[1])
    return Zuhause::Markup::MarkdownWriter.write(link_to(page, alone[2]), ids: false) if page

    text.gsub(@address) { target(Regexp.last_match(1), Regexp.last_match(2)) }
  end

  # @param text [String, nil] an address somebody typed
  # @return [String, nil] the page's target if it is one of this house's pages, else the text
  def to_target(text)
    text&.strip&.sub(/\A#{@address}\z/) { target(Regexp.last_match(1), Regexp.last_match(2)) }
  end

  private

  def target(id, block)
    [ "page:#{id}", block ].compact.join("#")
  end

  def link_to(page, block)
    mark = { "type" => "link", "attrs" => { "target" => target(page.public_id, block) } }
    text = { "type" => "text", "text" => page.title, "marks" => [ mark ] }
    { "type" => "doc", "content" => [ { "type" => "paragraph", "content" => [ text ] } ] }
  end
end
