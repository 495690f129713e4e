module Zuhause
  module Document
    module Nodes
      class LiveInsert < Node
        type "live_insert", group: "block", attrs: { "page" => Attr.matching(Schema::PUBLIC_ID), "passage" => Attr.matching(Schema::ID), "headings" => Attr.boolean(false) }

        def sketch(_node, sketch, x, width)
          sketch.picture(x, width)
        end

        def targets(node)
          target = target(node)
          target ? [ [ target, :insert, "" ] ] : []
        end

        def led(node)
          target = target(node) or return node

          led = yield(target)
          return node unless led&.kind == :page

          attrs = node["attrs"].merge("page" => led.value, "passage" => led.block).compact
          node.merge("attrs" => node["attrs"].keys.to_h { |key| [ key, attrs[key] ] }.compact)
        end

        private

        def target(node)
          page = node.dig("attrs", "page")
          Links::Target.new(:page, page, node.dig("attrs", "passage")) if page
        end
      end
    end
  end
end
