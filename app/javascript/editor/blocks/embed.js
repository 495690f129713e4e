import { Node } from "@tiptap/core"
import { mirrored, text } from "../controls"
import { attributes } from "../shown/attributes"
import { address } from "./figure"

const embed = (words, names) => Node.create({
  name: "embed",
  atom: true,
  addAttributes: attributes({ file: null, address: null, title: "", text: "" }),
  renderHTML: ({ HTMLAttributes }) => ["div", HTMLAttributes],
  addNodeView: () => ({ node, editor, getPos }) => {
    const dom = Object.assign(document.createElement("div"), { className: "embed", contentEditable: "false" })
    if (node.attrs.file) {
      dom.append(Object.assign(document.createElement("a"), { href: address(node.attrs.file), textContent: names[node.attrs.file] ?? address(node.attrs.file), target: "_blank" }))
      return { dom }
    }
    const set = (name, empty) => (value) => editor.view.dispatch(editor.state.tr.setNodeAttribute(getPos(), name, value || empty))
    const controls = {
      address: text(words.card_address, node.attrs.address, set("address", null), { type: "url", maxLength: 2000 }),
      title: text(words.card_title, node.attrs.title, set("title", "")),
      text: text(words.card_text, node.attrs.text, set("text", ""))
    }
    dom.classList.add("embed-card")
    dom.append(...Object.values(controls))
    const update = (next) => {
      if (next.type.name !== "embed" || next.attrs.file) return false
      for (const [name, element] of Object.entries(controls)) mirrored(element, next.attrs[name])
      return true
    }
    return { dom, update, stopEvent: (event) => event.target.matches("input"), ignoreMutation: () => true }
  }
})

export const nodes = ({ words, names }) => [embed(words, names.files)]
export const inserts = { pictures: { card: { type: "embed" } } }
