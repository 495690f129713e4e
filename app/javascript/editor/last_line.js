import { Extension } from "@tiptap/core"
import { Plugin, PluginKey, TextSelection } from "@tiptap/pm/state"

// There is always a line to write on at the end. It is the editor's alone: as long as nothing is written on it, it is not
// part of the text that is saved, and it goes when there is no need of it any more.

const key = new PluginKey("last_line")
const LINES = ["paragraph", "heading", "bullet_list", "ordered_list", "task_list"]

const wants = (type) => !LINES.includes(type)

export function withLastLine(json) {
  return wants(json.content.at(-1).type) ? { ...json, content: [...json.content, { type: "paragraph" }] } : json
}

// @return [Array<Node>] the blocks of the text as it is saved
export function ownBlocks(state) {
  const { content } = state.doc.content
  return key.getState(state) ? content.slice(0, -1) : content
}

const empty = (node) => node.type.name === "paragraph" && node.content.size === 0
const emptyEnd = (doc) => doc.childCount > 1 && empty(doc.lastChild)

function settle(state) {
  const { doc, selection, tr, schema } = state
  const quietly = (change) => change.setMeta("addToHistory", false).setMeta("preventUpdate", true)
  if (wants(doc.lastChild.type.name)) return quietly(tr.insert(doc.content.size, schema.nodes.paragraph.create())).setMeta(key, true)
  const start = doc.content.size - doc.lastChild.nodeSize
  if (key.getState(state) && !wants(doc.child(doc.childCount - 2).type.name) && selection.to < start) return quietly(tr.delete(start, doc.content.size)).setMeta(key, false)
  return null
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
    key,
    state: {
      init: (_config, { doc }) => emptyEnd(doc) && wants(doc.child(doc.childCount - 2).type.name),
      apply: (tr, own, _before, { doc }) => emptyEnd(doc) && ((tr.getMeta(key) ?? own) || wants(doc.child(doc.childCount - 2).type.name))
    },
    appendTransaction: (transactions, _before, state) => (transactions.some((tr) => tr.docChanged) ? settle(state) : null),
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
