require "cgi/escape"
require "rouge"

module Zuhause
  module Markup
    # Writes a document as HTML. Every text and attribute is escaped here, so what comes out holds no code.
    class HTML
      # Grows whenever what is written changes, so that kept results are made anew.
      VERSION = 1

      MARK_TAGS = { "strong" => "strong", "emphasis" => "em", "strike" => "s", "code" => "code" }.freeze
      # Longer listings are shown plain: colouring takes time that grows with them, and helps less.
      LONGEST_COLOURED = 50_000

      BLOCK_TAGS = { "paragraph" => "p", "bullet_list" => "ul", "ordered_list" => "ol", "list_item" => "li",
                     "quote" => "blockquote" }.freeze

      # Links as they can be written where nothing is known of the house: outside addresses work, all else is text.
      PLAIN_LINK = lambda do |target, label|
        target.address ? %(<a href="#{CGI.escapeHTML(target.address)}">#{label}</a>) : label
      end

      # @param doc [Hash] a document in normal form
      # @param tones [Hash{String=>String}] the words for a notice's tones
      # @param link [#call] takes a {Links::Target} and the label's HTML, gives the link's HTML
      # @return [String] HTML; blocks bear "b-" and their id as id
      def self.write(doc, tones: {}, link: PLAIN_LINK)
        new(tones, link).children(doc)
      end

      def initialize(tones, link)
        @tones = tones
        @link = link
      end

      def children(node)
        (node["content"] || []).map { |child| block(child) }.join
      end

      private

      def block(node)
        case node["type"]
        when "heading" then element("h#{(node.dig("attrs", "level") || 1) + 1}", node, inline(node))
        when "paragraph" then element("p", node, inline(node))
        when "code_block" then code(node)
        when "divider" then "<hr#{id(node)}>"
        when "notice" then notice(node)
        when "ordered_list" then element("ol", node, children(node), start(node))
        else element(BLOCK_TAGS.fetch(node["type"]), node, children(node))
        end
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

        marks = (node["marks"] || []).filter_map { |mark| MARK_TAGS[mark["type"]] }
        "#{marks.map { |m| "<#{m}>" }.join}#{CGI.escapeHTML(node["text"])}#{marks.reverse.map { |m| "</#{m}>" }.join}"
      end
    end
  end
end
