# A document as one viewer sees it. What is the same for everybody is kept; links are filled in at each view, in one
# batch of queries, because what they lead to depends on who looks and changes without the document.
class ShownDocument
  LINK = %r{<x-link target="([^"]*)">(.*?)</x-link>}m

  include Rails.application.routes.url_helpers

  # @return [Hash{String=>String}] the words for the tones of notices
  def self.tones
    Zuhause::Document::Schema::TONES.index_with { |tone| I18n.t("document.tones.#{tone}") }
  end

  # @param state [Edition, Draft]
  # @param page [Page] whose state it is
  def initialize(state, page:, viewer:)
    @state = state
    @page = page
    @viewer = viewer
  end

  # @return [ActiveSupport::SafeBuffer]
  def to_html
    html = same_for_all
    targets = html.scan(LINK).to_h { |target, _label| [ target, Zuhause::Links::Target.parse(CGI.unescapeHTML(target)) ] }
    look_up(targets.values)
    html.gsub(LINK) { link(targets.fetch(Regexp.last_match(1)), Regexp.last_match(2)) }.html_safe
  end

  def headings
    Zuhause::Document::Outline.headings(@state.document)
  end

  private

  def same_for_all
    return write unless @state.is_a?(Edition)

    Rails.cache.fetch([ "document", @page.public_id, @state.number, Zuhause::Markup::HTML::VERSION, I18n.locale ]) { write }
  end

  def write
    Zuhause::Markup::HTML.write(@state.document, tones: self.class.tones, link: lambda { |target, label|
      %(<x-link target="#{CGI.escapeHTML(target.to_s)}">#{label}</x-link>)
    })
  end

  def look_up(targets)
    ids = targets.select { |target| target.kind == :page }.map(&:value)
    titles = targets.select { |target| target.kind == :promise }.map(&:value)
    @pages = ids.any? ? Page.seen_by(@viewer).where(public_id: ids).index_by(&:public_id) : {}
    @existing = ids.any? ? Page.where(public_id: ids).pluck(:public_id).to_set : Set.new
    @kept = Promise.kept(titles, viewer: @viewer, room: @page.room)
  end

  def link(target, label)
    case target.kind
    when :page then page_link(target, label)
    when :promise then promise_link(target, label)
    when :web then %(<a class="link-away" rel="noopener noreferrer" title="#{CGI.escapeHTML(target.site.to_s)}" href="#{CGI.escapeHTML(target.address)}">#{label}</a>)
    when :mailto, :tel then %(<a href="#{CGI.escapeHTML(target.address)}">#{label}</a>)
    else label
    end
  end

  def page_link(target, label)
    page = @pages[target.value]
    return %(<a href="#{page_path(page)}#{"#b-#{target.block}" if target.block}">#{label}</a>) if page
    return label if @existing.include?(target.value)

    %(<span class="link-gone">#{label}<span class="link-gone-mark"> (#{I18n.t("links.gone")})</span></span>)
  end

  def promise_link(target, label)
    page = @kept[Zuhause::Document::Title.normalise(target.value)]
    return %(<a href="#{page_path(page)}">#{label}</a>) if page

    address = CGI.escapeHTML(new_page_promise_path(@page, title: target.value))
    %(<a class="link-promise" href="#{address}">#{label}<span class="sr-only"> (#{I18n.t("links.promised")})</span></a>)
  end
end
