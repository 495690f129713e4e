require_relative "lists"

module Zuhause
  module Document
    module Nodes
      # Terms with explanations. In Markdown as it is customary: a term in a line of its own, each explanation behind a colon.
      class DefinitionList < Node
        MARKER = ":   ".freeze
        OWN = %w[term definition].freeze

        type "definition_list", "(term|definition)+", group: "block"

        def html(node, html)
          html.element("dl", node, html.children(node), %( class="definitions"))
        end

        # Two of them in a row would be one.
        def runs_together(_node)
          name
        end

        def markdown(node, around, writer, alternate)
          return if alternate || !plain?(node["content"])

          node["content"].each_with_index.flat_map do |child, i|
            around_child = i.zero? ? [ writer.id(node), *around ] : []
            next AnyList.item(child, MARKER, around_child, writer) if child["type"] == "definition"

            gap = i.positive? && node["content"][i - 1]["type"] == "definition" ? [ "" ] : []
            [ *gap, writer.joined(writer.line(child["content"]), writer.trailer(child, around_child)) ]
          end
        end

        def elements
          %w[dl]
        end

        def read(element, reader, depth, marks)
          reader.nested(element, depth, 2, marks) do
            parts(element, reader, depth, marks).chunk_while { |a, b| OWN.include?(a["type"]) && OWN.include?(b["type"]) }.flat_map do |run|
              OWN.include?(run.first["type"]) ? [ { "type" => name, "content" => run } ] : run
            end
          end
        end

        private

        # Whether it begins with a term, and each line is there to be written.
        def plain?(content)
          content.first["type"] == "term" && content.last["type"] == "definition" && content.all? do |child|
            child["type"] == "term" ? written?(child) : AnyList.plain?(child["content"].first) && written?(child["content"].first)
          end
        end

        def written?(block)
          Document::Text.of(block).match?(/\S/) && block["content"].first["type"] != "hard_break"
        end

        # Groups may stand in elements of their own (HTML 5, 4.4.9). What else stands there (a list that was not closed holds all that
        # follows) comes between two lists.
        def parts(element, reader, depth, marks)
          reader.runs(element, %w[div dt dd]).flat_map do |run|
            child = run.first
            case child.name
            when "div" then parts(child, reader, depth, marks)
            when "dt" then reader.anchored([ { "type" => "term", "content" => Markup::Fit.text(reader.line(child, marks)) } ])
            when "dd" then [ { "type" => "definition", "content" => reader.held("definition", reader.blocks(child, depth + 2, marks)) } ]
            else reader.among(run, depth, marks)
            end
          end
        end
      end

      class Term < Node
        type "term", "text*"

        def html(node, html)
          html.element("dt", node, html.inline(node))
        end

        def sketch(node, sketch, x, width)
          sketch.bar(x, [ 0.2 * width, width * sketch.letters(node) / Markup::Sketch::LETTERS ].max, 2.2, "head", Markup::Sketch::LINE + 1)
        end
      end

      class Definition < Node
        type "definition", "block+"

        def html(node, html)
          html.element("dd", node, html.children(node))
        end
      end
    end
  end
end
