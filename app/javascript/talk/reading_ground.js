import { blockOf, marked, rangeOf } from "./places"
import { unwrap, wrapped } from "./wrapping"

// The text that is read, as notes stand on it: they are marked in it, and a small sign behind each leads to the note.
export default class ReadingGround {
  constructor(root, words) {
    Object.assign(this, { root, words })
  }

  // @param notes [Array<Element>]
  mark(notes) {
    this.clear()
    for (const note of notes) this.lay(note)
  }

  lay(note) {
    const { block, start, length, remark, x, kind, within } = note.dataset
    const range = start === undefined ? null : rangeOf(this.root, block, Number(start), Number(length), within)
    const element = blockOf(this.root, block, within)
    note.classList.toggle("note-nowhere", !range && !element) // another part of that page is shown
    if (!range && !element) return
    if (range) this.wrap(range, remark, kind, within)
    this.sign(note, range ? this.marks(remark).at(-1) : element, x !== undefined)
  }

  wrap(range, remark, kind, within) {
    wrapped(this.root, range, () => {
      const mark = Object.assign(document.createElement("span"), { className: `noted noted-${kind}` })
      mark.dataset.mark = remark
      return mark
    }, Boolean(within))
  }

  sign(note, after, pointed) {
    const { remark, x, y } = note.dataset
    const sign = Object.assign(document.createElement("button"), { type: "button", className: `noted-sign noted-sign-${note.dataset.kind}` })
    sign.dataset.sign = remark
    sign.setAttribute("aria-label", this.words.mark.replace("%{name}", note.querySelector("b")?.textContent ?? ""))
    if (pointed) {
      const picture = after.querySelector("img")
      sign.classList.add("noted-point")
      sign.dataset.x = x
      sign.dataset.y = y
      ;(picture?.closest("a") ?? picture)?.after(sign)
    } else if (after.matches(".noted")) after.after(sign)
    else (after.matches("table") ? after.closest(".table") : after.matches("figure") ? (after.querySelector("figcaption") ?? after) : after)[after.matches("table, hr") ? "after" : "append"](sign)
  }

  marks(remark) {
    return [...this.root.querySelectorAll(`[data-mark="${remark}"]`)]
  }

  signOf(remark) {
    return this.root.querySelector(`[data-sign="${remark}"]`)
  }

  clear() {
    this.unword()
    this.root.querySelectorAll("[data-sign]").forEach((sign) => sign.remove())
    this.root.querySelectorAll("[data-mark]").forEach(unwrap)
  }

  // Points in pictures are where they are in the picture as large as it is now.
  place() {
    this.root.querySelectorAll(".noted-point").forEach((sign) => {
      const picture = sign.closest("figure")?.querySelector("img")
      if (!picture) return
      sign.style.left = `${picture.offsetLeft + picture.offsetWidth * Number(sign.dataset.x) / 100}px`
      sign.style.top = `${picture.offsetTop + picture.offsetHeight * Number(sign.dataset.y) / 100}px`
    })
  }

  // @return [Number, null] where on the screen it stands
  heightOf(note) {
    const { remark, block, within } = note.dataset
    const there = this.marks(remark).find((mark) => !mark.matches(".noted-covered")) ?? this.signOf(remark) ?? blockOf(this.root, block, within)
    return there ? there.getBoundingClientRect().top : null
  }

  // Shows which one is meant, and what is proposed in its place, by word.
  here(note) {
    this.unword()
    this.root.querySelectorAll(".noted-here").forEach((mark) => mark.classList.remove("noted-here"))
    if (!note) return
    const { remark, difference } = note.dataset
    const marks = this.marks(remark)
    ;[...marks, this.signOf(remark)].forEach((mark) => mark?.classList.add("noted-here"))
    if (difference && marks.length) this.word(marks, JSON.parse(difference))
  }

  word(marks, difference) {
    const words = Object.assign(document.createElement("span"), { className: "noted-words" })
    words.append(...difference.map(([kind, text]) => (kind === "same" ? text : Object.assign(document.createElement(kind === "removed" ? "del" : "ins"), { textContent: text }))))
    marks.at(-1).after(words)
    marks.forEach((mark) => mark.classList.add("noted-covered"))
  }

  unword() {
    this.root.querySelectorAll(".noted-words").forEach((words) => words.remove())
    this.root.querySelectorAll(".noted-covered").forEach((mark) => mark.classList.remove("noted-covered"))
  }

  show(note) {
    const there = this.marks(note.dataset.remark)[0] ?? this.signOf(note.dataset.remark)
    for (let fold = there?.closest("details:not([open])"); fold; fold = fold.parentElement.closest("details:not([open])")) fold.open = true
    there?.scrollIntoView({ block: "center" })
  }

  marked() {
    return marked(this.root)
  }

  // @return [DOMRect, null] where what is marked ends
  markedBox() {
    const selection = document.getSelection()
    return selection.rangeCount ? [...selection.getRangeAt(0).getClientRects()].at(-1) ?? null : null
  }
}
