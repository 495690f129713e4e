import { fragment } from "../http"
import { pause } from "../pause"

const PAUSE = 400 // milliseconds

// While a title is typed, pages that may already say it are told below.
export default () => ({
  typed(event) {
    clearTimeout(this.timer)
    this.timer = setTimeout(() => this.look(event.target.value.trim()), pause(PAUSE))
  },

  async look(text) {
    const place = this.$root.querySelector("[data-likely]")
    if (text === place.dataset.for) return
    const told = text.length > 2 && await fragment(`${place.dataset.src}${place.dataset.src.includes("?") ? "&" : "?"}q=${encodeURIComponent(text)}`)
    place.dataset.for = text
    place.replaceChildren(...(told ? told.children : []))
  }
})
