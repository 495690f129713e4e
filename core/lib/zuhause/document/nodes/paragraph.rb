module Zuhause
  module Document
    module Nodes
      class Paragraph < Node
        type "paragraph", "inline*", group: "block", attrs: { "align" => Attr.one_of(%w[center], default: nil) }

        def html(node, html)
          html.element("p", node, html.inline(node), html.align(node))
        end

        def sketch(node, sketch, x, width)
          sketch.lines(node, x, width)
        end

        # Neither CommonMark nor GFM has a place for how a line is aligned.
        def markdown(node, around, writer, _alternate)
          writer.paragraph(node, around) unless node.dig("attrs", "align")
        end
      end
    end
  end
end
