import { Extension } from "@tiptap/core"
import { Plugin, PluginKey, TextSelection } from "@tiptap/pm/state"

// There is always a line to write on at the end. It is the editor's alone: as long as nothing is written on it, it is not
// part of the text that is saved.

const LINES = ["paragraph", "heading", "bullet_list", "ordered_list", "task_list"]

const wants = (type) => !LINES.includes(type)

export function withoutLastLine(json) {
  const content = json.content ?? []
  const [before, last] = content.slice(-2)
  return content.length > 1 && last.type === "paragraph" && !last.content?.length && wants(before.type) ? { ...json, content: content.slice(0, -1) } : json
}

export function withLastLine(json) {
  return wants(json.content.at(-1).type) ? { ...json, content: [...json.content, { type: "paragraph" }] } : json
}

function addLine(state) {
  return wants(state.doc.lastChild.type.name) ? state.tr.insert(state.doc.content.size, state.schema.nodes.paragraph.create()).setMeta("addToHistory", false).setMeta("preventUpdate", true) : null
}

// The caret at the end of the text, on a line of its own where a list ends there.
export function toEnd(view) {
  const { tr, doc, schema } = view.state
  if (!["paragraph", "heading"].includes(doc.lastChild.type.name)) tr.insert(doc.content.size, schema.nodes.paragraph.create())
  view.focus()
  view.dispatch(tr.setSelection(TextSelection.atEnd(tr.doc)).scrollIntoView())
}

// Pressed below the last line.
const below = (view, event) => event.clientY > (view.dom.lastElementChild?.getBoundingClientRect().bottom ?? 0)

export default Extension.create({
  name: "last_line",
  addProseMirrorPlugins: () => [new Plugin({
    key: new PluginKey("last_line"),
    appendTransaction: (transactions, _before, state) => (transactions.some((tr) => tr.docChanged) ? addLine(state) : null),
    props: {
      handleDOMEvents: {
        mousedown(view, event) {
          if (event.target !== view.dom || !below(view, event)) return false
          event.preventDefault()
          toEnd(view)
          return true
        }
      }
    }
  })]
})
