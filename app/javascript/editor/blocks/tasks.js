import { Node, mergeAttributes } from "@tiptap/core"
import { BOX, beginList } from "../begin_list"
import { dayInWords } from "../days"
import { field, headed } from "../shown/headed"
import { holding } from "./content"

const task = (words, people, askDay) => Node.create({
  name: "task",
  defining: true,
  addAttributes: () => ({ done: { default: false, rendered: false }, assignee: { default: null, rendered: false }, due: { default: null, rendered: false } }),
  renderHTML: ({ HTMLAttributes }) => ["li", mergeAttributes(HTMLAttributes, { class: "task" }), 0],
  addKeyboardShortcuts() {
    return {
      Enter: () => this.editor.commands.splitListItem("task", { done: false, assignee: null, due: null }),
      Tab: () => this.editor.commands.sinkListItem("task"),
      "Shift-Tab": () => this.editor.commands.liftListItem("task")
    }
  },
  addNodeView: () => ({ node, editor, getPos }) => {
    const set = (name, value) => editor.view.dispatch(editor.state.tr.setNodeAttribute(getPos(), name, value))
    const box = Object.assign(document.createElement("input"), { type: "checkbox", checked: node.attrs.done, title: words.task_done })
    box.setAttribute("aria-label", words.task_done)
    box.addEventListener("change", () => set("done", box.checked))
    const due = field(editor, getPos, "due", node.attrs.due, { type: "date", title: words.task_due })
    const inWords = Object.assign(document.createElement("button"), { type: "button", textContent: words.task_due_words, title: words.task_due_words_hint })
    inWords.addEventListener("click", () => askDay(({ date }) => set("due", date)))
    const who = document.createElement("select")
    who.setAttribute("aria-label", words.task_assignee)
    who.append(new Option(words.task_nobody, ""), ...Object.entries(people).map(([id, name]) => new Option(name, id)))
    who.value = node.attrs.assignee ?? ""
    who.addEventListener("change", () => set("assignee", who.value || null))
    const facts = Object.assign(document.createElement("span"), { className: "task-facts" })
    const fields = Object.assign(document.createElement("span"), { className: "task-fields" })
    fields.append(who, due, inWords)
    const view = headed(editor, "task", [box, facts, fields], (next) => {
      if (next.type.name !== "task") return false
      box.checked = next.attrs.done
      view.dom.classList.toggle("task-done", next.attrs.done)
      if (document.activeElement !== due) due.value = next.attrs.due ?? ""
      who.value = next.attrs.assignee ?? ""
      const by = next.attrs.due && words.task_by.replace("%{day}", dayInWords(next.attrs.due, words))
      facts.textContent = [people[next.attrs.assignee], by].filter(Boolean).join(", ")
      return true
    })
    view.update(node)
    return view
  }
})

const taskList = Node.create({
  name: "task_list",
  addInputRules: () => [beginList(BOX, "task_list", "task", ([, mark]) => ({ item: { done: /x/i.test(mark) } }))],
  renderHTML: ({ HTMLAttributes }) => ["div", mergeAttributes(HTMLAttributes, { class: "tasks" }), 0]
})

export const nodes = ({ words, names, on }) => [taskList, task(words, names.people, on.onDay)]
export const inserts = { writing: { task_list: { type: "task_list", content: [holding("task")] } } }
export const lists = { task_list: "task" }
export const turned = ["task_list", "task"]
