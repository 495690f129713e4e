module Zuhause
  module Document
    module Nodes
      class Columns < Node
        type "columns", "column{2,3}", group: "block"

        def html(node, html)
          html.element("div", node, html.children(node), %( class="columns columns-#{html.size(node)}"))
        end
      end

      class Column < Node
        type "column", "block+", attrs: { "share" => Attr.whole(1..9, default: 1) } # of the width, to the others

        def html(node, html)
          html.element("div", node, html.children(node), %( class="column column-#{node.dig("attrs", "share") || 1}"))
        end
      end
    end
  end
end
