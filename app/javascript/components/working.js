import { get } from "../http"
import { pause } from "../pause"

// Long work on its way: how far it is, read out as it changes, until it has ended.
export default () => ({
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
    if (work.open ?? true) this.timer = setTimeout(() => this.ask(), pause(1500))
  },
  show({ words, open, done, total, html }) {
    const said = this.$root.querySelector("[data-words]")
    if (said.textContent !== words) said.textContent = words
    const bar = this.$root.querySelector("progress")
    Object.assign(bar, { max: Math.max(total, 1), value: done, hidden: !open })
    if (open) return
    this.$root.querySelector("[data-stop]")?.remove()
    this.$root.querySelector("[data-outcome]").innerHTML = html
  }
})
