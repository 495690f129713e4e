import { fragment } from "../http"
import { pause } from "../pause"

const PAUSE = 150 // milliseconds

// A house with many pages offers the places near by; others are found by their title.
export default () => ({
  init() {
    this.select = this.$root.querySelector("select")
    this.first = [...this.select.children].map((child) => child.cloneNode(true))
  },

  typed(event) {
    clearTimeout(this.timer)
    this.timer = setTimeout(() => this.look(event.target.value.trim()), pause(PAUSE))
  },

  async look(text) {
    const answer = text && await fetch(`${this.$root.dataset.choices}&q=${encodeURIComponent(text)}`).catch(() => null)
    const parsed = answer?.ok && new DOMParser().parseFromString(`<select>${await answer.text()}</select>`, "text/html")
    const found = parsed ? [...parsed.querySelector("select").children] : this.first.map((child) => child.cloneNode(true))
    this.select.replaceChildren(...found)
    this.select.dataset.for = text
  }
})
