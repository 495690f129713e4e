module Zuhause
  module Document
    module Nodes
      class TaskList < AnyList
        type "task_list", "task+", group: "block"

        # GFM has no place for who is to do a task, or by when.
        def markdown(node, around, writer, alternate)
          super if plain?(node)
        end

        def runs_together(node)
          "bullet_list" if plain?(node)
        end

        private

        def tag
          "ul"
        end

        def start(_node)
          %( class="tasks")
        end

        def marker(node, index, alternate)
          "#{alternate ? "*" : "-"} [#{node["content"][index].dig("attrs", "done") ? "x" : " "}] "
        end

        def plain?(node)
          node["content"].all? { |task| (task["attrs"] || {}).keys.all? { |name| %w[id done].include?(name) } && AnyList.plain?(task["content"].first) }
        end
      end

      class Task < Node
        type "task", "block+", attrs: { "done" => Attr.boolean(false), "assignee" => Attr.matching(Schema::PUBLIC_ID), "due" => Attr.matching(Schema::DATE) }

        # What stands before its text depends on who looks.
        def html(node, html)
          html.element("li", node, %(#{html.leaf(node.slice("type", "attrs"))}<div class="task-text">#{html.children(node)}</div>), %( class="task"))
        end

        def sketch(node, sketch, x, _width)
          sketch.box(x, 3, 3)
          node["content"]
        end

        def targets(node)
          assignee = node.dig("attrs", "assignee")
          assignee ? [ [ Links::Target.new(:person, assignee), :task, "" ] ] : []
        end
      end
    end
  end
end
