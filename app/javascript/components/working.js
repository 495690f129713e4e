import { get } from "../http"
import { pause } from "../pause"

// Long work on its way: how far it is, read out as it changes, until it has ended; and what came of it, where that is waited for.
const FIRST = 300, LATER = 1500 // milliseconds between two looks

export default () => ({
  wait: FIRST,
  init() {
    this.address = this.$root.dataset.work
    if (this.address) this.ask()
  },
  destroy() {
    clearTimeout(this.timer)
  },
  async ask() {
    const work = await get(this.address).catch(() => [])
    if (work.words) this.show(work)
    if (work.open ?? true) this.timer = setTimeout(() => this.ask(), pause(this.wait = Math.min(this.wait * 1.3, LATER)))
  },
  show({ words, open, done, total, html }) {
    const said = this.$root.querySelector("[data-words]")
    if (said.textContent !== words) said.textContent = words
    const bar = this.$root.querySelector("progress")
    Object.assign(bar, { max: Math.max(total, 1), value: done, hidden: !open })
    if (open) return
    if (html && this.$root.dataset.onward) return location.replace(this.$root.dataset.onward)
    this.$root.querySelector("[data-stop]")?.remove()
    this.$root.querySelector("[data-outcome]").innerHTML = html
  }
})
