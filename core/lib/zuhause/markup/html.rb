require "cgi/escape"
require "rouge"

module Zuhause
  module Markup
    # Writes a document as HTML. Every text and attribute is escaped here, so what comes out holds no code.
    class HTML
      # Grows whenever what is written changes, so that kept results are made anew.
      VERSION = 5

      MARK_TAGS = { "strong" => "strong", "emphasis" => "em", "underline" => "u", "strike" => "s", "highlight" => "mark",
                    "colour" => "span", "blank" => "var", "sub" => "sub", "sup" => "sup", "code" => "code" }.freeze
      # Longer listings are shown plain: colouring takes time that grows with them, and helps less.
      LONGEST_COLOURED = 50_000

      # Tables of more columns, or set wider than the text is (in pixels), break out to both sides.
      WIDE = 6
      TEXT_WIDTH = 700

      BLOCK_TAGS = { "paragraph" => "p", "bullet_list" => "ul", "ordered_list" => "ol", "list_item" => "li",
                     "quote" => "blockquote", "task_list" => "ul", "column" => "div", "columns" => "div", "passage" => "div" }.freeze
      BLOCK_CLASSES = { "task_list" => "tasks", "passage" => "passage" }.freeze

      # Links as they can be written where nothing is known of the house: outside addresses work, all else is text.
      PLAIN_LINK = lambda do |target, label|
        target.address ? %(<a href="#{CGI.escapeHTML(target.address)}">#{label}</a>) : label
      end

      # What depends on who looks, and when, as it can be written where neither is known.
      PLAIN_LEAF = lambda do |node|
        case node["type"]
        when "date" then CGI.escapeHTML(node.dig("attrs", "date").to_s)
        when "task" then node.dig("attrs", "done") ? "☑ " : "☐ "
        else ""
        end
      end

      # @param doc [Hash] a document in normal form
      # @param tones [Hash{String=>String}] the words for a notice's tones
      # @param link [#call] takes a {Links::Target} and the label's HTML, gives the link's HTML
      # @param leaf [#call] takes a mention, date, page_title, cite, contents_list, live_insert, figure, embed, references, or a task without its content,
      #   gives its HTML (of a task, what stands before its text)
      # @return [String] HTML; blocks bear "b-" and their id as id
      def self.write(doc, tones: {}, link: PLAIN_LINK, leaf: PLAIN_LEAF)
        new(tones, link, leaf).children(doc)
      end

      def initialize(tones, link, leaf = PLAIN_LEAF)
        @tones = tones
        @link = link
        @leaf = leaf
      end

      def children(node)
        (node["content"] || []).map { |child| block(child) }.join
      end

      private

      def block(node)
        case node["type"]
        when "heading" then element("h#{(node.dig("attrs", "level") || 1) + 1}", node, inline(node), align(node))
        when "paragraph" then element("p", node, inline(node), align(node))
        when "code_block" then code(node)
        when "divider" then "<hr#{id(node)}>"
        when "notice" then notice(node)
        when "ordered_list" then element("ol", node, children(node), start(node))
        when "columns" then element("div", node, children(node), %( class="columns columns-#{node["content"].size}"))
        when "column" then element("div", node, children(node), %( class="column column-#{node.dig("attrs", "share") || 1}"))
        when "fold" then fold(node)
        when "task" then task(node)
        when "table" then table(node)
        when "row" then element("tr", node, children(node))
        when "cell", "header_cell" then cell(node)
        when "figure" then figure(node)
        when "gallery" then element("div", node, children(node), %( class="gallery gallery-#{node.dig("attrs", "layout") || "grid"}"#{%( tabindex="0") if node.dig("attrs", "layout") == "slides"}))
        when "contents_list", "live_insert", "embed", "references" then element("div", node, @leaf.call(node), %( class="#{node["type"].tr("_", "-")}"))
        else element(BLOCK_TAGS.fetch(node["type"]), node, children(node), block_class(node))
        end
      end

      def block_class(node)
        name = BLOCK_CLASSES[node["type"]]
        name ? %( class="#{name}") : ""
      end

      def figure(node)
        side, width = node.dig("attrs", "side"), node.dig("attrs", "width")
        picture = @leaf.call(node.slice("type", "attrs"))
        target = Links::Target.parse(node.dig("attrs", "target").to_s)
        picture = @link.call(target, picture) if target
        classes = [ "figure", ("figure-#{side}" if side), ("width-#{(width / 10.0).round * 10}" if width) ].compact.join(" ")
        caption = inline(node)
        element("figure", node, "#{picture}#{"<figcaption>#{caption}</figcaption>" unless caption.empty?}", %( class="#{classes}"))
      end

      def fold(node)
        title = CGI.escapeHTML(node.dig("attrs", "title").to_s)
        element("details", node, "<summary>#{title}</summary>#{children(node)}", %( class="fold"#{" open" if node.dig("attrs", "open")}))
      end

      def task(node)
        box = @leaf.call(node.slice("type", "attrs"))
        element("li", node, %(#{box}<div class="task-text">#{children(node)}</div>), %( class="task"))
      end

      # A wide table scrolls in a box of its own, which can be reached by keyboard for that.
      def table(node)
        %(<div class="table#{" table-wide" if wide?(node)}" tabindex="0"><table#{id(node)}>#{widths(node)}<tbody>#{children(node)}</tbody></table></div>)
      end

      def wide?(node)
        Document::Table.width(node["content"]) > WIDE || node["content"].first["content"].sum { |cell| (cell.dig("attrs", "colwidth") || []).sum } > TEXT_WIDTH
      end

      def widths(node)
        first = (node["content"] || []).first
        return "" unless first.is_a?(Hash) && first["content"].any? { |cell| cell.dig("attrs", "colwidth") }

        columns = first["content"].flat_map { |cell| cell.dig("attrs", "colwidth") || Array.new(Document::Table.span(cell, "colspan"), 0) }
        "<colgroup>#{columns.map { |width| width.positive? ? %(<col width="#{width}">) : "<col>" }.join}</colgroup>"
      end

      def cell(node)
        attrs = %w[colspan rowspan].filter_map { |name| (span = node.dig("attrs", name)) && %( #{name}="#{span}") }
        attrs << align(node)
        element(node["type"] == "cell" ? "td" : "th", node, children(node), attrs.join)
      end

      def align(node)
        align = node.dig("attrs", "align")
        align ? %( class="align-#{align}") : ""
      end

      def element(tag, node, inner, attrs = "")
        "<#{tag}#{id(node)}#{attrs}>#{inner}</#{tag}>"
      end

      def id(node)
        value = node.dig("attrs", "id")
        value ? %( id="b-#{value}") : ""
      end

      def start(node)
        value = node.dig("attrs", "start")
        value ? %( start="#{value}") : ""
      end

      def notice(node)
        tone = node.dig("attrs", "tone") || "note"
        name = CGI.escapeHTML(@tones.fetch(tone, tone.capitalize))
        inner = %(<p class="notice-name">#{name}</p>#{children(node)})
        element("div", node, inner, %( class="notice notice-#{tone}" role="note"))
      end

      def code(node)
        language = node.dig("attrs", "language")
        text = (node["content"] || []).map { |n| n["text"] }.join
        attrs = %( class="code" tabindex="0")
        attrs << %( data-language="#{CGI.escapeHTML(language)}") if language
        element("pre", node, "<code>#{highlight(text, language)}</code>", attrs)
      end

      def highlight(text, language)
        lexer = language && text.length <= LONGEST_COLOURED && Rouge::Lexer.find(language)
        lexer ? Rouge::Formatters::HTML.new.format(lexer.new.lex(text)) : CGI.escapeHTML(text)
      end

      def inline(node)
        (node["content"] || []).chunk_while { |a, b| Links.target_of(a) && Links.target_of(a) == Links.target_of(b) }
                               .map { |run| linked(run) }.join
      end

      def linked(run)
        label = run.map { |node| text(node) }.join
        target = Links.target_of(run.first)
        target ? @link.call(Links::Target.parse(target), label) : label
      end

      def text(node)
        return "<br>" if node["type"] == "hard_break"
        return @leaf.call(node) unless node["type"] == "text"

        marks = (node["marks"] || []).select { |mark| MARK_TAGS.key?(mark["type"]) }
        "#{marks.map { |mark| opening(mark) }.join}#{CGI.escapeHTML(node["text"])}#{marks.reverse.map { |mark| "</#{MARK_TAGS[mark["type"]]}>" }.join}"
      end

      def opening(mark)
        tone = Document::Schema::MARKS.fetch(mark["type"]).attrs["tone"]
        return "<#{MARK_TAGS[mark["type"]]}>" unless tone

        %(<#{MARK_TAGS[mark["type"]]} class="#{mark["type"]}-#{mark.dig("attrs", "tone") || tone.default}">)
      end
    end
  end
end
