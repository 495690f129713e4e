import { post } from "../http"

const EVERY = 15_000 // milliseconds

// Who else is writing on this page: told before one types, and kept up while one writes.
export default class Writers {
  constructor({ root, part }) {
    Object.assign(this, { place: part("writers"), address: root.dataset.writers })
    this.timer = setInterval(() => this.tell(), EVERY)
    document.addEventListener("visibilitychange", () => this.tell())
    this.tell()
  }

  async tell() {
    if (document.visibilityState !== "visible") return
    const answer = await post(this.address, {}).catch(() => null)
    if (answer?.ok) this.show(answer.body.words)
  }

  show(words) {
    this.place.querySelector("span").textContent = words
    this.place.hidden = words === ""
  }
}
