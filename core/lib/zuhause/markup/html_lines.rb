module Zuhause
  module Markup
    # The lines of an HTML text: what stands between blocks, with its marks and its white space as a browser would show it.
    # For {HTMLReader}, which knows what is kept and tells what is not.
    module HTMLLines
      QUIET = %w[head title style script meta link template noscript colgroup col wbr].to_set.freeze
      UNKEPT = %w[iframe object embed applet video audio canvas svg math input button select textarea frame frameset map source track param].to_set.freeze
      MARKS = { "b" => "strong", "strong" => "strong", "i" => "emphasis", "em" => "emphasis", "cite" => "emphasis", "dfn" => "emphasis", "var" => "emphasis", "u" => "underline",
                "ins" => "underline", "s" => "strike", "del" => "strike", "strike" => "strike", "code" => "code", "kbd" => "code", "samp" => "code", "tt" => "code",
                "sub" => "sub", "sup" => "sup", "mark" => "highlight" }.freeze
      SPACE = /[ \t\r\n\f]+/

      # @return [Array<Hash>] inline nodes, their white space not yet judged
      def inline(node, marks)
        return text(node.text, marks) if node.text? || node.cdata?
        return [] if !node.element? || QUIET.include?(node.name)

        met(node)
        return [ { "type" => "hard_break" } ] if node.name == "br"
        return [ footnote(node) ] if note?(node)
        return unkept(node) if UNKEPT.include?(node.name)
        return unseen(node) if hidden?(node)
        return text(node["alt"].to_s, marks) if node.name == "img"

        inner = within(node, marks)
        node.children.flat_map { |child| inline(child, inner) }
      end

      private

      def text(string, marks)
        return [] if string.empty?

        @named_before = @waiting.size if string.match?(/\S/)
        node = { "type" => "text", "text" => string.gsub(SPACE, " ") }
        [ marks.empty? ? node : node.merge("marks" => marks) ]
      end

      # Words in a line that nobody sees where they come from; blocks that are not shown at first open there.
      def hidden?(node)
        node.key?("hidden") || node.key?("style") && HTMLStyles.of(node["style"])["display"].to_s.start_with?("none")
      end

      def unseen(node)
        words = words(node.text).strip
        report(:hidden, words) unless words.empty?
        []
      end

      # Tick boxes of tasks are read with their item.
      def unkept(node)
        report(:element, node.name) unless node.name == "input" && node["type"] == "checkbox"
        []
      end

      # @return [Array<Hash>] the marks of what stands in an element, each kind once
      def within(node, marks)
        own = marks_of(node)
        own.empty? ? marks : (marks + own).uniq { |mark| mark["type"] }
      end

      def marks_of(node)
        styles = HTMLStyles.of(node["style"])
        marks = HTMLStyles.marked([ MARKS[node.name] ].compact, styles).uniq.map { |name| { "type" => name } }
        marks += lit(node, styles) unless styles.empty?
        target = @lead.call(node["href"].strip) if node.name == "a" && node["href"]
        target ? marks << { "type" => "link", "attrs" => { "target" => target } } : marks
      end

      # Words on a ground of a vivid colour have been marked.
      def lit(node, styles)
        return [] unless %w[span font].include?(node.name)

        tone = HTMLColours.tone(styles["background-color"] || styles["background"])
        tone ? [ { "type" => "highlight", "attrs" => { "tone" => tone } } ] : []
      end

      # White space collapses as a browser shows it: none at the edges of a line, one between words.
      def trimmed(line)
        bare = true
        kept = line.filter_map do |node|
          next node.tap { bare = node["type"] == "hard_break" } unless node["text"]

          text = bare ? node["text"].sub(/\A +/, "") : node["text"]
          next if text.empty?

          bare = text.end_with?(" ")
          node.merge("text" => text)
        end
        kept = without_end(kept)
        kept.each_with_index.map { |node, i| node["text"] && kept[i + 1]&.fetch("type") == "hard_break" ? node.merge("text" => node["text"].rstrip) : node }.reject { |node| node["text"] == "" }
      end

      def without_end(nodes)
        while (last = nodes.last)
          return nodes unless last["text"] || last["type"] == "hard_break"

          text = last["text"]&.sub(/ +\z/, "")
          return nodes[0...-1] + [ last.merge("text" => text) ] if text && !text.empty?

          nodes = nodes[0...-1]
        end
        nodes
      end
    end
  end
end
