import { Node } from "@tiptap/core"
import { mirrored } from "../controls"
import { attributes } from "./attributes"

// A block that is made anew at each view, with fields for what its writer decides.
export const settled = (name, attrs, className, fields, show) => Node.create({
  name,
  atom: true,
  selectable: true,
  addAttributes: attributes(attrs),
  renderHTML: ({ HTMLAttributes }) => ["div", { ...HTMLAttributes, class: className }],
  addNodeView: () => ({ node, editor, getPos }) => {
    const dom = Object.assign(document.createElement("div"), { className, contentEditable: "false" })
    const shown = document.createElement("div")
    const bar = Object.assign(document.createElement("div"), { className: "block-head" })
    const set = (attribute) => (value) => editor.view.dispatch(editor.state.tr.setNodeAttribute(getPos(), attribute, value))
    const controls = fields(set, node.attrs)
    bar.append(...Object.values(controls))
    dom.append(shown, bar)
    let last = null
    const update = (next) => {
      if (next.type.name !== name) return false
      for (const [attribute, control] of Object.entries(controls)) mirrored(control, next.attrs[attribute])
      if (JSON.stringify(last) !== JSON.stringify(next.attrs)) show(shown, next.attrs, last)
      last = next.attrs
      return true
    }
    update(node)
    return { dom, update, stopEvent: (event) => bar.contains(event.target), ignoreMutation: () => true }
  }
})
