import { get } from "../http"
import { pause } from "../pause"

const IDLE = 150 // milliseconds without typing

// Titles of pages, offered while one is typed.
export default () => ({
  timer: null,

  typed({ target }) {
    clearTimeout(this.timer)
    this.timer = setTimeout(() => this.offer(target), pause(IDLE))
  },

  async offer(field) {
    const typed = field.value.trim()
    const found = typed ? await get(`/page_choices?q=${encodeURIComponent(typed)}`).catch(() => []) : []
    if (field.value.trim() !== typed) return
    field.list.replaceChildren(...found.map(({ title, room }) => Object.assign(document.createElement("option"), { value: title, label: room })))
  }
})
