import { LONGEST_TITLE } from "./ids"

// The page's title, in its field above the text.
export default class Title {
  constructor({ root, part, words, text, editor, saving }) {
    Object.assign(this, { part, words, text, saving })
    this.field = root.querySelector("#title")
    this.field.addEventListener("input", () => this.retitle())
    this.field.addEventListener("keydown", (event) => {
      if (event.key !== "Enter") return
      event.preventDefault()
      editor.commands.focus("start")
    })
  }

  // What is no title is told; the last one that was is kept.
  retitle() {
    const typed = this.field.value.replace(/\s+/g, " ").trim()
    const wrong = typed === "" ? "title_blank" : [...typed].length > LONGEST_TITLE ? "title_long" : null
    this.part("title-error").hidden = !wrong
    this.part("title-error").textContent = wrong ? this.words[wrong] : ""
    this.field.setAttribute("aria-invalid", String(Boolean(wrong)))
    if (wrong || typed === this.text.title) return
    this.text.title = typed
    this.saving.changed()
  }
}
