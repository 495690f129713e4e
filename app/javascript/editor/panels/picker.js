import { pause } from "../../pause"

const PAUSE = 120

// A list of choices for all that is chosen while writing: what a link leads to, what is inserted, who is named. What is
// looked for is typed in the panel's own field, or in the text, where a sign asked for it. Where the choices come from is
// told when it is opened.
export default class Picker {
  // onClose is told when it is closed without a choice; onActive the id of the choice that is marked.
  constructor({ panel, words, onClose, onActive }) {
    Object.assign(this, { panel, words, onClose, onActive })
    this.input = panel.querySelector("input")
    this.list = panel.querySelector("[data-choices-list]")
    this.label = panel.querySelector("label")
    this.none = panel.querySelector("[data-none]")
    this.choices = []
    this.input.addEventListener("input", () => this.typed())
    this.input.addEventListener("keydown", (event) => this.key(event))
    this.list.addEventListener("mousedown", (event) => this.pick(event))
  }

  get isOpen() {
    return !this.panel.hidden
  }

  // find answers choices for what is typed, itself or a promise of them: { words, note?, group?, promise?, open? } and
  // whatever onChoose wants to know. A choice that can be opened gives what stands in it, to be chosen among.
  open({ label, find, onChoose, text = "", inText = false }) {
    Object.assign(this, { above: [], search: find, onChoose, inText, answered: null, choices: [], at: 0 })
    this.label.textContent = label
    this.input.hidden = inText
    this.panel.querySelector("[data-typed]").hidden = !inText
    this.panel.hidden = false
    this.list.replaceChildren()
    delete this.list.dataset.for
    this.none.hidden = true
    this.text = text.trim()
    if (!inText) {
      this.input.value = text
      this.input.focus()
      this.input.select()
    }
    this.find()
  }

  close() {
    if (!this.isOpen) return
    this.hide()
    this.onClose(this.inText)
  }

  hide() {
    clearTimeout(this.timer)
    this.panel.hidden = true
    this.onActive(null)
  }

  // What stands in a choice, with the way back.
  enter({ open, words }) {
    this.above.push([this.search, this.label.textContent, this.text])
    this.go(open, words, "")
  }

  leave() {
    this.go(...this.above.pop())
  }

  go(search, label, text) {
    Object.assign(this, { search, answered: null })
    this.label.textContent = label
    this.input.value = text
    this.text = text
    this.find()
  }

  typed(text = this.input.value) {
    this.text = text.trim()
    clearTimeout(this.timer)
    this.timer = setTimeout(() => this.find(), pause(PAUSE))
  }

  // Shows the choices for what stands there by now; an answer that comes too late is left.
  async find() {
    clearTimeout(this.timer)
    const { text, search } = this
    const found = search(text)
    const choices = found instanceof Promise ? await found.catch(() => []) : found
    if (text !== this.text || search !== this.search) return

    this.choices = choices
    this.at = 0
    this.answered = text
    this.draw()
    this.list.dataset.for = text
  }

  draw() {
    const groups = new Map()
    this.choices.forEach((choice, i) => {
      const name = choice.group ?? ""
      if (!groups.has(name)) groups.set(name, [])
      groups.get(name).push(this.option(choice, i))
    })
    this.list.replaceChildren(...[...groups].flatMap(([name, options]) => (name ? [this.group(name, options)] : options)))
    this.none.hidden = this.choices.length > 0
    this.none.textContent = this.words.nothing_fits.replace("%{text}", this.text)
    this.mark()
  }

  option(choice, i) {
    const item = document.createElement("div")
    item.id = `link-choice-${i}`
    item.setAttribute("role", "option")
    item.className = choice.promise ? "choice-promise" : ""
    item.append(choice.words)
    if (choice.open) item.append(Object.assign(document.createElement("span"), { className: "choice-open", textContent: "›", title: this.words.choice_open }))
    if (choice.note) item.append(Object.assign(document.createElement("small"), { textContent: choice.note }))
    return item
  }

  group(name, options) {
    const group = document.createElement("div")
    group.setAttribute("role", "group")
    group.setAttribute("aria-label", name)
    group.append(Object.assign(document.createElement("span"), { className: "choice-group", textContent: name, ariaHidden: "true" }), ...options)
    return group
  }

  mark() {
    const options = [...this.list.querySelectorAll("[role=option]")]
    options.forEach((option, i) => option.setAttribute("aria-selected", String(i === this.at)))
    const id = options.length ? `link-choice-${this.at}` : null
    if (id && !this.inText) this.input.setAttribute("aria-activedescendant", id)
    else this.input.removeAttribute("aria-activedescendant")
    this.onActive(this.inText ? id : null)
    options[this.at]?.scrollIntoView({ block: "nearest" })
  }

  // Answers whether the key was the list's.
  take(name) {
    const step = { ArrowDown: 1, ArrowUp: -1 }[name]
    if (step && this.choices.length) {
      this.at = (this.at + step + this.choices.length) % this.choices.length
      this.mark()
      return true
    }
    if (this.walks(name)) return true
    if (name !== "Enter" && !(name === "Tab" && this.inText)) return false
    if (this.answered === this.text && !this.choices.length) return false
    this.chooseNewest()
    return true
  }

  // Into what is marked and out again, as long as the arrows are not for what is typed.
  walks(name) {
    const { selectionStart, value } = this.input
    if (this.inText) return false
    if (name === "ArrowRight" && this.choices[this.at]?.open && selectionStart === value.length) this.enter(this.choices[this.at])
    else if (name === "ArrowLeft" && this.above.length && selectionStart === 0) this.leave()
    else return false
    return true
  }

  key(event) {
    if (event.key === "Escape") this.close()
    else if (!this.take(event.key) && event.key !== "Enter") return
    event.preventDefault()
    event.stopPropagation()
  }

  pick(event) {
    event.preventDefault() // the focus stays where it is
    const option = event.target.closest("[role=option]")
    const choice = option && this.choices[Number(option.id.split("-").at(-1))]
    if (choice?.open && event.target.closest(".choice-open")) this.enter(choice)
    else if (choice) this.choose(choice)
  }

  // The key may come before the list that belongs to what was typed: then it means the first of that.
  chooseNewest() {
    if (this.answered === this.text) return this.choose(this.choices[this.at])
    return this.choose(Promise.resolve(this.search(this.text)).then(([first]) => first, () => undefined))
  }

  // @param choice [Object, Promise<Object, undefined>]
  choose(choice) {
    if (choice?.open && choice.only) return this.enter(choice)
    const { onChoose } = this
    this.hide()
    onChoose(choice)
  }
}
