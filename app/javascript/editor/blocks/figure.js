import { Node } from "@tiptap/core"
import { NodeSelection } from "@tiptap/pm/state"
import { attributes } from "../shown/attributes"

// What is set of a picture stands on the workbench while it is chosen or its caption written, where there is room for it.

export const address = (id) => `/files/${id}`
export const WIDTHS = [100, 80, 60, 50, 40, 30]
const nearest = (share) => WIDTHS.reduce((best, width) => (Math.abs(width - share) < Math.abs(best - share) ? width : best))

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

export const nodes = ({ words, on }) => [figure(words, on.onDescribe)]
export const inserts = { pictures: { file: "file" } }
export const centred = { figure: "side" }
