module Zuhause
  module Document
    module Nodes
      class Figure < Node
        type "figure", "inline*", group: "block", attrs: {
          "file" => Attr.matching(Schema::PUBLIC_ID), "alt" => Attr.words(""), "width" => Attr.whole(10..100, default: 100), # percent of the text's width
          "side" => Attr.one_of(%w[left center right], default: nil), "target" => Attr.address
        }

        NARROWEST = 25 # per cent; an icon would become larger than it is

        def html(node, html)
          side, width = node.dig("attrs", "side"), node.dig("attrs", "width")
          picture = html.leaf(node.slice("type", "attrs"))
          target = target(node)
          picture = html.link(target, picture) if target
          classes = [ name, ("figure-#{side}" if side), ("width-#{(width / 10.0).round * 10}" if width) ].compact.join(" ")
          caption = html.inline(node)
          html.element("figure", node, "#{picture}#{"<figcaption>#{caption}</figcaption>" unless caption.empty?}", %( class="#{classes}"))
        end

        def sketch(_node, sketch, x, width)
          sketch.picture(x, width)
        end

        def elements
          %w[figure img]
        end

        def read(element, reader, depth, marks)
          return [ picture(element, reader) ] if element.name == "img"

          images = element.css("img").select { |image| reader.file(image) }
          caption = element.at_xpath("./figcaption")
          return reader.blocks(element, depth, marks) unless images.one? && element.css("img, table, pre, ul, ol").one?

          words = caption ? reader.line(caption, []) : []
          [ picture(images.first, reader).merge(words.empty? ? {} : { "content" => words }) ]
        end

        # The file that it shows, and where it leads.
        def targets(node)
          file, target = node.dig("attrs", "file"), target(node)
          [ (file && [ Links::Target.new(:file, file), :file, "" ]), (target && [ target, :link, node.dig("attrs", "alt").to_s ]) ].compact
        end

        def led(node)
          target = target(node)
          target ? node.merge("attrs" => node["attrs"].merge("target" => yield(target)&.to_s).compact) : node
        end

        private

        def target(node)
          Links::Target.parse(node.dig("attrs", "target").to_s)
        end

        # What an element says of its width (HTML 5, 15.4.3), in steps of ten per cent of the text's, so far as that is no more than
        # the picture has; in a cell it is the cell's, and told by nothing.
        #
        # @return [Integer, nil]
        def width(element, reader)
          match = /\A\s*(\d+)(?:\.\d+)?\s*(%|px)?\s*\z/.match(element["width"] || Markup::HTMLStyles.of(element["style"])["width"]) or return
          share = match[2] == "%" ? match[1].to_i : match[1].to_i * 100 / Table::TEXT_WIDTH
          (share / 10.0).round * 10 if share.between?(NARROWEST, 94) && reader.holder(element, %w[td th]).nil?
        end

        def picture(element, reader)
          attrs = { "file" => reader.file(element), "alt" => element["alt"].to_s.gsub(/[[:cntrl:]]/, " ").strip[0, Schema::LONGEST_NAME], "width" => width(element, reader), "target" => reader.around(element) }
          { "type" => name, "attrs" => attrs.compact }
        end
      end
    end
  end
end
