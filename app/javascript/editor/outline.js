import { isHeading, placeOf, sectionAt, sectionStep } from "./sections"
import { moveRange } from "./moving"
import { pause } from "../pause"

const DRAWN = 400 // milliseconds after a key until the outline follows

// @return [Array<Object>] the headings of a text in their order: id, level, text, pos
export function headings(doc) {
  const found = []
  doc.descendants((node, pos) => {
    if (isHeading(node)) found.push({ id: node.attrs.id, level: node.attrs.level, text: node.textContent, pos })
    return !node.isTextblock
  })
  return found
}

// The headings in the margin: they lead to their place, and are moved there with all that stands under them, by Alt and
// the arrow keys or by dragging.
export default class Outline {
  constructor({ part, editor, words, tell }) {
    const list = part("outline-list")
    Object.assign(this, { list, editor, words, say: tell })
    list.addEventListener("click", (event) => this.go(this.entry(event)))
    list.addEventListener("keydown", (event) => this.key(event))
    list.addEventListener("pointerdown", (event) => this.press(event))
    editor.on("transaction", ({ transaction }) => { if (transaction.docChanged) this.soon ??= setTimeout(() => this.draw(), pause(DRAWN)) }) // what others write, too
    this.draw()
  }

  entry(event) {
    return event.target.closest("button[data-heading]")
  }

  heading(entry) {
    return entry && headings(this.editor.state.doc).find(({ id }) => id === entry.dataset.heading)
  }

  draw() {
    this.soon = null
    const all = headings(this.editor.state.doc).filter(({ text }) => text.trim())
    const drawn = JSON.stringify(all.map(({ id, level, text }) => [id, level, text]))
    if (drawn === this.drawn) return
    this.drawn = drawn
    const focused = this.list.contains(document.activeElement) ? document.activeElement.dataset.heading : null
    this.list.replaceChildren(...all.map(({ id, level, text }) => {
      const item = document.createElement("li")
      const entry = Object.assign(document.createElement("button"), { type: "button", textContent: text, title: this.words.outline_key, className: `on-page-${level}` })
      entry.dataset.heading = id
      item.append(entry)
      return item
    }))
    this.list.closest("[data-outline]").hidden = !all.length
    if (focused) this.list.querySelector(`[data-heading="${focused}"]`)?.focus()
  }

  go(entry) {
    const heading = !this.dragged && this.heading(entry)
    this.dragged = false
    if (!heading) return
    const end = heading.pos + 1 + heading.text.length
    this.editor.chain().focus().setTextSelection(Math.min(end, this.editor.state.doc.content.size)).scrollIntoView().run()
  }

  key(event) {
    const step = event.altKey && { ArrowUp: -1, ArrowDown: 1 }[event.key]
    const heading = step && this.heading(this.entry(event))
    if (!heading) return
    event.preventDefault()
    const section = sectionAt(this.editor.state.doc, heading.pos)
    const index = sectionStep(section.parent, section.index, step)
    if (index !== null) this.move(section, placeOf(section.parent, section.start, index))
  }

  move(section, to) {
    const tr = moveRange(this.editor.state.tr, section.from, section.to, to)
    if (!tr) return
    this.editor.view.dispatch(tr)
    this.draw()
    this.say(this.words.section_moved)
  }

  // Dragged to before another heading, or behind the last.
  press(event) {
    const entry = this.entry(event)
    if (!entry || event.button !== 0) return
    const start = event.clientY
    const over = (move) => {
      if (Math.abs(move.clientY - start) < 5 && !this.dragged) return
      this.dragged = true
      this.clear()
      const target = document.elementFromPoint(move.clientX, move.clientY)?.closest("button[data-heading]")
      if (!target || !this.list.contains(target)) return
      const box = target.getBoundingClientRect()
      target.dataset.place = move.clientY < box.top + box.height / 2 ? "before" : "after"
    }
    const end = () => {
      window.removeEventListener("pointermove", over)
      window.removeEventListener("pointercancel", end)
      window.removeEventListener("pointerup", end)
      const target = this.list.querySelector("[data-place]")
      const [place, moved, aim] = [target?.dataset.place, this.heading(entry), this.heading(target)]
      this.clear()
      if (this.dragged) setTimeout(() => { this.dragged = false })
      if (!place || !moved || !aim || moved.id === aim.id) return
      const { doc } = this.editor.state
      this.move(sectionAt(doc, moved.pos), place === "before" ? aim.pos : sectionAt(doc, aim.pos).to)
    }
    window.addEventListener("pointermove", over)
    window.addEventListener("pointerup", end)
    window.addEventListener("pointercancel", end)
  }

  clear() {
    this.list.querySelectorAll("[data-place]").forEach((entry) => delete entry.dataset.place)
  }
}
