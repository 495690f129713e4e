module Zuhause
  module Document
    module Nodes
      # What lists of all kinds have in common.
      class AnyList < Node
        def html(node, html)
          html.element(tag, node, html.children(node), start(node))
        end

        def markdown(node, around, writer, alternate)
          items = node["content"]
          gap = items.all? { |item| AnyList.compact?(item) } ? [] : [ "" ]
          items.each_with_index.map { |item, i| AnyList.item(item, marker(node, i, alternate), i.zero? ? [ writer.id(node), *around ] : [], writer) }
               .reduce { |lines, more| lines + gap + more }
        end

        def runs_together(_node)
          name
        end

        def read(element, reader, depth, marks)
          reader.nested(element, depth, 2, marks) { list(element, reader, depth, marks) }
        end

        # @return [Boolean] whether an item can be written without blank lines: a paragraph alone, or with a list that may
        #   interrupt it
        def self.compact?(item)
          first, second, *rest = item["content"]
          return false unless plain?(first) && rest.empty?

          second.nil? || (%w[bullet_list ordered_list].include?(second["type"]) && second.dig("attrs", "start").nil? &&
            second["content"].all? { |inner| compact?(inner) })
        end

        # @return [Boolean] whether a block is a paragraph as Markdown has them
        def self.plain?(node)
          node["type"] == "paragraph" && node.dig("attrs", "align").nil?
        end

        # @param marker [String] that it begins with
        # @param around [Array<String, nil>]
        # @return [Array<String>] lines
        def self.item(node, marker, around, writer)
          around = [ writer.id(node), *around ]
          first, second = node["content"]
          tight = second && node["content"].size == 2 && compact?(node)
          lines = tight ? writer.blocks([ first ], around) + writer.blocks([ second ]) : writer.blocks(node["content"], around)
          [ "#{marker}#{lines.first}", *writer.prefix(lines.drop(1), " " * marker[/\A\S+ +/].size) ]
        end

        private

        def list(element, reader, depth, marks)
          items = reader.runs(element, %w[li]).flat_map { |run| run.first.name == "li" ? [ item(run.first, reader, depth, marks) ] : loose_items(run, reader, depth, marks) }
          items << { "type" => "list_item", "content" => [ { "type" => "paragraph" } ] } if items.empty?
          return [ { "type" => "task_list", "content" => items } ] if items.all? { |item| item["type"] == "task" }

          items = items.map { |item| item.merge("type" => "list_item").except("attrs") }
          [ { "type" => name, "attrs" => read_attrs(element), "content" => items }.reject { |_key, value| value.empty? } ]
        end

        def read_attrs(_element)
          {}
        end

        # A list within a list that is in no item belongs to the item before it; here it gets one of its own, and so do bare words.
        def loose_items(nodes, reader, depth, marks)
          reader.among(nodes, depth + 2, marks).map { |block| { "type" => "list_item", "content" => [ block ] } }
        end

        BOX = %w[./input ./p[1]/input ./label/input ./p[1]/label/input].map { |path| "#{path}[@type='checkbox']" }.join(" | ").freeze

        def item(element, reader, depth, marks)
          content = reader.held("list_item", reader.blocks(element, depth + 2, marks))
          box = element.at_xpath(BOX)
          return { "type" => "task", "attrs" => { "done" => !box["checked"].nil? }, "content" => content } if box

          { "type" => "list_item", "content" => content }
        end
      end

      class BulletList < AnyList
        type "bullet_list", "list_item+", group: "block"

        def elements
          %w[ul menu]
        end

        private

        def tag
          "ul"
        end

        def start(_node)
          ""
        end

        def marker(_node, _index, alternate)
          alternate ? "* " : "- "
        end
      end

      class OrderedList < AnyList
        type "ordered_list", "list_item+", group: "block", attrs: { "start" => Attr.whole(0..Schema::LARGEST_START, default: 1) }

        def elements
          %w[ol]
        end

        private

        def tag
          "ol"
        end

        def start(node)
          value = node.dig("attrs", "start")
          value ? %( start="#{value}") : ""
        end

        def marker(node, index, alternate)
          "#{[ (node.dig("attrs", "start") || 1) + index, Schema::LARGEST_START ].min}#{alternate ? ")" : "."} "
        end

        def read_attrs(element)
          start = element["start"].to_i
          element["start"] && start.between?(0, Schema::LARGEST_START) ? { "start" => start } : {}
        end
      end

      class ListItem < Node
        type "list_item", "block+"

        def html(node, html)
          html.element("li", node, html.children(node))
        end

        def sketch(node, sketch, x, _width)
          sketch.dot(x)
          node["content"]
        end
      end
    end
  end
end
