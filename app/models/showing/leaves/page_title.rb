module Leaves
  # A page's present title.
  class PageTitle < Leaf
    def needs(attrs)
      { pages: [ attrs["page"] ] }
    end

    private

    def told(attrs, _document)
      page = level.pages[attrs["page"]]
      return %(<a class="leaf-title" href="#{page_path(page)}">#{escape(page.title)}</a>) if page

      %(<span class="leaf-title">#{escape(t(level.gone?(attrs["page"]) ? "page_title.gone" : "page_title.hidden"))}</span>)
    end
  end
end
