import { sources } from "../choices"
import { post } from "../../http"

const FIELDS = ["title", "author", "publisher", "address", "date", "accessed_on"]

// Citing a work: one of the house's, or a new one that is entered here.
export default class Citing {
  // inserting asks for a choice, and puts what is cited into the text.
  constructor({ root, words, names, panels, say, inserting }) {
    Object.assign(this, { words, names, panels, say, inserting, address: root.dataset.sources })
    this.form = root.querySelector("[data-source-panel]")
    this.problem = root.querySelector("[data-source-error]")
    this.place = root.querySelector("[data-source-place]")
    this.form.addEventListener("submit", (event) => {
      event.preventDefault()
      this.keep()
    })
    panels.add("source", { element: this.form, open: (typed) => this.open(typed) })
  }

  ask() {
    this.inserting.ask("cite", sources(this.address, this.words), (choice) => (choice.id ? this.cite(choice) : this.panels.open("source", choice.typed)))
  }

  cite({ id, title }) {
    this.names.sources[id] = title
    this.inserting.inline({ type: "cite", attrs: { source: id, place: this.place.value.trim() } })
    this.place.value = ""
  }

  field(name) {
    return this.form.elements[`source[${name}]`]
  }

  open(typed) {
    this.form.reset()
    const name = /^https?:/.test(typed) ? "address" : "title"
    this.field(name).value = typed
    this.field("accessed_on").value = name === "address" ? new Date().toLocaleDateString("sv") : ""
    this.problem.hidden = true
    this.form.hidden = false
    this.field("title").focus()
  }

  async keep() {
    const answer = await post(this.address, { source: Object.fromEntries(FIELDS.map((name) => [name, this.field(name).value])) }).catch(() => null)
    if (!answer?.ok) {
      this.problem.textContent = Object.values(answer?.body?.errors ?? {}).flat().join(" ") || this.words.upload_failed
      this.problem.hidden = false
      return
    }
    this.form.hidden = true
    if (answer.body.known) this.say(this.words.source_known.replace("%{title}", answer.body.title))
    this.cite(answer.body)
  }
}
