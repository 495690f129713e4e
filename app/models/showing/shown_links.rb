# The links of documents as one viewer sees them.
class ShownLinks
  include Rails.application.routes.url_helpers

  # @param level [ShowingLevel] where they stand
  def initialize(level)
    @level = level
    @apart = level.viewer.sites_apart?
    @schemes = level.viewer.schemes
  end

  # @param label [String] HTML
  # @param document [ShownDocument] in which it stands
  # @return [String] HTML
  def html(target, label, document)
    case target.kind
    when :page then page_link(target, label)
    when :promise then promise_link(target, label, document.page)
    when :web then %(<a class="link-away" rel="noopener noreferrer" title="#{CGI.escapeHTML(target.site.to_s)}" href="#{CGI.escapeHTML(target.address)}"#{' target="_blank"' if @apart}>#{label}#{apart_words}</a>)
    when :place then place_link(target, label)
    when :mailto, :tel then %(<a href="#{CGI.escapeHTML(target.address)}">#{label}</a>)
    else label
    end
  end

  private

  # Where administrators allow it. Browsers open few of them from a page: the address can be taken along instead.
  def place_link(target, label)
    return label unless @schemes.include?(target.scheme)

    address = CGI.escapeHTML(target.address)
    %(<a class="link-place" data-place title="#{address}" href="#{address}">#{label}</a>)
  end

  def apart_words
    %(<span class="sr-only"> (#{I18n.t("links.apart")})</span>) if @apart
  end

  def page_link(target, label)
    page, block = @level.led(target.value, target.block)
    return %(<a#{tells(page)} href="#{page_path(page)}#{"#b-#{block}" if block}">#{label}</a>) if page
    return label unless @level.gone?(target.value)

    %(<span class="link-gone">#{label}<span class="link-gone-mark"> (#{I18n.t("links.gone")})</span></span>)
  end

  # What is told of a page where a link to it has the focus.
  def tells(page)
    %( data-tells="#{CGI.escapeHTML("#{page.title}, #{PageStates.words(page, @level.viewer)}")}")
  end

  def promise_link(target, label, around)
    page = @level.promised(target, around)
    return %(<a#{tells(page)} href="#{page_path(page)}">#{label}</a>) if page

    address = CGI.escapeHTML(new_page_promise_path(around, title: target.value))
    %(<a class="link-promise" href="#{address}">#{label}<span class="sr-only"> (#{I18n.t("links.promised")})</span></a>)
  end
end
