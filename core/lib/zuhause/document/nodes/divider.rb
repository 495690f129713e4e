module Zuhause
  module Document
    module Nodes
      class Divider < Node
        type "divider", group: "block"

        def html(node, html)
          "<hr#{html.id(node)}>"
        end

        def sketch(_node, sketch, x, width)
          sketch.bar(x, width, 0.8, "line", 5)
        end

        # A line has no place for an id.
        def markdown(node, around, writer, _alternate)
          [ "___" ] unless writer.trailer(node, around)
        end

        def elements
          %w[hr]
        end

        def read(_element, _reader, _depth, _marks)
          [ { "type" => name } ]
        end
      end
    end
  end
end
