module Leaves
  class ContentsList < Leaf
    private

    def told(attrs, document)
      headings = document.headings.select { |heading| heading.level <= (attrs["depth"] || Zuhause::Document::Schema::HEADING_LEVELS.end) }
      shown = headings.first(level.budget.contents(headings.size))
      items = shown.map { |heading| %(<li class="contents-#{heading.level}"><a href="##{heading.id.include?("-") ? heading.id : "#{document.prefix}#{heading.id}"}">#{escape(heading.text)}</a></li>) }
      rest = %(<p class="insert-none">#{escape(t("contents_beyond", count: headings.size - shown.size))}</p>) if shown.size < headings.size
      %(<nav aria-label="#{escape(t("contents"))}"><ul>#{items.join}</ul>#{rest}</nav>)
    end
  end
end
