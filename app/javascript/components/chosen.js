import { fragment } from "../http"

// What follows from a choice is told below it.
export default () => ({
  init() {
    const first = this.$root.querySelector("select")
    if (first.value && !this.place().childElementCount) this.tell(first.value)
  },

  place() {
    return this.$root.querySelector("[data-follows]")
  },

  chosen({ target }) {
    if (target.name === "above") this.tell(target.value)
  },

  async tell(value) {
    const told = value && await fragment(`${this.$root.dataset.src}?above=${encodeURIComponent(value)}`)
    this.place().replaceChildren(...(told?.children ?? []))
  },
})
