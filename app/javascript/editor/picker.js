const PAUSE = 120

// A field with a list of choices below it, for all that is chosen while writing: what a link leads to, what is inserted,
// who is mentioned. Where the choices come from is told when it is opened.
export default class Picker {
  constructor({ panel, onClose }) {
    Object.assign(this, { panel, onClose })
    this.input = panel.querySelector("input")
    this.list = panel.querySelector("[data-choices-list]")
    this.label = panel.querySelector("label")
    this.choices = []
  }

  // find answers choices for what is typed: { words, note?, promise? } and whatever onChoose wants to know.
  open({ label, find, onChoose, text = "" }) {
    Object.assign(this, { search: find, onChoose })
    this.label.textContent = label
    this.panel.hidden = false
    this.list.replaceChildren()
    delete this.list.dataset.for
    this.input.value = text
    this.input.focus()
    this.input.select()
    this.find()
  }

  close() {
    if (this.panel.hidden) return
    this.panel.hidden = true
    this.onClose()
  }

  typed() {
    clearTimeout(this.timer)
    this.timer = setTimeout(() => this.find(), PAUSE)
  }

  async find() {
    const text = this.input.value.trim()
    const search = this.search
    const choices = await search(text)
    if (text !== this.input.value.trim() || search !== this.search) return

    this.choices = choices
    this.at = 0
    this.draw()
    this.list.dataset.for = text
  }

  draw() {
    this.list.replaceChildren(...this.choices.map((choice, i) => {
      const item = document.createElement("li")
      item.id = `link-choice-${i}`
      item.setAttribute("role", "option")
      item.setAttribute("aria-selected", String(i === this.at))
      item.className = choice.promise ? "choice-promise" : ""
      item.append(choice.words)
      if (choice.note) item.append(Object.assign(document.createElement("small"), { textContent: choice.note }))
      return item
    }))
    if (this.choices.length) this.input.setAttribute("aria-activedescendant", `link-choice-${this.at}`)
    else this.input.removeAttribute("aria-activedescendant")
    this.list.children[this.at]?.scrollIntoView({ block: "nearest" })
  }

  key(event) {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key]
    if (step && this.choices.length) {
      this.at = (this.at + step + this.choices.length) % this.choices.length
      this.draw()
    } else if (event.key === "Enter") this.chooseNewest()
    else if (event.key === "Escape") this.close()
    else return

    event.preventDefault()
    event.stopPropagation()
  }

  pick(event) {
    const index = [...this.list.children].indexOf(event.target.closest("[role=option]"))
    if (index < 0) return
    event.preventDefault()
    this.choose(index)
  }

  // Enter may come before the list that belongs to what was typed.
  async chooseNewest() {
    clearTimeout(this.timer)
    if (this.list.dataset.for !== this.input.value.trim()) await this.find()
    this.choose(this.at)
  }

  choose(index) {
    const choice = this.choices[index]
    if (!choice) return
    this.panel.hidden = true
    this.onChoose(choice)
  }
}
