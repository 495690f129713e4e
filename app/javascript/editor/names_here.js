import { get } from "../http"
import { pause } from "../pause"
import { positions } from "./noted"

const QUIET = 3000 // milliseconds after a key until names are looked for

// Names of pages that stand in the text without a link: told quietly in the margin, linked by one press each.
export default class NamesHere {
  constructor({ part, editor, saving }) {
    const place = part("names-here")
    if (!place) return
    Object.assign(this, { place, editor, saving, list: place.querySelector("ul"), count: place.querySelector(".count"), words: JSON.parse(place.dataset.words) })
    this.list.addEventListener("click", ({ target }) => this.link(target.closest("button")))
    editor.on("update", () => this.soon())
    this.look()
  }

  soon() {
    clearTimeout(this.timer)
    this.timer = setTimeout(() => this.look(), pause(QUIET))
  }

  // What is not saved yet is not known to the house.
  async look() {
    if (document.querySelector("[data-state]")?.dataset.state !== "saved") return this.soon()
    const told = await get(this.place.dataset.src).catch(() => null)
    if (!told?.names) return
    this.names = told.names
    this.draw()
  }

  draw() {
    this.place.hidden = this.names.length === 0
    this.count.textContent = this.names.length
    this.list.replaceChildren(...this.names.map((name, i) => {
      const row = document.createElement("li"), button = document.createElement("button")
      button.type = "button"
      button.className = "remark-act"
      button.dataset.at = i
      button.textContent = this.words.link.replace("%{words}", name.words)
      const note = Object.assign(document.createElement("small"), { textContent: `${name.title}, ${name.room}` })
      row.append(button, " ", note)
      return row
    }))
  }

  // Where the text says something else by now, it is looked for anew.
  link(button) {
    if (!button) return
    const name = this.names[Number(button.dataset.at)]
    const { state, view } = this.editor
    const place = positions(state.doc, name)
    if (!place || state.doc.textBetween(place.from, place.to, " ") !== name.words) return this.look()
    view.dispatch(state.tr.addMark(place.from, place.to, state.schema.marks.link.create({ target: `page:${name.page}` })))
    this.names = this.names.filter((other) => other !== name)
    this.draw()
    const next = this.list.querySelector("button")
    next ? next.focus() : view.focus()
  }
}
