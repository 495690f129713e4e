import { Node, mergeAttributes } from "@tiptap/core"
import { dayInWords } from "./days"

// Blocks that hold others and have something to fill in of their own.

// Keeps an attribute in a field of the block's own, outside of the text.
function field(editor, getPos, name, value, options) {
  const input = Object.assign(document.createElement("input"), options, { value: value ?? "" })
  input.setAttribute("aria-label", options.placeholder ?? options.title)
  input.addEventListener("input", () => {
    const pos = getPos()
    if (pos != null) editor.view.dispatch(editor.state.tr.setNodeAttribute(pos, name, input.value === "" ? (options.empty ?? null) : input.value))
  })
  return input
}

// A block with a head of fields that is no text, and its content below.
function headed(editor, className, head, update) {
  const dom = Object.assign(document.createElement("div"), { className })
  const bar = Object.assign(document.createElement("div"), { className: `${className}-head`, contentEditable: "false" })
  bar.append(...head)
  const contentDOM = Object.assign(document.createElement("div"), { className: `${className}-text` })
  dom.append(bar, contentDOM)
  return {
    dom,
    contentDOM,
    update,
    stopEvent: (event) => bar.contains(event.target),
    ignoreMutation: (mutation) => mutation.type !== "selection" && !contentDOM.contains(mutation.target)
  }
}

const named = (name, attribute, words, more = {}) => Node.create({
  name,
  defining: true,
  addAttributes: () => ({ [attribute]: { default: "", rendered: false }, ...more }),
  renderHTML: ({ HTMLAttributes }) => ["div", mergeAttributes(HTMLAttributes, { class: name }), 0],
  addNodeView: () => ({ node, editor, getPos }) => {
    const input = field(editor, getPos, attribute, node.attrs[attribute], { placeholder: words[name], maxLength: 200, empty: "" })
    return headed(editor, name, [input], (next) => {
      if (next.type.name !== name) return false
      if (document.activeElement !== input) input.value = next.attrs[attribute]
      return true
    })
  }
})

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
  renderHTML: ({ HTMLAttributes }) => ["div", mergeAttributes(HTMLAttributes, { class: "tasks" }), 0]
})

const columns = Node.create({
  name: "columns",
  isolating: true,
  renderHTML: ({ node, HTMLAttributes }) => ["div", mergeAttributes(HTMLAttributes, { class: `columns columns-${node.childCount}` }), 0]
})

const column = Node.create({
  name: "column",
  isolating: true,
  addAttributes: () => ({ share: { default: 1, rendered: false } }),
  renderHTML: ({ node, HTMLAttributes }) => ["div", mergeAttributes(HTMLAttributes, { class: `column column-${node.attrs.share}` }), 0]
})

export default (words, people, askDay) => [
  named("fold", "title", words, { open: { default: false, rendered: false } }),
  named("passage", "name", words),
  taskList, task(words, people, askDay), columns, column
]
