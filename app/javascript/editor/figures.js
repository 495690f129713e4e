import { Node } from "@tiptap/core"
import { NodeSelection } from "@tiptap/pm/state"
import { choice, mirrored, text } from "./controls"

// Pictures, galleries of them, files and cards. What is set of a picture stands on the workbench while it is chosen or
// its caption written, where there is room for it.

const address = (id) => `/files/${id}`
export const WIDTHS = [100, 80, 60, 50, 40, 30]
const nearest = (share) => WIDTHS.reduce((best, width) => (Math.abs(width - share) < Math.abs(best - share) ? width : best))

const attributes = (attrs) => () => Object.fromEntries(Object.entries(attrs).map(([name, value]) => [name, { default: value, rendered: false }]))

// Drawn wider and narrower by its edge, or by the arrow keys on it.
function grip(words, image, frame, set) {
  const handle = Object.assign(document.createElement("span"), { className: "figure-grip", tabIndex: 0, title: words.figure_width })
  handle.setAttribute("role", "slider")
  handle.setAttribute("aria-label", words.figure_width)
  handle.setAttribute("aria-valuemin", WIDTHS.at(-1))
  handle.setAttribute("aria-valuemax", WIDTHS[0])
  handle.addEventListener("keydown", (event) => {
    const step = { ArrowLeft: 1, ArrowDown: 1, ArrowRight: -1, ArrowUp: -1 }[event.key]
    if (!step) return
    event.preventDefault()
    set(WIDTHS[Math.min(WIDTHS.length - 1, Math.max(0, WIDTHS.indexOf(nearest(Number(handle.ariaValueNow))) + step))])
  })
  handle.addEventListener("pointerdown", (event) => {
    event.preventDefault()
    handle.setPointerCapture(event.pointerId)
    const start = image.getBoundingClientRect()
    const drag = (move) => set(nearest(100 * (start.width + move.clientX - event.clientX) / frame().clientWidth))
    handle.addEventListener("pointermove", drag)
    handle.addEventListener("pointerup", () => handle.removeEventListener("pointermove", drag), { once: true })
  })
  return handle
}

// The caption is left by Enter, to the line behind the picture; a gallery's, to the line behind that.
function leaveCaption(editor) {
  const { $from } = editor.state.selection
  if ($from.parent.type.name !== "figure" || !editor.state.selection.empty) return false
  const behind = $from.node(-1).type.name === "gallery" ? $from.after(-1) : $from.after()
  return editor.chain().insertContentAt(behind, { type: "paragraph" }).setTextSelection(behind + 1).scrollIntoView().run()
}

const figure = (words, onDescribe) => Node.create({
  name: "figure",
  draggable: true,
  isolating: true,
  addAttributes: attributes({ file: null, alt: "", width: 100, side: null, target: null }),
  renderHTML: ({ HTMLAttributes }) => ["figure", HTMLAttributes, 0],
  addKeyboardShortcuts() {
    return { Enter: () => leaveCaption(this.editor) }
  },
  addNodeView: () => ({ node, editor, getPos }) => {
    const set = (name) => (value) => {
      if (editor.state.doc.nodeAt(getPos())?.attrs[name] !== value) editor.view.dispatch(editor.state.tr.setNodeAttribute(getPos(), name, value))
    }
    const dom = document.createElement("figure")
    const frame = Object.assign(document.createElement("div"), { className: "figure-frame", contentEditable: "false" })
    const image = document.createElement("img")
    const handle = grip(words, image, () => editor.view.dom, set("width"))
    const about = Object.assign(document.createElement("button"), { type: "button", className: "figure-about" })
    const choose = () => {
      editor.view.focus()
      editor.view.dispatch(editor.state.tr.setSelection(NodeSelection.create(editor.state.doc, getPos())).scrollIntoView())
    }
    image.addEventListener("click", choose)
    about.addEventListener("click", () => {
      choose()
      onDescribe()
    })
    frame.append(image, handle, about)
    const contentDOM = document.createElement("figcaption")
    dom.append(frame, contentDOM)
    const update = (next) => {
      if (next.type.name !== "figure") return false
      const { file, side: at, width: share } = next.attrs
      if (file && !image.src.endsWith(file)) image.src = address(file)
      image.alt = next.attrs.alt
      handle.ariaValueNow = share
      handle.ariaValueText = `${share} %`
      dom.className = ["figure", at && `figure-${at}`, share !== 100 && `width-${Math.round(share / 10) * 10}`].filter(Boolean).join(" ")
      about.textContent = next.attrs.alt === "" ? words.figure_wanting : words.figure_about
      about.classList.toggle("figure-wanting", next.attrs.alt === "")
      contentDOM.dataset.placeholder = next.content.size ? "" : words.figure_caption
      return true
    }
    update(node)
    return {
      dom, contentDOM, update,
      stopEvent: (event) => handle.contains(event.target) || about.contains(event.target),
      ignoreMutation: (mutation) => mutation.type !== "selection" && !contentDOM.contains(mutation.target)
    }
  }
})

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

export default (words, names, onDescribe) => [figure(words, onDescribe), gallery(words), embed(words, names)]
