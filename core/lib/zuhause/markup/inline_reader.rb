module Zuhause
  module Markup
    # Reads the inline children of one block of commonmarker's tree into inline nodes, without recursion.
    class InlineReader
      MARKS = { emph: "emphasis", strong: "strong", strikethrough: "strike" }.freeze

      # @param parent [CommonMarker::Node] a paragraph or heading
      # @param reports [#call] told a code and a detail of whatever could not be kept as it was
      # @param footnote [#call, nil] takes the number of what stands at the foot, gives a node; nil where that cannot stand
      # @param lead [#call, nil] takes the address of a link, gives what it is to lead to
      def initialize(parent, reports, footnote = nil, lead = nil)
        @reports = reports
        @lead = lead
        @footnote = footnote
        @nodes = []
        @elements = Hash.new { |open, name| open[name] = [] } # marks that are open, by element; within each other
        stack = parent.each.to_a.reverse.map { |node| [ node, [] ] }
        while (node, marks = stack.pop)
          inner = read(node, marks) or next
          node.each.to_a.reverse_each { |child| stack.push([ child, inner ]) }
        end
      end

      # @return [Array<Hash>] inline nodes, neighbours with the same marks joined, escapes still protected
      def nodes
        @nodes.slice_when { |a, b| a["type"] != "text" || b["type"] != "text" || a["marks"] != b["marks"] }
              .map { |run| run.one? ? run.first : run.first.merge("text" => run.map { |n| n["text"] }.join) }
      end

      # @param tag [String]
      # @return [Boolean] whether it is one of the document's own form
      def self.own?(tag)
        element = ELEMENT.match(tag)
        element ? !element[:close].nil? || !mark_of(element).nil? : false
      end

      # @param element [MatchData] of an opening tag
      # @return [Hash, nil] nil where it does not tell what the mark needs
      def self.mark_of(element)
        name = InlineWriter::ELEMENTS.key(element[:name])
        attribute, attr = Document::Schema::MARKS.fetch(name).attrs.first
        return unless element[:told] ? attr&.allows?(element[:told]) : attr.nil? || attr.default.nil?

        { "type" => name, **(element[:told] ? { "attrs" => { attribute => element[:told] } } : {}) }
      end

      private

      # @return [Array<Hash>, nil] the marks of its children; nil if it has been read whole
      def read(node, marks)
        case node.type
        when :text then text(node.string_content, marks)
        when :softbreak then text("\n", marks) # a space in the end, but the line's end tells notices from their text
        when :linebreak then @nodes.push({ "type" => "hard_break" }) && nil
        when :code then text(Escapes.restore_code(node.string_content), marks + [ { "type" => "code" } ])
        when :inline_html then html(node, marks)
        when *MARKS.keys then marks + [ { "type" => MARKS.fetch(node.type) } ]
        when :footnote_reference then reference(node, marks)
        when :link then link(node, marks)
        when :image then image(node, marks)
        else marks
        end
      end

      def reference(node, marks)
        return @nodes.push(@footnote.call(Integer(node.string_content, 10))) && nil if @footnote

        @reports.call(:footnote, node.string_content)
        text("[#{node.string_content}]", marks)
      end

      def text(string, marks)
        marks += @elements.values.filter_map(&:first).reject { |mark| marks.include?(mark) }
        node = { "type" => "text", "text" => string }
        node["marks"] = marks unless marks.empty?
        @nodes << node unless string.empty?
        Document::Limits.hold(:nodes, @nodes.size)
        nil
      end

      ELEMENT = /\A<(?<close>\/)?(?<name>#{InlineWriter::ELEMENTS.values.join("|")})(?: class="(?<told>[a-z0-9]+)")?>\z/

      def html(node, marks)
        element = ELEMENT.match(node.string_content)
        return if element && (element[:close] ? close_element(element[:name]) : open_element(element))

        @reports.call(:html, node.string_content)
        text(Escapes.restore_code(node.string_content), marks + [ { "type" => "code" } ])
      end

      def open_element(element)
        mark = self.class.mark_of(element) or return

        @elements[element[:name]] << mark
      end

      # @return [Object, nil] nil if there is nothing to close
      def close_element(name)
        @elements[name].pop
      end

      LEAF = /\A(mention|date|title|cite):(.*)\z/
      private_constant :LEAF

      # @return [Boolean] whether it was a link that stands for what it names
      def leaf(node)
        scheme, value = LEAF.match(Escapes.restore(node.url))&.captures
        type, (_scheme, name) = InlineWriter::LEAVES.find { |_type, (own, _name)| own == scheme }
        return false unless type && (value.empty? || Document::Schema::NODES.fetch(type).attrs.fetch(name).allows?(value))

        attrs = { name => value, "place" => (place(node) if type == "cite") }.reject { |_name, written| written.to_s.empty? }
        @nodes << (attrs.empty? ? { "type" => type } : { "type" => type, "attrs" => attrs })
        true
      end

      # Where in a work something stands is the label of its citation.
      def place(node)
        text = Escapes.restore(node.walk.filter_map { |inner| inner.string_content if %i[text code].include?(inner.type) }.join)
        text if Document::Schema::NODES.fetch("cite").attrs.fetch("place").allows?(text)
      end

      def link(node, marks)
        return if leaf(node)
        return marks if marks.any? { |mark| mark["type"] == "link" }

        target = target(node)
        inner = target ? marks + [ target ] : marks
        return inner if node.first_child

        text(Escapes.restore(node.url), inner)
      end

      def image(node, marks)
        @reports.call(:picture, Escapes.restore(node.url))
        link(node, marks)
      end

      def target(node)
        url = Escapes.restore(node.url)
        target = Links::Target.parse(@lead ? @lead.call(url) : url)
        return { "type" => "link", "attrs" => { "target" => target.to_s } } if target

        @reports.call(:target, url)
        nil
      end
    end

    # Keeps apart what was escaped on purpose from what was not: commonmarker takes backslashes away, but a brace,
    # bracket or colon that was escaped must not be read as the beginning of an id, a notice or a block. Such characters
    # travel through the parser as non-characters, which {Document::Normal} lets nobody else use, between commas, so that
    # emphasis beside them is judged as beside any punctuation.
    module Escapes
      PROTECTED = { "{" => ",\uFDD0,", "[" => ",\uFDD1,", ":" => ",\uFDD2," }.freeze
      RESTORED = PROTECTED.invert.freeze
      ANY = /,[\uFDD0-\uFDD2],/
      # Numbers of more digits are no entities (CommonMark 0.31.2, 6.2), but the parser's version takes them for some.
      NO_ENTITY = /&(?=#(?:\d{8,}|[xX]\h{7,});)/
      AMPERSAND = "\uFDD3".freeze
      # Symbols count as punctuation beside emphasis (CommonMark 0.31.2, 2.1); the parser's version knows it of ASCII's only.
      SYMBOL = /(?<=[*_~])[\p{S}&&[^\x00-\x7F]]|[\p{S}&&[^\x00-\x7F]](?=[*_~])/
      WRAPPED = /,\uFDD4(.)\uFDD5,/
      # What {Definitions} and {Footnotes} have put in.
      COLON_ALONE = "\uFDD6\u2003".freeze # ends with white space, as what begins a line is judged
      COLON = /\+([ \t]+)#{COLON_ALONE}/
      APART = "\uFDD7".freeze

      module_function

      def protect(markdown)
        markdown.gsub(NO_ENTITY, AMPERSAND).gsub(SYMBOL) { |symbol| ",\uFDD4#{symbol}\uFDD5," }.gsub(/\\([\\{\[:])/) { PROTECTED.fetch(Regexp.last_match(1)) { "\\\\" } }
      end

      def restore(text)
        text.dup.force_encoding(Encoding::UTF_8).gsub(ANY, RESTORED).gsub(AMPERSAND, "&").gsub(WRAPPED, '\1').gsub(COLON, ':\1').gsub(COLON_ALONE, ": ").delete(APART)
      end

      def restore_code(text)
        text.gsub(ANY) { |char| "\\#{RESTORED.fetch(char)}" }.gsub(AMPERSAND, "&").gsub(WRAPPED, '\1').gsub(COLON, ':\1').delete(APART)
      end
    end
  end
end
