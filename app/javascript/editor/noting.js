import Margin from "../talk/margin"
import { key, pointed, positions } from "./noted"

// The draft as notes stand on it while it is written.
class WritingGround {
  constructor({ editor, saving }) {
    Object.assign(this, { editor, saving, notes: [] })
  }

  get view() { return this.editor.view }

  mark(notes) {
    this.notes = notes.map((note) => ({ ...note.dataset }))
    this.draw(notes.find((note) => note.classList.contains("note-open"))?.dataset.remark)
  }

  draw(here) {
    this.view.dispatch(this.view.state.tr.setMeta(key, { notes: this.notes, here }).setMeta("addToHistory", false))
  }

  decoration(remark) {
    return key.getState(this.view.state).find(undefined, undefined, (spec) => spec.remark === remark)[0]
  }

  heightOf({ dataset }) {
    const there = this.decoration(dataset.remark)
    const at = there?.from ?? positions(this.view.state.doc, { block: dataset.block, start: 0, length: 0 })?.from
    return at === undefined ? null : this.view.coordsAtPos(Math.min(at + 1, this.view.state.doc.content.size)).top
  }

  here(note) {
    const marks = this.view.dom.querySelectorAll(".noted-here")
    marks.forEach((mark) => mark.classList.remove("noted-here"))
    this.view.dom.querySelectorAll(`[data-mark="${note?.dataset.remark}"]`).forEach((mark) => mark.classList.add("noted-here"))
  }

  show({ dataset }) {
    this.view.dom.querySelector(`[data-mark="${dataset.remark}"]`)?.scrollIntoView({ block: "center" })
  }

  place() {}

  marked() {
    const found = pointed(this.view.state)
    return found && { ...found, top: this.view.coordsAtPos(this.view.state.selection.from).top }
  }

  // What is said is said to what is saved.
  async ready(form) {
    const saved = await this.saving.save()
    const version = form.elements["remark[version]"]
    if (version) version.value = this.saving.version
    return saved
  }
}

const CHOSEN = 30 // milliseconds after a key until the editor knows what it chose

// Notes beside the draft: made from what is chosen, walked through by Alt and the keys that do it where one reads.
export default class Noting {
  constructor(bench) {
    const { editor, words, ask } = bench
    const section = document.querySelector("[data-notes]")
    if (!section) return
    this.ground = new WritingGround(bench)
    this.margin = new Margin(section, this.ground)
    this.ground.acted = () => ask("follow")
    editor.view.dom.addEventListener("click", ({ target }) => {
      const mark = target.closest("[data-mark]")
      if (mark) this.margin.open(mark.dataset.mark, { focus: false })
    })
    editor.view.dom.addEventListener("keydown", (event) => this.key(event))
    bench.root.querySelectorAll("[data-note-act]").forEach((button) => button.addEventListener("click", () => this.margin.compose(button.dataset.noteAct, this.ground.marked())))
    bench.whenPainted(() => this.margin.soon())
    bench.hear("joined", () => this.margin.renew())
    this.words = words
  }

  key(event) {
    if (!event.altKey || event.ctrlKey || event.metaKey) return
    if (event.key === "." || event.key === ",") this.margin.step(event.key === "." ? 1 : -1)
    else if (event.key === "r") setTimeout(() => this.margin.compose("note", this.ground.marked()), CHOSEN)
    else return
    event.preventDefault()
  }
}
