import { Extension } from "@tiptap/core"
import { Fragment, Slice } from "@tiptap/pm/model"
import { Plugin, PluginKey, TextSelection } from "@tiptap/pm/state"
import { CellSelection } from "@tiptap/pm/tables"
import { asRows, pasteIntoTable } from "./cells"
import { chosenBlock } from "./chosen"
import { post } from "../http"

const TYPE = "application/x-house-slice"
const ADDRESS = /^(https?:\/\/[^\s<>"]+|mailto:[^\s<>"]+@[^\s<>"]+)$/i

function write(view, event) {
  const { selection } = view.state
  if (selection.empty) return false

  const slice = selection.content()
  const { dom, text } = view.serializeForClipboard(slice)
  event.clipboardData.clearData()
  event.clipboardData.setData("text/html", dom.innerHTML)
  event.clipboardData.setData("text/plain", selection instanceof CellSelection ? asRows(selection) : text)
  event.clipboardData.setData(TYPE, JSON.stringify({ page: view.dom.dataset.page, slice: slice.toJSON() }))
  event.preventDefault()
  return true
}

export function withoutIds(fragment) {
  return Fragment.from(fragment.content.map((node) => (
    node.isText ? node : node.type.create(node.attrs.id ? { ...node.attrs, id: null } : node.attrs, withoutIds(node.content), node.marks)
  )))
}

// A caption holds a line; blocks that are pasted there become one.
function asLine(slice, schema) {
  const pieces = []
  slice.content.descendants((node) => {
    if (!node.isTextblock) return true
    if (pieces.length && node.content.size) pieces.push(schema.text(" "))
    node.content.forEach((piece) => pieces.push(piece))
    return false
  })
  return pieces.length ? new Slice(Fragment.from(pieces), 0, 0) : slice
}

// Whether pasted blocks would tear what the caret is in: a picture from its caption.
const heldInLine = ({ $from }) => $from.parent.type.name === "figure"

function insert(view, slice) {
  const { state } = view
  const chosen = chosenBlock(state)
  if (chosen) return behind(view, chosen, slice)
  if (pasteIntoTable(view, slice)) return
  const fitting = heldInLine(state.selection) ? asLine(slice, state.schema) : slice
  view.dispatch(state.tr.replaceSelection(fitting).scrollIntoView().setMeta("paste", true))
}

// A block that is chosen whole is not written over.
function behind(view, chosen, slice) {
  const { tr, schema } = view.state
  const whole = slice.content.firstChild?.isInline ? Fragment.from(schema.nodes.paragraph.create(null, slice.content)) : slice.content
  tr.setSelection(TextSelection.near(tr.doc.resolve(chosen.to), 1))
  view.dispatch(tr.insert(chosen.to, whole).scrollIntoView().setMeta("paste", true))
}

function insertOwn(view, json) {
  const { page, slice } = JSON.parse(json)
  const own = Slice.fromJSON(view.state.schema, slice)
  insert(view, page === view.dom.dataset.page ? own : new Slice(withoutIds(own.content), own.openStart, own.openEnd))
}

// What words that are chosen would lead to, if nothing but an address is pasted over them.
function addressFor({ state }, text) {
  const { selection } = state
  const one = selection instanceof TextSelection && !selection.empty && selection.$from.sameParent(selection.$to) && !selection.$from.parent.type.spec.code
  return one && ADDRESS.test(text.trim()) ? text.trim() : null
}

function linkWords(view, content, address) {
  let target = address
  content.descendants((node) => { target = node.marks.find((mark) => mark.type.name === "link")?.attrs.target ?? target })
  const { from, to } = view.state.selection
  const tr = view.state.tr.addMark(from, to, view.state.schema.marks.link.create({ target }))
  view.dispatch(tr.setSelection(TextSelection.create(tr.doc, to)).removeStoredMark(view.state.schema.marks.link).scrollIntoView())
}

// A piece of a line that says nothing but itself keeps the spaces at its ends.
function isLine(content, text) {
  const only = content.childCount === 1 && content.firstChild.type.name === "paragraph" && content.firstChild.content
  return text !== "" && only?.childCount === 1 && only.firstChild.isText && !only.firstChild.marks.length && only.firstChild.text === text.trim()
}

// The server reads it: parsing HTML here would run into the Content-Security-Policy.
async function insertText(view, { text, html }, { address, onProblem }) {
  if (view.state.selection.$from.parent.type.spec.code) return view.dispatch(view.state.tr.insertText(text).scrollIntoView())

  const linked = addressFor(view, text)
  const answer = await post(address, { text, html: linked ? "" : html }).catch(() => null)
  if (!answer?.ok) {
    if (answer?.status === 413) onProblem("pasted_too_long")
    else if (answer?.status === 422) onProblem(answer.body.error)
    return view.dispatch(view.state.tr.insertText(text).scrollIntoView())
  }
  const content = Fragment.fromJSON(view.state.schema, answer.body.content)
  if (linked && addressFor(view, text)) return linkWords(view, content, linked)
  if (isLine(content, text)) return insert(view, new Slice(Fragment.from(view.state.schema.text(text)), 0, 0))
  const open = content.childCount > 0 && content.firstChild.type.name === "paragraph" ? 1 : 0
  return insert(view, new Slice(content, open, content.childCount === 1 ? open : 0))
}

export function read(view, data, options) {
  const own = data.getData(TYPE)
  const [text, html] = [data.getData("text/plain"), data.getData("text/html")]
  if (own) insertOwn(view, own)
  else if (text || html) return insertText(view, { text, html }, options)
  return null
}

export default Extension.create({
  name: "clipboard",

  addOptions: () => ({ address: null, onProblem: () => {} }),

  addProseMirrorPlugins() {
    return [new Plugin({
      key: new PluginKey("clipboard"),
      props: {
        handleDOMEvents: {
          copy: write,
          cut(view, event) {
            if (write(view, event)) view.dispatch(view.state.tr.deleteSelection().scrollIntoView())
            return true
          },
          paste: (view, event) => {
            if (event.clipboardData.files.length && !event.clipboardData.getData("text/plain").trim()) return false
            event.preventDefault()
            read(view, event.clipboardData, this.options)
            return true
          }
        }
      }
    })]
  }
})
