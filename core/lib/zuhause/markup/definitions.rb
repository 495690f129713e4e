module Zuhause
  module Markup
    # Terms with explanations in Markdown, as it is customary: a line, or several, and each explanation behind a colon.
    #
    #     Gangway
    #     :   The way on board, gritted in ice.
    #
    # The parser does not know them. It is shown each colon as the marker of a list, with a character behind it that nobody
    # else may use; what stands before such a list are its terms. Where there are none it was text.
    module Definitions
      MARK = Escapes::COLON_ALONE
      LINE = /^(?<before>(?:#{MarkdownReader::MARKER.source})*[ \t]*):(?<gap>[ \t]+)(?=[^\s|:-])/

      module_function

      # @param markdown [String]
      # @return [String] with markers in place of colons that begin a line
      def mark(markdown)
        markdown.gsub(LINE) { "#{Regexp.last_match(:before)}+#{Regexp.last_match(:gap)}#{MARK}" }
      end

      # @param content [Array<Array(Hash, Array)>] the blocks of a list's item, with the ids around each
      def item?(content)
        content.first&.first&.dig("read", 0, "text").to_s.start_with?(MARK)
      end

      # @param items [Array<Array<Array(Hash, Array)>>] that explain
      # @yieldparam content [Array<Array(Hash, Array)>] the blocks of an explanation
      # @yieldreturn [Array(Hash, Array)] the explanation
      # @return [Array(Hash, Array)] what waits for its terms
      def read(items)
        definitions = items.map { |(first, around), *rest| yield([ [ unmarked(first), around ], *rest ]).first }
        [ { "type" => "definitions", "content" => definitions, "plain" => items.flatten(1) }, [] ]
      end

      # @param pairs [Array<Array(Hash, Array)>] blocks, with the ids around each
      # @param textblock [#call] makes a block of inline nodes
      # @return [Array<Array(Hash, Array)>] the same, explanations with their terms
      def gathered(pairs, textblock)
        return pairs if pairs.none? { |node, _around| node["type"] == "definitions" }

        pairs.each_with_object([]) do |pair, kept|
          node, = pair
          next kept << pair unless node["type"] == "definitions"
          next kept.concat(node["plain"]) unless term?(kept.last)

          add(kept, terms(kept.pop.first["read"], textblock), node["content"])
        end
      end

      # A list goes on unless its first term tells of another.
      def add(kept, terms, definitions)
        (_first, around) = terms.first
        own, *rest = around
        before = kept.last&.first
        content = [ *terms.map(&:first), *definitions ]
        if before&.fetch("type") == "definition_list" && around.empty?
          before["content"].concat(content)
        else
          kept << [ { "type" => "definition_list", "attrs" => own && { "id" => own }, "content" => content }.compact, rest ]
        end
      end
      private_class_method :add

      def term?(pair)
        node, = pair
        node && node["type"] == "paragraph" && node["read"] && !node["fence"]
      end
      private_class_method :term?

      # Each line is a term.
      def terms(inline, textblock)
        pieces = inline.flat_map { |node| node["text"] ? node["text"].split(/(\n)/).map { |text| node.merge("text" => text) } : [ node ] }
        lines = pieces.slice_when { |a, b| break?(a) || break?(b) }.reject { |line| line.all? { |node| break?(node) } }
        lines.map { |line| textblock.call({ "type" => "term" }, Fit.text(line)) }
      end
      private_class_method :terms

      def break?(node)
        node["type"] == "hard_break" || node["text"] == "\n"
      end
      private_class_method :break?

      def unmarked(paragraph)
        first, *rest = paragraph["content"]
        text = first["text"].delete_prefix(": ")
        paragraph.merge("content" => text.empty? ? rest : [ first.merge("text" => text), *rest ])
      end
      private_class_method :unmarked
    end
  end
end
