import { Extension } from "@tiptap/core"
import { NodeSelection, Plugin, PluginKey } from "@tiptap/pm/state"
import { afterPaint } from "./after_paint"
import { chosenRange } from "./chosen"
import { seen } from "./in_view"
import { blockAround, moveRange, around } from "./moving"
import { PlaceLine, placeAt } from "./place_line"

const DRAGGED = 4 // pixels from which pressing is dragging
const NEAR = 24 // pixels from the edge of what is seen at which it rolls along
const STEP = 10

// The edge of a block: a thin bar in the gutter along its whole height, seen where the pointer is, else where the caret
// is. Pressed, it chooses the block; the workbench shows what can be done with it. Dragged, it moves it.
class Edge {
  constructor(view, { words }) {
    this.view = view
    this.frame = view.dom.parentElement
    this.bar = Object.assign(document.createElement("button"), { type: "button", className: "edge", tabIndex: -1, hidden: true, title: words.edge })
    this.bar.setAttribute("aria-label", words.edge)
    this.line = new PlaceLine(this.frame)
    this.frame.append(this.bar)
    this.sheet = this.frame.closest(".sheet") ?? this.frame
    this.over = (event) => this.follow(event)
    this.out = () => this.rest()
    this.sheet.addEventListener("mousemove", this.over)
    this.sheet.addEventListener("mouseleave", this.out)
    this.bar.addEventListener("pointerdown", (event) => this.press(event))
    this.bar.addEventListener("mousedown", (event) => event.preventDefault()) // the text keeps the focus
    this.restSoon = afterPaint(() => !this.destroyed && this.rest())
    this.watch = new ResizeObserver(() => this.draw())
    this.watch.observe(view.dom)
  }

  // Beside the block that the pointer is at the height of.
  follow(event) {
    if (event.buttons || this.pressed || this.bar.contains(event.target)) return
    const frame = this.view.dom.getBoundingClientRect()
    if (event.clientY < frame.top || event.clientY > frame.bottom) return
    const found = this.view.posAtCoords({ left: Math.min(Math.max(event.clientX, frame.left + 4), frame.right - 4), top: event.clientY })
    const block = found && this.blockAt(found)
    if (block) this.show(block.pos)
  }

  blockAt({ pos, inside }) {
    const { doc } = this.view.state
    const node = inside >= 0 && doc.nodeAt(inside)
    if (node && node.isBlock && node.isAtom) return { pos: inside }
    return blockAround(doc.resolve(inside >= 0 ? Math.max(pos, inside) : pos))
  }

  rest() {
    if (this.pressed) return
    const block = around(this.view.state.selection)
    if (block) this.show(block.pos)
  }

  show(pos) {
    this.pos = pos
    this.draw()
  }

  draw() {
    const dom = this.pos != null && this.pos < this.view.state.doc.content.size && this.view.nodeDOM(this.pos)
    this.bar.hidden = !dom?.getBoundingClientRect
    if (this.bar.hidden) return
    const [box, frame] = [dom.getBoundingClientRect(), this.frame.getBoundingClientRect()]
    const chosen = this.view.state.selection instanceof NodeSelection && this.view.state.selection.from === this.pos
    this.bar.classList.toggle("edge-chosen", chosen)
    const place = { top: `${box.top - frame.top}px`, height: `${Math.max(box.height, 20)}px` }
    if (place.top !== this.bar.style.top || place.height !== this.bar.style.height) Object.assign(this.bar.style, place)
  }

  press(event) {
    if (event.button !== 0) return
    event.preventDefault()
    this.choose()
    const start = { x: event.clientX, y: event.clientY }
    this.pressed = true
    this.bar.setPointerCapture(event.pointerId)
    const moved = (move) => {
      if (!this.dragging && Math.hypot(move.clientX - start.x, move.clientY - start.y) < DRAGGED) return
      this.dragging = true
      this.bar.classList.add("edge-dragged")
      this.aim(move)
      this.roll(move)
    }
    const end = (drop) => () => {
      window.removeEventListener("pointermove", moved)
      window.removeEventListener("pointerup", done)
      window.removeEventListener("pointercancel", leave)
      document.removeEventListener("keydown", escape, true)
      clearInterval(this.rolling)
      this.bar.classList.remove("edge-dragged")
      this.line.hide()
      if (drop && this.dragging && this.place) this.drop(this.place.pos)
      else if (!this.dragging) this.view.dispatch(this.view.state.tr.scrollIntoView())
      this.pressed = this.dragging = this.place = null
    }
    const [done, leave] = [end(true), end(false)]
    const escape = (key) => {
      if (key.key !== "Escape") return
      key.preventDefault()
      key.stopPropagation()
      leave()
    }
    document.addEventListener("keydown", escape, true)
    window.addEventListener("pointermove", moved)
    window.addEventListener("pointerup", done)
    window.addEventListener("pointercancel", leave)
  }

  choose() {
    const { doc } = this.view.state
    if (this.pos >= doc.content.size || !NodeSelection.isSelectable(doc.nodeAt(this.pos))) return
    this.view.focus()
    this.view.dispatch(this.view.state.tr.setSelection(NodeSelection.create(doc, this.pos)))
  }

  placeFor(event) {
    const range = chosenRange(this.view.state)
    if (!range) return null
    const types = []
    this.view.state.doc.slice(range.from, range.to).content.forEach((node) => types.push(node.type))
    return placeAt(this.view, event, (parent, index) => types.every((type) => parent.canReplaceWith(index, index, type)), range)
  }

  drop(pos) {
    const range = chosenRange(this.view.state)
    const tr = range && moveRange(this.view.state.tr, range.from, range.to, pos)
    if (tr) this.view.dispatch(tr)
  }

  aim(event) {
    this.place = this.placeFor(event)
    this.line.show(this.place)
  }

  // Held near the window's edge, the page goes on under the pointer.
  roll(event) {
    clearInterval(this.rolling)
    const { top, bottom } = seen(this.view, document)
    const by = event.clientY < top + NEAR ? -STEP : event.clientY > bottom - NEAR ? STEP : 0
    if (!by) return
    this.rolling = setInterval(() => {
      window.scrollBy({ top: by, behavior: "instant" })
      this.aim(event)
    }, 16)
  }

  update(view, before) {
    if (this.pressed) return
    if (!view.state.selection.eq(before.selection) || view.state.doc !== before.doc) this.restSoon()
    else this.draw()
  }

  destroy() {
    this.destroyed = true
    this.sheet.removeEventListener("mousemove", this.over)
    this.sheet.removeEventListener("mouseleave", this.out)
    this.watch.disconnect()
    this.bar.remove()
    this.line.remove()
  }
}

export default (words) => Extension.create({
  name: "edge",
  addProseMirrorPlugins: () => [new Plugin({ key: new PluginKey("edge"), view: (view) => new Edge(view, { words }) })]
})
