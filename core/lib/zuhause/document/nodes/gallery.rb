module Zuhause
  module Document
    module Nodes
      class Gallery < Node
        LAYOUTS = %w[grid slides].freeze

        type "gallery", "figure+", group: "block", attrs: { "layout" => Attr.one_of(LAYOUTS, default: LAYOUTS.first) }

        # Slides scroll, and can be reached by keyboard for that.
        def html(node, html)
          layout = node.dig("attrs", "layout") || LAYOUTS.first
          html.element("div", node, html.children(node), %( class="gallery gallery-#{layout}"#{%( tabindex="0") if layout == "slides"}))
        end

        def sketch(_node, sketch, x, width)
          sketch.picture(x, width)
        end
      end
    end
  end
end
