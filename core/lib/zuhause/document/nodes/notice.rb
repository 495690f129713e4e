module Zuhause
  module Document
    module Nodes
      class Notice < Node
        type "notice", "block+", group: "block", attrs: { "tone" => Attr.one_of(Schema::TONES, default: Schema::TONES.first) }

        def html(node, html)
          tone = tone(node)
          html.element("div", node, %(<p class="notice-name">#{html.tone(tone)}</p>#{html.children(node)}), %( class="notice notice-#{tone}" role="note"))
        end

        def sketch(node, sketch, x, width)
          sketch.framed(node, x, width)
        end

        def markdown(node, around, writer, _alternate)
          opening = [ "[!#{tone(node).upcase}]", writer.trailer(node, around) ].compact.join(" ")
          gap = AnyList.plain?(node["content"].first) ? [] : [ "" ]
          writer.prefix([ opening, *gap, *writer.blocks(node["content"]) ], "> ")
        end

        private

        def tone(node)
          node.dig("attrs", "tone") || Schema::TONES.first
        end
      end
    end
  end
end
