# The links of a document as one viewer sees them, looked up together.
class ShownLinks
  include Rails.application.routes.url_helpers

  # @param targets [Array<Zuhause::Links::Target>]
  # @param page [Page] where they stand
  def initialize(targets, page:, viewer:)
    @page = page
    @apart = viewer.sites_apart?
    ids = targets.select { |target| target.kind == :page }.map(&:value)
    titles = targets.select { |target| target.kind == :promise }.map(&:value)
    @pages = ids.any? ? Page.seen_by(viewer).where(public_id: ids).eager_load(:edition).index_by(&:public_id) : {}
    @gone = Tombstone.met_by(viewer, ids - @pages.keys)
    @kept = Promise.kept(titles, viewer: viewer, room: page.room)
  end

  # @param label [String] HTML
  # @return [String] HTML
  def html(target, label)
    case target.kind
    when :page then page_link(target, label)
    when :promise then promise_link(target, label)
    when :web then %(<a class="link-away" rel="noopener noreferrer" title="#{CGI.escapeHTML(target.site.to_s)}" href="#{CGI.escapeHTML(target.address)}"#{' target="_blank"' if @apart}>#{label}#{apart_words}</a>)
    when :mailto, :tel then %(<a href="#{CGI.escapeHTML(target.address)}">#{label}</a>)
    else label
    end
  end

  private

  def apart_words
    %(<span class="sr-only"> (#{I18n.t("links.apart")})</span>) if @apart
  end

  def page_link(target, label)
    page = @pages[target.value]
    return %(<a#{tells(page)} href="#{page_path(page)}#{"#b-#{target.block}" if target.block}">#{label}</a>) if page
    return label unless @gone.include?(target.value)

    %(<span class="link-gone">#{label}<span class="link-gone-mark"> (#{I18n.t("links.gone")})</span></span>)
  end

  # What is told of a page where a link to it has the focus.
  def tells(page)
    @states ||= PageStates.of(@pages.values | @kept.values)
    %( data-tells="#{CGI.escapeHTML("#{page.title}, #{@states.fetch(page.public_id)}")}")
  end

  def promise_link(target, label)
    page = @kept[Zuhause::Document::Title.normalise(target.value)]
    return %(<a#{tells(page)} href="#{page_path(page)}">#{label}</a>) if page

    address = CGI.escapeHTML(new_page_promise_path(@page, title: target.value))
    %(<a class="link-promise" href="#{address}">#{label}<span class="sr-only"> (#{I18n.t("links.promised")})</span></a>)
  end
end
