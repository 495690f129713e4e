import { Node } from "@tiptap/core"
import { choice, mirrored } from "../controls"
import { attributes } from "../shown/attributes"

const gallery = (words) => Node.create({
  name: "gallery",
  isolating: true,
  addAttributes: attributes({ layout: "grid" }),
  renderHTML: ({ HTMLAttributes }) => ["div", HTMLAttributes, 0],
  addNodeView: () => ({ node, editor, getPos }) => {
    const dom = document.createElement("div")
    const bar = Object.assign(document.createElement("div"), { className: "block-head", contentEditable: "false" })
    const layout = choice(words.gallery_layout, Object.entries(words.gallery_layouts), node.attrs.layout, (value) => editor.view.dispatch(editor.state.tr.setNodeAttribute(getPos(), "layout", value)))
    const contentDOM = document.createElement("div")
    bar.append(layout)
    dom.append(contentDOM, bar)
    const update = (next) => {
      if (next.type.name !== "gallery") return false
      dom.className = "gallery-writing"
      contentDOM.className = `gallery gallery-${next.attrs.layout}`
      mirrored(layout, next.attrs.layout)
      return true
    }
    update(node)
    return { dom, contentDOM, update, stopEvent: (event) => bar.contains(event.target), ignoreMutation: (mutation) => mutation.type !== "selection" && !contentDOM.contains(mutation.target) }
  }
})

export const nodes = ({ words }) => [gallery(words)]
export const inserts = { pictures: { gallery: "gallery" } }
