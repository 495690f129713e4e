module Zuhause
  module Document
    module Nodes
      class Text < Node
        type "text", group: "inline"

        def text(node)
          node["text"]
        end

        def html(node, html)
          html.text(node)
        end
      end

      class HardBreak < Node
        type "hard_break", group: "inline"

        def text(_node)
          "\n"
        end

        def html(_node, _html)
          "<br>"
        end
      end
    end
  end
end
