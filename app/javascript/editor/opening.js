import { get, post } from "../http"

// Somebody is named who may not read the page: it can be opened to them in that step, or left.
export default class Opening {
  constructor({ root, words, names, say }) {
    Object.assign(this, { words, names, say, address: root.dataset.grants })
  }

  // What giving would open is said on the button; what has more to it is looked at first, in a tab of its own.
  async offer(id) {
    const asked = new URLSearchParams({ "holders[]": `person:${id}`, level: "read" })
    const { said, look } = await get(`${this.address}/new?${asked}`)
    const text = this.words.names_outside.replace("%{name}", this.names.people[id])
    if (said) return this.say(text, [[said, () => this.open(id, said)]])

    return this.say(text, look ? [[this.words.open_to, () => window.open(`${this.address.replace(/access_grants$/, "access")}?${asked}`, "_blank", "noopener")]] : [])
  }

  async open(id, said) {
    const answer = await post(this.address, { holders: [`person:${id}`], level: "read", said }).catch(() => null)
    if (!answer?.ok) return this.say(this.words.opening_failed)

    this.names.outside = this.names.outside.filter((each) => each !== id)
    return this.say(this.words.opened_to.replace("%{name}", this.names.people[id]))
  }
}
