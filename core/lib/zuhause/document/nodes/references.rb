module Zuhause
  module Document
    module Nodes
      class References < Node
        type "references", group: "block", attrs: { "columns" => Attr.whole(1..2, default: 1) }

        def sketch(_node, sketch, x, width)
          sketch.short_lines(x, width)
        end
      end
    end
  end
end
