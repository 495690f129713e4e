module Zuhause
  module Document
    module Nodes
      # What stands in a line, is told anew at each view, and is written in Markdown as a link to what it names.
      class Leaf < Node
        def html(node, html)
          html.leaf(node)
        end
      end

      class Mention < Leaf
        type "mention", group: "inline", attrs: { "person" => Attr.matching(Schema::PUBLIC_ID) }

        def scheme
          %w[mention person]
        end

        def targets(node)
          person = node.dig("attrs", "person")
          person ? [ [ Links::Target.new(:person, person), :mention, "" ] ] : []
        end
      end

      class Date < Leaf
        type "date", group: "inline", attrs: { "date" => Attr.matching(Schema::DATE) }

        def text(node)
          node.dig("attrs", "date").to_s
        end

        def scheme
          %w[date date]
        end
      end

      class Cite < Leaf
        type "cite", group: "inline", attrs: { "source" => Attr.matching(Schema::PUBLIC_ID), "place" => Attr.words("") } # place: a page, a chapter

        def scheme
          %w[cite source]
        end

        def targets(node)
          source = node.dig("attrs", "source")
          source ? [ [ Links::Target.new(:source, source), :cite, "" ] ] : []
        end
      end

      class PageTitle < Leaf
        type "page_title", group: "inline", attrs: { "page" => Attr.matching(Schema::PUBLIC_ID) }

        def scheme
          %w[title page]
        end

        def targets(node)
          target = target(node)
          target ? [ [ target, :title, "" ] ] : []
        end

        def led(node)
          led = target(node) && yield(target(node))
          led&.kind == :page ? node.merge("attrs" => { "page" => led.value }) : node
        end

        private

        def target(node)
          page = node.dig("attrs", "page")
          Links::Target.new(:page, page) if page
        end
      end
    end
  end
end
