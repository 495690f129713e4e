import { Node, mergeAttributes } from "@tiptap/core"

// Keeps an attribute in a field of the block's own, outside of the text.
export function field(editor, getPos, name, value, options) {
  const input = Object.assign(document.createElement("input"), options, { value: value ?? "" })
  input.setAttribute("aria-label", options.placeholder ?? options.title)
  input.addEventListener("input", () => {
    const pos = getPos()
    if (pos != null) editor.view.dispatch(editor.state.tr.setNodeAttribute(pos, name, input.value === "" ? (options.empty ?? null) : input.value))
  })
  return input
}

// A block with a head of fields that is no text, and its content below.
export function headed(editor, className, head, update) {
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

// A block that bears a name of its own.
export const named = (name, attribute, words, more = {}) => Node.create({
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
