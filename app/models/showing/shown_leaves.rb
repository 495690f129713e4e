# What stands in a document and is told anew at each view: people, dates, titles of pages, tasks, contents lists and live
# inserts, looked up together.
class ShownLeaves
  # @param nodes [Array<Hash>]
  # @param shown [ShownDocument] where they stand
  def initialize(nodes, shown)
    @shown = shown
    by_type = nodes.group_by { |node| node["type"] }
    people = by_type.fetch("mention", []).map { |node| node.dig("attrs", "person") } + by_type.fetch("task", []).map { |node| node.dig("attrs", "assignee") }
    pages = %w[page_title live_insert].flat_map { |type| by_type.fetch(type, []) }.map { |node| node.dig("attrs", "page") }
    @people = people.any? ? Person.where(public_id: people).index_by(&:public_id) : {}
    @pages = pages.any? ? Page.seen_by(shown.viewer).where(public_id: pages).includes(:room, :edition).index_by(&:public_id) : {}
    files = %w[figure embed].flat_map { |type| by_type.fetch(type, []) }.map { |node| node.dig("attrs", "file") }
    @files = files.any? ? PageFile.where(public_id: files, page: shown.page).includes(content_attachment: :blob).index_by(&:public_id) : {}
    @tasks = by_type.key?("task") && shown.published_now? ? Task.where(page: shown.page).index_by(&:block_id) : {}
    sources = by_type.fetch("cite", []).map { |node| node.dig("attrs", "source") }
    shown.citations.know(Source.where(public_id: sources)) if sources.any?
    @gone = Tombstone.met_by(shown.viewer, pages.compact - @pages.keys)
  end

  # @return [String] HTML
  def html(node)
    send(node["type"], node["attrs"] || {})
  end

  private

  def t(key, **values)
    I18n.t("document.#{key}", **values)
  end

  def escape(text)
    CGI.escapeHTML(text.to_s)
  end

  def mention(attrs)
    person = @people[attrs["person"]]
    %(<span class="mention">#{escape(name_of(person) || t(person ? "mention.hidden" : "mention.gone"))}</span>)
  end

  def date(attrs)
    attrs["date"] ? %(<time class="date" datetime="#{attrs["date"]}">#{escape(day(attrs["date"]))}</time>) : ""
  end

  def page_title(attrs)
    page = @pages[attrs["page"]]
    return %(<a href="#{Rails.application.routes.url_helpers.page_path(page)}">#{escape(page.title)}</a>) if page

    escape(t(@gone.include?(attrs["page"]) ? "page_title.gone" : "page_title.hidden"))
  end

  def task(attrs)
    who = name_of(@people[attrs["assignee"]])
    due = attrs["due"] && t("task.due", day: day(attrs["due"]))
    facts = [ who, due ].compact.join(", ")
    task = @tasks[attrs["id"]]
    attrs = attrs.merge("done" => task.done) if task
    box = task && ticking? ? tick(task) : %(<span class="task-box#{" task-ticked" if attrs["done"]}" role="img" aria-label="#{escape(t(attrs["done"] ? "task.done" : "task.open"))}"></span>)
    facts.empty? ? box : %(#{box}<span class="task-facts#{" task-late" if late?(attrs)}">#{escape(facts)}</span>)
  end

  def name_of(person)
    person.name if person && @shown.viewer.meets?(person)
  end

  # Whether tasks can be ticked here: by who may comment, in the page itself.
  def ticking?
    @ticking ||= @shown.page_itself? && PagePolicy.new(@shown.viewer, @shown.page).tick? ? :yes : :no
    @ticking == :yes
  end

  def tick(task)
    address = Rails.application.routes.url_helpers.page_tick_path(@shown.page, task.block_id)
    %(<button type="button" class="task-box task-tick#{" task-ticked" if task.done?}" data-tick="#{address}" aria-pressed="#{task.done?}" aria-label="#{escape(t("task.tick", text: task.text))}"></button>)
  end

  def late?(attrs)
    attrs["due"] && !attrs["done"] && Date.iso8601(attrs["due"]) < Date.current
  end

  def contents_list(attrs)
    headings = @shown.headings.select { |heading| heading.level <= (attrs["depth"] || Zuhause::Document::Schema::HEADING_LEVELS.end) }
    items = headings.map { |heading| %(<li class="contents-#{heading.level}"><a href="##{heading.id.include?("-") ? heading.id : "#{@shown.prefix}#{heading.id}"}">#{escape(heading.text)}</a></li>) }
    %(<nav aria-label="#{escape(t("contents"))}"><ul>#{items.join}</ul></nav>)
  end

  def figure(attrs)
    file = @files[attrs["file"]] or return missing
    address = address_of(file)
    versions = file.kind == "picture" ? PageFile::WIDTHS.select { |width| width < file.width.to_i }.map { |width| "#{address}?w=#{width} #{width}w" } : []
    source = versions.any? ? %( srcset="#{[ *versions, "#{address} #{file.width}w" ].join(", ")}" sizes="(max-width: 720px) 100vw, 760px") : ""
    size = file.width ? %( width="#{file.width}" height="#{file.height}") : ""
    %(<img src="#{address}"#{source}#{size} alt="#{escape(attrs["alt"])}" loading="lazy">)
  end

  def cite(attrs)
    @shown.citations.cite(attrs["source"], attrs["place"])
  end

  # Filled in when all that is cited is known; what is shown in another page cites there.
  def references(attrs)
    @shown.within.size == 1 ? "#{ShownDocument::REFERENCES}#{attrs["columns"] || 1}-->" : ""
  end

  # What its writer says of an address; nothing is fetched from it.
  def card(attrs)
    target = Zuhause::Links::Target.parse(attrs["address"])
    title = attrs["title"].presence || target.site
    text = %(<span class="card-text">#{escape(attrs["text"])}</span>) if attrs["text"].present?
    %(<a class="card" rel="noopener noreferrer" href="#{escape(target.address)}"#{' target="_blank"' if @shown.viewer.sites_apart?}><span class="card-title">#{escape(title)}</span>#{text}<span class="card-site">#{escape(target.site)}</span></a>)
  end

  def embed(attrs)
    return card(attrs) if attrs["address"]

    file = @files[attrs["file"]] or return missing
    address = address_of(file)
    shown = case file.kind
    when "video" then %(<video controls preload="metadata" src="#{address}"></video>)
    when "pdf" then sheets(file, address)
    when "audio" then %(<audio controls preload="metadata" src="#{address}"></audio>)
    end
    %(#{shown}<p class="file"><a href="#{address}">#{escape(file.name)}</a> <span>#{ActiveSupport::NumberHelper.number_to_human_size(file.content.blob.byte_size)}</span></p>)
  end

  def sheets(file, address)
    return unless file.sheets

    shown = [ file.sheets, PageFile::SHEETS_SHOWN ].min
    pictures = (1..shown).map { |number| %(<img src="#{address}?sheet=#{number}" alt="#{escape(t("sheet", number: number, count: file.sheets, name: file.name))}" loading="lazy">) }
    %(<div class="pdf" tabindex="0" role="group" aria-label="#{escape(file.name)}">#{pictures.join}</div>)
  end

  def missing
    %(<span class="insert-none">#{escape(t("file_gone"))}</span>)
  end

  def address_of(file)
    Rails.application.routes.url_helpers.page_file_path(file)
  end

  def live_insert(attrs)
    LiveInsert.new(attrs, @shown, page: @pages[attrs["page"]], gone: @gone.include?(attrs["page"])).to_html
  end

  def day(date)
    I18n.l(Date.iso8601(date), format: :day_and_year)
  rescue Date::Error
    date
  end
end
