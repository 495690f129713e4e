module Leaves
  # A task's box, who is to do it and by when. It can be ticked by who may comment, in the page itself.
  class Task < Leaf
    def needs(attrs)
      { people: [ attrs["assignee"] ] }
    end

    private

    def told(attrs, document)
      task = level.task(attrs["id"], document)
      done = task ? task.done? : attrs["done"]
      facts = [ name_of(level.people[attrs["assignee"]]), attrs["due"] && t("task.due", day: day(attrs["due"])) ].compact.join(", ")
      box = task && ticking?(document) ? tick(task, document) : %(<span class="task-box#{" task-ticked" if done}" role="img" aria-label="#{escape(t(done ? "task.done" : "task.open"))}"></span>)
      facts.empty? ? box : %(#{box}<span class="task-facts#{" task-late" if late?(attrs["due"], done)}">#{escape(facts)}</span>)
    end

    def ticking?(document)
      return false unless document.page_itself?

      @ticking ||= PagePolicy.new(viewer, document.page).tick? ? :yes : :no
      @ticking == :yes
    end

    def tick(task, document)
      address = page_tick_path(document.page, task.block_id)
      %(<button type="button" class="task-box task-tick#{" task-ticked" if task.done?}" data-tick="#{address}" aria-pressed="#{task.done?}" aria-label="#{escape(t("task.tick", text: task.text))}"></button>)
    end

    def late?(due, done)
      due && !done && ::Date.iso8601(due) < ::Date.current
    end
  end
end
