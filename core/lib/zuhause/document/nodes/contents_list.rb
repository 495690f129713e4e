module Zuhause
  module Document
    module Nodes
      class ContentsList < Node
        type "contents_list", group: "block", attrs: { "depth" => Attr.whole(Schema::HEADING_LEVELS, default: Schema::HEADING_LEVELS.end) }

        def sketch(_node, sketch, x, width)
          sketch.short_lines(x, width)
        end
      end
    end
  end
end
