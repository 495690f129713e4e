module Zuhause
  module Markup
    # The lines of an HTML text: what stands between blocks, with its marks and its white space as a browser would show it.
    # For {HTMLReader}, which knows what is kept and tells what is not.
    module HTMLLines
      QUIET = %w[head title style meta link template noscript colgroup col wbr].to_set.freeze
      UNKEPT = %w[script iframe object embed applet video audio canvas svg math input button select textarea frame frameset map source track param].to_set.freeze
      MARKS = { "b" => "strong", "strong" => "strong", "i" => "emphasis", "em" => "emphasis", "cite" => "emphasis", "dfn" => "emphasis", "var" => "emphasis", "u" => "underline",
                "ins" => "underline", "s" => "strike", "del" => "strike", "strike" => "strike", "code" => "code", "kbd" => "code", "samp" => "code", "tt" => "code",
                "sub" => "sub", "sup" => "sup", "mark" => "highlight" }.freeze
      # What programs write into style attributes in place of elements; a match of the second takes the element's mark away.
      STYLES = { "strong" => [ /font-weight:\s*(?:bold|[6-9]00)/i, /font-weight:\s*(?:normal|[1-4]00)/i ], "emphasis" => [ /font-style:\s*italic/i, /font-style:\s*normal/i ],
                 "underline" => [ /text-decoration[a-z-]*:[^;]*underline/i, /text-decoration[a-z-]*:\s*none/i ], "strike" => [ /text-decoration[a-z-]*:[^;]*line-through/i, /text-decoration[a-z-]*:\s*none/i ],
                 "sub" => [ /vertical-align:\s*sub/i, nil ], "sup" => [ /vertical-align:\s*super/i, nil ] }.freeze
      SPACE = /[ \t\r\n\f]+/

      # @return [Array<Hash>] inline nodes, their white space not yet judged
      def inline(node, marks)
        return text(node.text, marks) if node.text? || node.cdata?
        return [] if !node.element? || QUIET.include?(node.name)
        return [ { "type" => "hard_break" } ] if node.name == "br"
        return [ footnote(node) ] if note?(node)
        return unkept(node) if UNKEPT.include?(node.name)
        return text(node["alt"].to_s, marks) if node.name == "img"

        inner = (marks + marks_of(node)).uniq { |mark| mark["type"] }
        node.children.flat_map { |child| inline(child, inner) }
      end

      private

      def text(string, marks)
        return [] if string.empty?

        node = { "type" => "text", "text" => string.gsub(SPACE, " ") }
        [ marks.empty? ? node : node.merge("marks" => marks) ]
      end

      # Tick boxes of tasks are read with their item.
      def unkept(node)
        report(:html, node.name) unless node.name == "input" && node["type"] == "checkbox"
        []
      end

      def marks_of(node)
        names = [ MARKS[node.name] ].compact
        style = node["style"].to_s
        STYLES.each do |name, (sets, lifts)|
          names << name if style.match?(sets)
          names.delete(name) if lifts && style.match?(lifts)
        end
        marks = names.uniq.map { |name| { "type" => name } }
        marks << { "type" => "link", "attrs" => { "target" => node["href"].to_s.strip } } if node.name == "a" && node["href"] && !node["href"].start_with?("#")
        marks
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
