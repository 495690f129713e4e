import { Extension } from "@tiptap/core"
import { Fragment, Slice } from "@tiptap/pm/model"
import { Plugin, PluginKey } from "@tiptap/pm/state"
import { post } from "../http"

const TYPE = "application/x-house-slice"

function write(view, event) {
  if (view.state.selection.empty) return false

  const slice = view.state.selection.content()
  const { dom, text } = view.serializeForClipboard(slice)
  event.clipboardData.clearData()
  event.clipboardData.setData("text/html", dom.innerHTML)
  event.clipboardData.setData("text/plain", text)
  event.clipboardData.setData(TYPE, JSON.stringify({ page: view.dom.dataset.page, slice: slice.toJSON() }))
  event.preventDefault()
  return true
}

function withoutIds(fragment) {
  return Fragment.from(fragment.content.map((node) => (
    node.isText ? node : node.type.create(node.attrs.id ? { ...node.attrs, id: null } : node.attrs, withoutIds(node.content), node.marks)
  )))
}

function insert(view, slice) {
  view.dispatch(view.state.tr.replaceSelection(slice).scrollIntoView().setMeta("paste", true))
}

function insertOwn(view, json) {
  const { page, slice } = JSON.parse(json)
  const own = Slice.fromJSON(view.state.schema, slice)
  insert(view, page === view.dom.dataset.page ? own : new Slice(withoutIds(own.content), own.openStart, own.openEnd))
}

// The server reads it: parsing HTML here would run into the Content-Security-Policy.
async function insertText(view, text, html, address, onProblem) {
  if (view.state.selection.$from.parent.type.spec.code) return view.dispatch(view.state.tr.insertText(text))

  const answer = await post(address, { text, html }).catch(() => null)
  if (!answer?.ok) {
    if (answer?.status === 413) onProblem()
    return view.dispatch(view.state.tr.insertText(text))
  }
  const content = Fragment.fromJSON(view.state.schema, answer.body.content)
  const open = content.childCount > 0 && content.firstChild.type.name === "paragraph" ? 1 : 0
  insert(view, new Slice(content, open, content.childCount === 1 ? open : 0))
}

export default Extension.create({
  name: "clipboard",

  addOptions: () => ({ address: null, onProblem: () => {} }),

  addProseMirrorPlugins() {
    const read = (view, data) => {
      const own = data.getData(TYPE)
      const text = data.getData("text/plain")
      if (own) insertOwn(view, own)
      else if (text) insertText(view, text, data.getData("text/html"), this.options.address, this.options.onProblem)
    }

    return [new Plugin({
      key: new PluginKey("clipboard"),
      props: {
        handleDOMEvents: {
          copy: write,
          cut(view, event) {
            if (write(view, event)) view.dispatch(view.state.tr.deleteSelection().scrollIntoView())
            return true
          },
          paste(view, event) {
            if (event.clipboardData.files.length) return false
            event.preventDefault()
            read(view, event.clipboardData)
            return true
          },
          drop(view, event) {
            if (view.dragging || event.dataTransfer.files.length) return false
            event.preventDefault()
            read(view, event.dataTransfer)
            return true
          }
        }
      }
    })]
  }
})
