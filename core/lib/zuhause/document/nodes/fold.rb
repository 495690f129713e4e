module Zuhause
  module Document
    module Nodes
      class Fold < Node
        type "fold", "block+", group: "block", attrs: { "title" => Attr.words(""), "open" => Attr.boolean(false) }

        def html(node, html)
          title = CGI.escapeHTML(node.dig("attrs", "title").to_s)
          html.element("details", node, "<summary>#{title}</summary>#{html.children(node)}", %( class="fold"#{" open" if node.dig("attrs", "open")}))
        end

        def sketch(node, sketch, x, width)
          sketch.framed(node, x, width)
        end

        def elements
          %w[details]
        end

        def read(element, reader, depth, marks)
          reader.nested(element, depth, 1, marks) { [ fold(element, reader, depth, marks) ] }
        end

        private

        def fold(element, reader, depth, marks)
          summary = element.at_xpath("./summary")
          attrs = { "title" => summary ? reader.words(summary.text) : "" }
          attrs["open"] = true if element["open"]
          summary&.unlink
          { "type" => name, "attrs" => attrs, "content" => reader.held(name, reader.blocks(element, depth + 1, marks)) }
        end
      end
    end
  end
end
