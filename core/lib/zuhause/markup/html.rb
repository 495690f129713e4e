require "cgi/escape"
autoload :Rouge, "rouge" # large, and wanted only where code is shown

module Zuhause
  module Markup
    # Writes a document as HTML. Every text and attribute is escaped here, so what comes out holds no code.
    class HTML
      # Grows whenever what is written changes, so that kept results are made anew.
      VERSION = 6

      MARK_TAGS = { "strong" => "strong", "emphasis" => "em", "underline" => "u", "strike" => "s", "highlight" => "mark",
                    "colour" => "span", "blank" => "var", "double" => "ins", "kept" => "ins", "sub" => "sub", "sup" => "sup", "code" => "code" }.freeze
      # Longer listings are shown plain: colouring takes time that grows with them, and helps less.
      LONGEST_COLOURED = 50_000

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

      # What the footnotes are called, and the way back from one of them.
      NOTES = { title: "Footnotes", back: "Back to the text" }.freeze

      # @param doc [Hash] a document in normal form
      # @param tones [Hash{String=>String}] the words for a notice's tones
      # @param notes [Hash{Symbol=>String}] words, see {NOTES}
      # @param link [#call] takes a {Links::Target} and the label's HTML, gives the link's HTML
      # @param leaf [#call] takes a node that is told anew at each view (a mention, date, page_title, cite, contents_list,
      #   live_insert, figure, embed, references, or a task without its content), gives its HTML (of a task, what stands
      #   before its text)
      # @return [String] HTML; blocks bear "b-" and their id as id
      def self.write(doc, **words)
        blocks(doc, **words).join
      end

      # @see .write
      # @return [Array<String>] HTML of each block of the document, and what stands at its foot
      def self.blocks(doc, tones: {}, notes: NOTES, link: PLAIN_LINK, leaf: PLAIN_LEAF)
        writer = new(tones, link, leaf, notes)
        [ *(doc["content"] || []).map { |block| writer.block(block) }, writer.foot ]
      end

      def initialize(tones, link, leaf = PLAIN_LEAF, words = NOTES)
        @tones = tones
        @link = link
        @leaf = leaf
        @words = words
        @notes = []
      end

      # What follows is for the types of nodes ({Document::Node#html}).

      def children(node)
        (node["content"] || []).map { |child| block(child) }.join
      end

      # @return [Integer] how many there are of what it holds
      def size(node)
        node["content"].size
      end

      def block(node)
        type(node).html(node, self)
      end

      # @return [String] the HTML of what stands in a block's line
      def inline(node)
        (node["content"] || []).chunk_while { |a, b| Links.target_of(a) && Links.target_of(a) == Links.target_of(b) }
                               .map { |run| linked(run) }.join
      end

      def text(node)
        marks = (node["marks"] || []).select { |mark| MARK_TAGS.key?(mark["type"]) }
        "#{marks.map { |mark| opening(mark) }.join}#{CGI.escapeHTML(node["text"].to_s)}#{marks.reverse.map { |mark| "</#{MARK_TAGS[mark["type"]]}>" }.join}"
      end

      def leaf(node)
        @leaf.call(node)
      end

      def link(target, label)
        @link.call(target, label)
      end

      def tone(name)
        CGI.escapeHTML(@tones.fetch(name, name.capitalize))
      end

      # @param attrs [String] to stand behind the id
      def element(tag, node, inner, attrs = "")
        "<#{tag}#{id(node)}#{attrs}>#{inner}</#{tag}>"
      end

      def id(node)
        value = node.dig("attrs", "id")
        value ? %( id="b-#{value}") : ""
      end

      def align(node)
        align = node.dig("attrs", "align")
        align ? %( class="align-#{align}") : ""
      end

      # Whether there is room to break out to both sides.
      def wide?
        true
      end

      def code(node, language)
        text = (node["content"] || []).map { |inner| inner["text"] }.join
        lexer = language && text.length <= LONGEST_COLOURED && Rouge::Lexer.find(language)
        lexer ? Rouge::Formatters::HTML.new.format(lexer.new.lex(text)) : CGI.escapeHTML(text)
      end

      # The number of what stands at the foot, and the way there.
      def note(node)
        @notes << inline(node)
        number = @notes.size
        %(<sup class="footnote"><a id="b-note-#{number}-at" href="#b-note-#{number}" role="doc-noteref">#{number}</a></sup>)
      end

      # @return [String] what stands at the foot, each with the way back
      def foot
        return "" if @notes.empty?

        items = @notes.each_with_index.map do |note, i|
          back = %(<a class="footnote-back" href="#b-note-#{i + 1}-at" role="doc-backlink" aria-label="#{CGI.escapeHTML(@words[:back])} (#{i + 1})">↩</a>)
          %(<li id="b-note-#{i + 1}">#{note} #{back}</li>)
        end
        %(<section class="footnotes" role="doc-endnotes" aria-label="#{CGI.escapeHTML(@words[:title])}"><ol>#{items.join}</ol></section>)
      end

      private

      def type(node)
        Document::Schema::NODES.fetch(node["type"])
      end

      def linked(run)
        label = run.map { |node| block(node) }.join
        target = Links.target_of(run.first)
        target ? @link.call(Links::Target.parse(target), label) : label
      end

      def opening(mark)
        tone = Document::Schema::MARKS.fetch(mark["type"]).attrs["tone"]
        return "<#{MARK_TAGS[mark["type"]]}#{%( class="#{mark["type"]}") if Merging::MARKS.include?(mark["type"])}>" unless tone

        %(<#{MARK_TAGS[mark["type"]]} class="#{mark["type"]}-#{mark.dig("attrs", "tone") || tone.default}">)
      end
    end
  end
end
