import { get, post } from "../http"
import { pause } from "../pause"

const EVERY = 15_000 // milliseconds
const WHILE = 3000 // while others write as well

// Who else is writing on this page, told before one types and kept up while one writes; and what they have saved.
export default class Writers {
  constructor({ root, part, saving, hear }) {
    Object.assign(this, { place: part("writers"), address: root.dataset.writers, draft: root.dataset.save, saving })
    hear("follow", () => this.follow())
    document.addEventListener("visibilitychange", () => this.tell())
    this.tell()
  }

  async tell() {
    clearTimeout(this.timer)
    if (document.visibilityState === "visible") await this.ask()
    clearTimeout(this.timer)
    this.timer = setTimeout(() => this.tell(), pause(this.place.hidden ? EVERY : WHILE))
  }

  async ask() {
    const answer = await post(this.address, {}).catch(() => null)
    if (!answer?.ok) return

    this.show(answer.body.words)
    if (answer.body.version > this.saving.version && !this.saving.unfinished) await this.follow()
  }

  async follow() {
    const body = await get(`${this.draft}?since=${this.saving.version}`).catch(() => null)
    if (body?.document) this.saving.follow(body)
  }

  show(words) {
    this.place.querySelector("span").textContent = words
    this.place.hidden = words === ""
  }
}
