module Zuhause
  module Document
    module Nodes
      # Words that stand at the foot of the page. The text holds them where their number is to stand.
      class Footnote < Node
        type "footnote", "(text|hard_break)*", group: "inline"

        def apart?
          true
        end

        def html(node, html)
          html.note(node)
        end
      end
    end
  end
end
