import { post } from "../http"

const MOST = 40, LARGEST = 8 * 1024 * 1024 // files, and bytes, sent at once
const TRIES = 5
const token = () => document.querySelector("meta[name=csrf-token]")?.content ?? ""
const wait = (seconds) => new Promise((done) => setTimeout(done, seconds * 1000))

// A folder that is chosen, or more files than a form takes, sent some at a time. What is cut off is tried again, and begins with
// what has not come yet.
export default () => ({
  async send(event) {
    const files = [...this.$root.querySelectorAll("input[type=file]")].flatMap((field) => [...field.files])
    if (files.length === 0 || (!this.$root.querySelector("input[webkitdirectory]").files.length && files.length <= Number(this.$root.dataset.most) && this.bytes(files) < LARGEST)) return
    event.preventDefault()
    this.$root.querySelector("button").disabled = true
    await this.sendAll(files).catch((problem) => this.say(problem.message || this.$root.dataset.failed))
    this.$root.querySelector("button").disabled = false
  },

  bytes(files) {
    return files.reduce((sum, file) => sum + file.size, 0)
  },

  async sendAll(files) {
    const begun = this.begun ??= (await post(this.$root.action, { parts: "1" })).body
    if (!begun?.sendings) throw new Error()
    const there = new Set((await (await fetch(begun.sendings, { headers: { Accept: "application/json" } })).json()).paths)
    const left = files.filter((file) => !there.has(this.path(file)))
    let done = files.length - left.length
    for (const part of this.parts(left)) {
      await this.sendPart(begun.sendings, part)
      this.progress((done += part.length), files.length)
    }
    this.$root.action = begun.reading
    this.$root.querySelector("[name=authenticity_token]").value = token() // the form's own is for where it led before
    this.$root.querySelectorAll("input[type=file]").forEach((field) => (field.disabled = true))
    this.$root.submit()
  },

  path(file) {
    return file.webkitRelativePath || file.name
  },

  parts(files) {
    return files.reduce((parts, file) => {
      const last = parts.at(-1)
      if (!last || last.length >= MOST || this.bytes(last) + file.size > LARGEST) parts.push([file])
      else last.push(file)
      return parts
    }, [])
  },

  async sendPart(address, files) {
    const body = new FormData()
    files.forEach((file) => {
      body.append("files[]", file)
      body.append("paths[]", this.path(file))
    })
    for (let tried = 1; ; tried++) {
      const response = await fetch(address, { method: "POST", body, headers: { Accept: "application/json", "X-CSRF-Token": token() } }).catch(() => null)
      if (response?.ok) return
      if (response && response.status < 500) throw new Error((await response.json().catch(() => ({}))).error ?? "")
      if (tried === TRIES) throw new Error()
      await wait(tried)
    }
  },

  progress(done, all) {
    const bar = this.$root.querySelector("progress")
    Object.assign(bar, { hidden: false, max: all, value: done })
    this.say(this.$root.dataset.sent.replace("%{done}", done).replace("%{all}", all))
  },

  say(words) {
    this.$root.querySelector("[data-said]").textContent = words
  }
})
