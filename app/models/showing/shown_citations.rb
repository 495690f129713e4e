# What a page cites as it is shown: sources are numbered as they are met, those of live inserts among them, and the list
# of references leads back to each place.
class ShownCitations
  def initialize
    @numbers = {}
    @places = Hash.new { |hash, id| hash[id] = [] }
    @sources = {}
    @count = 0
  end

  # @param sources [Array<Source>] that may be met from now on
  def know(sources)
    sources.each { |source| @sources[source.public_id] = source }
  end

  # Where no list is shown, they lead nowhere.
  def unlisted
    @unlisted = true
  end

  def any?
    @numbers.any?
  end

  # @param id [String] a source's public id
  # @param place [String] a page, a chapter
  # @return [String] HTML
  def cite(id, place)
    return %(<span class="cite-gone">#{I18n.t("document.cite.gone")}</span>) unless @sources.key?(id)

    number = @numbers[id] ||= @numbers.size + 1
    @places[id] << (anchor = "cite-#{@count += 1}")
    said = "[#{number}#{", #{CGI.escapeHTML(place)}" if place.present?}]"
    title = CGI.escapeHTML(@sources[id].title)
    @unlisted ? %(<span class="cite" title="#{title}">#{said}</span>) : %(<a class="cite" id="#{anchor}" href="#source-#{number}" title="#{title}">#{said}</a>)
  end

  # @param columns [Integer]
  # @return [String] HTML of the list
  def list(columns: 1)
    items = @numbers.map { |id, number| %(<li id="source-#{number}">#{entry(@sources.fetch(id))} #{back(@places[id], number)}</li>) }
    heading = CGI.escapeHTML(I18n.t("document.references"))
    %(<section class="references-list references-#{columns}" aria-label="#{heading}"><h2>#{heading}</h2><ol>#{items.join}</ol></section>)
  end

  private

  def entry(source)
    escape = CGI.method(:escapeHTML)
    title = %(<cite>#{escape[source.title]}</cite>)
    title = %(<a class="link-away" rel="noopener noreferrer" title="#{escape[Zuhause::Links::Target.parse(source.address).site.to_s]}" href="#{escape[source.address]}">#{title}</a>) if source.address.present?
    accessed = I18n.t("document.cite.accessed", day: I18n.l(source.accessed_on, format: :day_and_year)) if source.accessed_on
    said = ->(text) { text.presence && escape[text.delete_suffix(".")] }
    [ said[source.author], title, said[source.publisher], said[source.date], accessed ].compact.join(". ")
  end

  # To where it is cited: a letter for each place.
  def back(places, number)
    links = places.each_with_index.map { |anchor, i| %(<a href="##{anchor}" aria-label="#{CGI.escapeHTML(I18n.t("document.cite.back", number: number, place: i + 1))}">#{places.one? ? "↑" : "↑#{i + 1}"}</a>) }
    %(<span class="references-back">#{links.join(" ")}</span>)
  end
end
