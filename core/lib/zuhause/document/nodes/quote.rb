module Zuhause
  module Document
    module Nodes
      class Quote < Node
        type "quote", "block+", group: "block"

        def html(node, html)
          html.element("blockquote", node, html.children(node))
        end

        def sketch(node, sketch, x, width)
          sketch.framed(node, x, width)
        end

        def markdown(node, around, writer, _alternate)
          writer.prefix(writer.blocks(node["content"], [ writer.id(node), *around ]), "> ")
        end

        def elements
          %w[blockquote]
        end

        def read(element, reader, depth, marks)
          reader.nested(element, depth, 1, marks) { [ { "type" => name, "content" => reader.held(name, reader.blocks(element, depth + 1, marks)) } ] }
        end
      end
    end
  end
end
