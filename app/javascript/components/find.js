import { pause } from "../pause"

const PAUSE = 40 // milliseconds

// The find field offers pages and sections while one types. Arrows choose, Enter opens, Ctrl+Enter opens in a new tab;
// Enter without a choice lists all that is found, as it does without script.
export default () => ({
  at: -1,

  init() {
    this.field = this.$root.querySelector("input")
    this.list = this.$root.querySelector("[role=listbox]")
  },

  typed() {
    clearTimeout(this.timer)
    this.timer = setTimeout(() => this.look(), pause(PAUSE))
  },

  async look() {
    const text = this.field.value
    const answer = text.trim() && await fetch(`${this.$root.dataset.suggest}?q=${encodeURIComponent(text)}`).catch(() => null)
    if (text !== this.field.value) return
    const parsed = new DOMParser().parseFromString(answer?.ok ? await answer.text() : "", "text/html")
    this.list.replaceChildren(...parsed.querySelectorAll("[role=option]"))
    this.at = -1
    this.show(this.list.children.length > 0)
    this.list.dataset.for = text
  },

  show(open) {
    this.list.hidden = !open
    this.field.setAttribute("aria-expanded", String(open))
    if (!open) this.field.removeAttribute("aria-activedescendant")
  },

  key(event) {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key]
    if (step && !this.list.hidden) this.choose(this.at + step)
    else if (event.key === "Escape" && !this.list.hidden) this.show(false)
    else if (event.key === "Enter" && !this.list.hidden && this.at >= 0) this.open(this.list.children[this.at], event.ctrlKey || event.metaKey)
    else return
    event.preventDefault()
  },

  choose(index) {
    const options = [...this.list.children]
    this.at = (index + options.length) % options.length
    options.forEach((option, i) => option.setAttribute("aria-selected", String(i === this.at)))
    this.field.setAttribute("aria-activedescendant", options[this.at].id)
    options[this.at].scrollIntoView({ block: "nearest" })
  },

  pick(event) {
    const option = event.target.closest("[role=option]")
    if (!option) return
    event.preventDefault()
    this.open(option, event.ctrlKey || event.metaKey)
  },

  open(option, apart) {
    if (apart) window.open(option.dataset.address, "_blank", "noopener")
    else location.assign(option.dataset.address)
  },

  leave() {
    this.show(false)
  }
})
