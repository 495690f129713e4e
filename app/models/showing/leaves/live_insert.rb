module Leaves
  # Another page, or one passage of it, shown where it is inserted, always as it is published now.
  class LiveInsert < Leaf
    DEEPEST = 5

    def needs(attrs)
      { pages: [ attrs["page"] ] }
    end

    # @return [ShownDocument, nil] what is to be shown there; nil where only a line says why nothing is
    def open(node, document)
      attrs = node["attrs"] || {}
      return if problem(attrs, document)

      page, part = level.led(attrs["page"], attrs["passage"].presence)
      document.inserts[node] = ShownDocument.new(page.edition, page: page, viewer: viewer, within: document.within, part: part_shown(attrs, part),
                                                 prefix: "#{document.prefix}#{attrs["id"]}-", citations: document.citations)
      return document.inserts[node] if level.budget.insert?

      document.inserts.delete(node)
      nil
    end

    def html(node, document)
      attrs = node["attrs"] || {}
      inner = document.inserts[node]
      return none(problem(attrs, document) || :too_much, attrs) unless inner
      return none(:gone, attrs) if inner.gone?

      %(<div class="insert" data-insert="#{inner.page.public_id}">#{inner.to_html}<p class="insert-from">#{from(inner)}</p></div>)
    end

    private

    def none(problem, attrs)
      page = level.pages[attrs["page"]] if problem == :too_much
      way = %( <a href="#{page_path(page)}">#{escape(page.title)}</a>) if page
      %(<p class="insert-none">#{t("insert.#{problem}")}#{way}</p>)
    end

    # Of a page that has come into another, what stands under its heading there is not told apart: the whole page is shown.
    def part_shown(attrs, part)
      part if attrs["passage"].present?
    end

    def problem(attrs, document)
      return :none if attrs["page"].nil?

      page, = level.led(attrs["page"], attrs["passage"].presence)
      page or return level.gone?(attrs["page"]) ? :gone : :hidden
      return :unpublished unless page.edition
      return :circle if document.within.include?([ page.public_id, attrs["passage"] ].compact_blank.join("#")) || document.within.include?(page.public_id)

      :deep if document.within.size > DEEPEST
    end

    # Where it comes from, with the ways there.
    def from(inner)
      link = %(<a href="#{page_path(inner.page)}#{"#b-#{inner.part}" if inner.passage_wanted?}">#{escape(inner.page.title)}</a>)
      name = inner.passage_name.presence
      words = name ? t("insert.from_passage_html", name: escape(name), page: link) : t("insert.from_html", page: link)
      return words unless PagePolicy.new(viewer, inner.page).edit?

      %(#{words} · <a href="#{edit_page_draft_path(inner.page)}">#{t("insert.edit")}</a>)
    end
  end
end
