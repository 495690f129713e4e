module Zuhause
  module Document
    module Nodes
      class Heading < Node
        type "heading", "text*", group: "block", attrs: {
          "level" => Attr.whole(Schema::HEADING_LEVELS, default: Schema::HEADING_LEVELS.begin), "align" => Attr.one_of(%w[center], default: nil)
        }

        def self.level(node)
          node.dig("attrs", "level") || Schema::HEADING_LEVELS.begin
        end

        # Below the page's title, which is the h1.
        def html(node, html)
          html.element("h#{Heading.level(node) + 1}", node, html.inline(node), html.align(node))
        end

        def sketch(node, sketch, x, width)
          sketch.bar(x, [ 0.4 * width, width * sketch.letters(node) / Markup::Sketch::LETTERS ].max, 4.5, "head", 8)
        end

        def markdown(node, around, writer, _alternate)
          return if node.dig("attrs", "align")

          [ [ "#" * Heading.level(node), writer.line(node["content"]), writer.trailer(node, around) ].compact.reject(&:empty?).join(" ") ]
        end

        def elements
          %w[h1 h2 h3 h4 h5 h6]
        end

        # The greatest that occurs becomes the first level.
        def read(element, reader, _depth, _marks)
          level = elements.index(element.name) + 1 - reader.shift
          reader.report(:heading_level, level) if level > Schema::HEADING_LEVELS.end
          attrs = { "level" => level.clamp(Schema::HEADING_LEVELS.begin, Schema::HEADING_LEVELS.end), **(reader.centred(element) || {}) }
          [ { "type" => name, "attrs" => attrs, "content" => Markup::Fit.text(reader.line(element, [])) } ]
        end
      end
    end
  end
end
