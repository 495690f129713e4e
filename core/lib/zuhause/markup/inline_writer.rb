module Zuhause
  module Markup
    # Writes the inline content of one block as Markdown that CommonMark reads back as the same nodes.
    #
    # The difficult part is emphasis: whether a delimiter opens or closes depends on the characters to either side of
    # it (CommonMark 0.31.2, 6.2, "left-flanking" and "right-flanking"). Where those would be wrong, the character
    # concerned is written as a numeric entity, whose "&" and ";" count as punctuation.
    class InlineWriter
      DELIMITERS = { "strong" => "**", "emphasis" => "_", "strike" => "~~" }.freeze
      PUNCTUATION = /[\p{P}\p{S}]/
      WHITESPACE = /[[:space:]]/
      BREAK = "\\\n".freeze
      NOTHING = "<u></u>".freeze
      # Marks that CommonMark has no sign for are written as the elements that HTML has for them.
      ELEMENTS = { "underline" => "u", "highlight" => "mark", "colour" => "span", "blank" => "var", "double" => "ins", "kept" => "data", "sub" => "sub", "sup" => "sup" }.freeze
      # What stands in a line and is shown anew at each view: a link to what it names.
      LEAVES = Document::Schema::NODES.values.filter_map { |type| [ type.name, type.scheme ] if type.scheme }.to_h.freeze

      # A piece of the line: its kind (:text, :open, :close, :syntax or :break), its characters, and for text the places
      # of characters to be written as entities.
      Token = Struct.new(:kind, :chars, :entities) do
        def edge(side)
          return :boundary if kind == :break
          return :punctuation unless kind == :text

          index = side == :first ? 0 : chars.size - 1
          return :punctuation if entities.include?(index)

          case chars[index]
          when WHITESPACE then :whitespace
          when PUNCTUATION then :punctuation
          else :word
          end
        end

        def encode(side)
          entities << (side == :first ? 0 : chars.size - 1)
        end
      end

      # @param nodes [Array<Hash>, nil] inline nodes in normal form
      # @param note [#call] takes a footnote, gives the number under which it stands at the foot
      # @return [String] Markdown, one line for each stretch between hard breaks
      def self.write(nodes, note: ->(_footnote) { 0 })
        new(nodes || [], note).write
      end

      def initialize(nodes, note)
        @note = note
        @tokens = []
        @open = []
        @encoded = nil
        nodes.each { |node| add(node) }
        close_until { @open.empty? }
      end

      def write
        mend_line_edges
        mend_references
        keep_from_defining
        mend_delimiters while encoding_more?
        @tokens.each_with_index.map { |token, i| render(token, line_start?(i)) }.join
      end

      private

      def add(node)
        return close_until { @open.empty? } && @tokens << Token.new(:break) if node["type"] == "hard_break"
        return close_until { @open.empty? } && @tokens << reference(node) if node["type"] == "footnote"
        return close_until { @open.empty? } && @tokens << Token.new(:syntax, leaf(node)) unless node["type"] == "text"

        marks = (node["marks"] || []).reject { |mark| mark["type"] == "code" }
        close_until { @open == marks.first(@open.size) }
        marks.drop(@open.size).each { |mark| open(mark) }
        code = node["marks"]&.any? { |mark| mark["type"] == "code" }
        @tokens << (code ? Token.new(:syntax, code_span(node["text"])) : Token.new(:text, node["text"].chars, Set.new))
      end

      def open(mark)
        @open << mark
        @tokens << if mark["type"] == "link" then Token.new(:syntax, "[")
        elsif (element = ELEMENTS[mark["type"]]) then Token.new(:syntax, "<#{[ element, told(mark) ].compact.join(" ")}>")
        else Token.new(:open, DELIMITERS.fetch(mark["type"]))
        end
      end

      def close_until
        until yield
          mark = @open.pop
          delimiter, element = DELIMITERS[mark["type"]], ELEMENTS[mark["type"]]
          @tokens << if delimiter then Token.new(:close, delimiter)
          else Token.new(:syntax, element ? "</#{element}>" : "](#{destination(mark)})")
          end
        end
        true
      end

      # The one attribute that such a mark has, if any: its tone, or who wrote the words.
      def told(mark)
        name, attr = Document::Schema::MARKS.fetch(mark["type"]).attrs.first
        value = name && (mark.dig("attrs", name) || attr.default)
        %(class="#{value}") if value
      end

      def reference(node)
        Token.new(:syntax, "[^#{@note.call(node)}]")
      end

      def leaf(node)
        scheme, name = LEAVES.fetch(node["type"])
        value = node.dig("attrs", name).to_s
        label = node["type"] == "cite" ? InlineWriter.write(place(node)) : value
        "[#{label}](#{scheme}:#{value})"
      end

      def place(node)
        place = node.dig("attrs", "place").to_s
        place.empty? ? [] : [ { "type" => "text", "text" => place } ]
      end

      def destination(mark)
        target = mark.dig("attrs", "target")
        return target if target.match?(/\A[\w:\/#?=.%+@-]+\z/)

        "<#{target.gsub(/[\\<>&]/) { |c| "\\#{c}" }}>"
      end

      def code_span(text)
        fence = "`" * ((text.scan(/`+/).map(&:size).max || 0) + 1)
        fence = "`" unless text.include?("`")
        padded = text.match?(/\A`|`\z/) || (text.match?(/\A .* \z/) && text.match?(/[^ ]/)) # CommonMark 0.31.2, 6.1: a tab counts as more than spaces
        padded ? "#{fence} #{text} #{fence}" : "#{fence}#{text}#{fence}"
      end

      # White space at either end of a line would be lost.
      def mend_line_edges
        @tokens.each_with_index do |token, i|
          next unless token.kind == :text

          token.encode(:first) if line_start?(i) && token.edge(:first) == :whitespace
          token.encode(:last) if line_end?(i) && token.edge(:last) == :whitespace
        end
      end

      # What follows a number must not make a link or a footnote's beginning of it.
      def mend_references
        @tokens.each_cons(2) do |token, following|
          following.encode(:first) if token.kind == :syntax && token.chars.start_with?("[^") && following.kind == :text && following.chars.first.match?(/[(:]/)
        end
      end

      # What stands in brackets at the beginning of a line, and then "]:" in code, where nothing can be escaped, would be read as
      # where a reference leads to. An element with nothing in it keeps it from that.
      def keep_from_defining
        lines = @tokens.slice_when { |token, _following| token.kind == :break }
        @tokens = lines.flat_map do |line|
          defining = line.first.kind == :syntax && line.first.chars == "[" && line.any? { |token| token.kind == :syntax && token.chars.start_with?("`") && token.chars.include?("]:") }
          defining ? [ Token.new(:syntax, NOTHING), *line ] : line
        end
      end

      # A character written as an entity can change how the delimiter on its other side is read.
      def encoding_more?
        before, @encoded = @encoded, @tokens.sum { |token| token.entities&.size.to_i }
        before != @encoded
      end

      def mend_delimiters
        @tokens.each_with_index do |token, i|
          case token.kind
          when :open then mend(token, inside: [ neighbour(i, 1), :first ], outside: [ neighbour(i, -1), :last ])
          when :close then mend(token, inside: [ neighbour(i, -1), :last ], outside: [ neighbour(i, 1), :first ])
          end
        end
      end

      # The token that decides how a delimiter is read: the parser looks through "~~" when it judges the others.
      def neighbour(index, step)
        through = @tokens[index].chars != "~~"
        index += step
        index += step while through && index >= 0 && @tokens[index]&.chars == "~~"
        @tokens[index] if index >= 0
      end

      def mend(delimiter, inside:, outside:)
        inner, inner_side = inside
        outer, outer_side = outside
        inner.encode(inner_side) if inner.edge(inner_side) == :whitespace
        return unless outer && outer.edge(outer_side) == :word

        outer.encode(outer_side) if delimiter.chars == "_" || inner.edge(inner_side) == :punctuation
      end

      def line_start?(index)
        index.zero? || @tokens[index - 1].kind == :break
      end

      def line_end?(index)
        index == @tokens.size - 1 || @tokens[index + 1].kind == :break
      end

      def render(token, line_start)
        return BREAK if token.kind == :break
        return token.chars unless token.kind == :text

        text = token.chars.join
        token.chars.each_index.map do |i|
          next "&##{token.chars[i].ord};" if token.entities.include?(i)

          escape(text, i, token.entities) || (line_start && escape_start(text, i)) || token.chars[i]
        end.join
      end

      # What must be escaped wherever it stands.
      def escape(text, index, entities)
        char = text[index]
        rest = text[index..]
        last = index == text.length - 1
        needed =
          case char
          when "\\", "`", "*", "~", "[", "]", "<" then true
          when "_" then !within_word?(text, index, entities)
          when "&" then rest.match?(/\A&#?\w+;/)
          when "{" then last || rest.match?(/\A\{[#^ }]/)
          when "!", "#" then last
          end
        "\\#{char}" if needed
      end

      def within_word?(text, index, entities)
        index.positive? && [ index - 1, index + 1 ].all? do |side|
          !entities.include?(side) && text[side]&.match?(/[[:alnum:]]/)
        end
      end

      # What must be escaped only where it begins a line.
      def escape_start(text, index)
        char = text[index]
        return "\\#{char}" if index.zero? && char.match?(/[#>+=:-]/)

        "\\#{char}" if char.match?(/[.)]/) && text[0, index].match?(/\A\d{1,9}\z/)
      end
    end
  end
end
