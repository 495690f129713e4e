import Panels from "./panels/panels"
import { afterPaint } from "./after_paint"
import { focusText } from "./focus"

// What the parts of the workbench share: the element and its words, the text, and what they tell each other. None knows
// another: each hears what concerns it, and asks for what it needs.
export default class Bench {
  constructor(root) {
    this.root = root
    this.heard = new Map()
    this.found = new Map()
    this.words = JSON.parse(this.part("words").textContent)
    this.names = { ...JSON.parse(this.part("names").textContent), inserts: root.dataset.inserts }
    this.panels = new Panels(root, () => focusText(this.editor))
    this.part("told").addEventListener("click", ({ target }) => target.closest("[data-untell]") && this.untell())
  }

  get page() { return this.root.dataset.page }

  // Of this page and this person alone, in the browser's stores.
  get key() { return `${this.root.dataset.person}/${this.page}` }

  // Looked for once: what is marked so stays as long as the workbench.
  part = (name) => {
    if (!this.found.has(name)) this.found.set(name, this.root.querySelector(`[data-${name}]`) ?? document.querySelector(`[data-${name}]`))
    return this.found.get(name)
  }

  hear = (name, act) => {
    this.heard.set(name, [...(this.heard.get(name) ?? []), act])
  }

  // All who hear it are told; the first answer that is one counts.
  ask = (name, ...given) => (this.heard.get(name) ?? []).map((act) => act(...given)).find(Boolean)

  // What all who hear it answer.
  askAll = (name, ...given) => (this.heard.get(name) ?? []).map((act) => act(...given))

  // Whether all is saved.
  say = (state) => {
    const place = this.part("state")
    if (place.dataset.state === state) return
    place.dataset.state = state
    place.textContent = this.words[state] ?? state
  }

  // Something to know, until it is put away or something else is told.
  // @param more [Array<[String, Function]>] what can be done about it
  tell = (text, more = []) => {
    this.part("told-words").textContent = text ?? ""
    this.part("told-acts").replaceChildren(...more.map(([label, act]) => {
      const button = Object.assign(document.createElement("button"), { type: "button", className: "button button-small", textContent: label })
      button.addEventListener("click", act)
      return button
    }))
    this.part("told").hidden = !text
  }

  untell() {
    this.tell("")
    focusText(this.editor)
  }

  // What shows the text anew does so when the key that changed it has been painted.
  whenPainted(act) {
    this.editor.on("transaction", afterPaint(act))
    act()
  }
}
