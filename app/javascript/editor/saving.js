import { del, get, set } from "idb-keyval"
import { patch, renewToken } from "../http"
import { pause } from "../pause"

const IDLE = 700 // milliseconds without typing before a save
const REMEMBERED = 150 // milliseconds after a key until the browser's own store has it
const LATEST = 3000 // and at most this long while typing goes on
const SIGNED_OUT = 5000 // between looks whether one is signed in again
const KEEPALIVE_BYTES = 60_000 // browsers take no larger body along when a page closes

const OLD = 20 * 60_000 // milliseconds after which the house may no longer hold what one builds on

// The documents are JSON already.
const bodyOf = ({ document, base, ...rest }) => `${JSON.stringify(rest).slice(0, -1)},"document":${document}${base ? `,"base":${base}` : ""}}`

// Saves a draft as it is typed, and takes in what others saved meanwhile. Text goes into the browser's own store first and stays there until the server has
// answered with a version. A save that got no answer is sent again unchanged, under the same id, so that it counts once.
export default class Saving {
  // @param from [String] the document that the version holds, in JSON
  constructor({ address, key, version, from, read, onState, onAnswer, onJoined, onRefused, onNewIds, onTicked }) {
    Object.assign(this, { address, key, version, from, read, onState, onAnswer, onJoined, onRefused, onNewIds, onTicked })
    this.at = Date.now()
    this.apart = false // whether what the version holds is not all on the screen
    this.dirty = false
    this.pending = null
    this.stopped = false
    this.wait = 1000
  }

  // Asked of the browser before the editor is built, so that the answer is there when it is.
  look() {
    this.looked ??= Promise.all([get(this.back), this.left() ?? get(this.key)])
    return this.looked
  }

  // Where what an earlier visit left lies until the server has it: what is typed meanwhile takes no other's place.
  get back() { return `${this.key}/back` }

  // What this browser still holds of earlier visits, if the server never had it, oldest first: each with title, document (in
  // JSON), the version that it builds on, and what that held.
  async unsaved() {
    const held = (await this.look()).flat().filter((each, i, all) => each && (!each.id || all.findIndex((other) => other?.id === each.id) === i))
    return held.map((each) => ({ ...each, document: typeof each.document === "string" ? each.document : JSON.stringify(each.document) }))
  }

  // Sends what this browser held, to be joined with what stands there now.
  async comeBack(held) {
    this.coming = held
    await set(this.back, held).then(() => localStorage.removeItem(this.key)).catch(() => {})
    return this.save()
  }

  // @return [Object] the oldest of them, as it is sent
  nextBack() {
    const [{ title, document, base, from, id }] = this.coming
    this.shown = this.from
    this.returning = true
    return { title, document, base_version: base, save_id: id ?? crypto.randomUUID(), base: from }
  }

  // One of them is there, or cannot be.
  async cameBack() {
    this.coming = this.coming.length > 1 ? this.coming.slice(1) : null
    await (this.coming ? set(this.back, this.coming) : del(this.back)).catch(() => {})
  }

  forget() {
    localStorage.removeItem(this.key)
    return del(this.key)
  }

  // What was put down as the page closed, which holds all that was put down before.
  left() {
    return JSON.parse(localStorage.getItem(this.key))
  }

  // At once, since nothing that takes a moment is sure to be done as a page closes. Where there is no room for what the text
  // builds on, the house knows that by its version.
  leave(record) {
    for (const each of [record, { ...record, from: undefined }]) {
      try {
        return localStorage.setItem(this.key, JSON.stringify(each))
      } catch {
        continue
      }
    }
    return null
  }

  changed() {
    this.dirty = true
    if (this.stopped) return this.remember()

    this.onState("unsaved")
    this.remembering ??= setTimeout(() => this.remember(), pause(REMEMBERED))
    clearTimeout(this.idle)
    this.idle = setTimeout(() => this.save(), pause(IDLE))
    this.latest ??= setTimeout(() => this.save(), pause(LATEST))
  }

  remember() {
    clearTimeout(this.remembering)
    this.remembering = null
    return set(this.key, this.record()).catch(() => {})
  }

  record() {
    return { ...this.read(), base: this.version, from: this.from, at: Date.now(), id: crypto.randomUUID() }
  }

  // Resolves once nothing is left to save, with whether all of it is.
  async save() {
    this.clearTimers()
    if (this.running) return this.running

    this.running = this.saveAll().finally(() => { this.running = null })
    return this.running
  }

  async saveAll() {
    while ((this.dirty || this.pending || this.coming) && !this.stopped) {
      if (!this.pending && this.coming) this.pending = this.nextBack()
      else if (!this.pending) {
        this.pending = { ...this.read(), base_version: this.version, save_id: crypto.randomUUID(), ...this.builtOn() }
        this.dirty = false
      }
      this.onState("saving")
      const answer = await patch(this.address, bodyOf(this.pending)).catch(() => null)
      if (!(await this.take(answer))) return false
    }
    return !this.stopped
  }

  async take(answer) {
    if (!answer || answer.status >= 500 || answer.status === 429) return this.later()

    const sent = this.pending, back = this.returning
    this.pending = null
    this.returning = false
    this.wait = 1000
    if (back && (answer.ok || answer.body.errors)) await this.cameBack()
    if (back && answer.ok && answer.body.version <= this.version) {
      this.shown = null // the house had it already
      return this.settled()
    }
    if (answer.ok) return this.saved(answer.body, sent)

    this.dirty = true
    if (answer.status === 422) return this.refused(answer.body)
    else if (answer.status === 401) this.stop("signed_out", () => this.tryAgain())
    else this.stop("forbidden")
    return false
  }

  async saved(body, sent) {
    this.version = body.version
    this.renewed = false
    if (Object.keys(body.new_ids).length) this.onNewIds(body.new_ids, sent)
    if (Object.keys(body.ticked).length) this.onTicked(body.ticked)
    this.takeIn(body, sent)
    this.onAnswer(body)
    if (this.dirty) await this.remember()
    else await this.settled()
    return true
  }

  // Nothing is left to save, unless something has been typed meanwhile.
  async settled() {
    if (this.unfinished) return true
    clearTimeout(this.remembering)
    this.remembering = null
    await this.forget()
    this.onState("saved")
    return true
  }

  // What others saved meanwhile has been joined with what was sent: it comes onto the screen, but for what has been changed
  // there since as well. That is sent once more, with what it was.
  takeIn(body, sent) {
    const from = this.shown ?? sent.document
    this.shown = null
    this.apart = Boolean(body.document) && !this.onJoined(body, JSON.parse(from))
    this.from = this.apart ? from : body.document ? JSON.stringify(body.document) : sent.document
    this.at = Date.now()
    if (this.apart) this.dirty = true
  }

  // The newest text, where nothing is left to save here.
  //
  // @return [Boolean] whether it has been taken in
  follow(body) {
    if (this.unfinished || this.running || this.stopped || body.version <= this.version) return false

    this.takeIn(body, this.read())
    this.version = body.version
    this.onAnswer(body)
    if (this.apart) this.save()
    return true
  }

  // What the text builds on goes along where the house may not have it, or had another.
  builtOn() {
    return this.apart || Date.now() - this.at > OLD ? { base: this.from } : {}
  }

  // Without reasons it was the page's token that was refused. With a new one the same save goes out once more; if there
  // is none to be had, the session has ended.
  async refused(body) {
    if (body.errors) {
      this.onState("refused")
      this.onRefused(body.errors)
      return false
    }
    this.renewed = !this.renewed && await renewToken()
    if (!this.renewed) this.stop("signed_out", () => this.tryAgain())
    return this.renewed
  }

  later() {
    this.onState("offline")
    setTimeout(() => this.save(), pause(this.wait))
    this.wait = Math.min(this.wait * 2, 30_000)
    return false
  }

  stop(state, then = () => {}) {
    this.stopped = true
    this.onState(state)
    then()
  }

  // After signing in again in another tab the same session serves this one: looked for when one comes back here, and
  // now and then.
  tryAgain() {
    const again = async () => {
      clearTimeout(timer)
      document.removeEventListener("visibilitychange", again)
      if (document.visibilityState === "visible" && await renewToken()) this.goOn(this.version)
      else this.tryAgain()
    }
    const timer = setTimeout(again, pause(SIGNED_OUT))
    document.addEventListener("visibilitychange", again)
  }

  goOn(version) {
    this.version = version
    this.stopped = false
    this.dirty = true
    return this.save()
  }

  clearTimers() {
    clearTimeout(this.idle)
    clearTimeout(this.latest)
    this.latest = null
  }

  get unfinished() {
    return this.dirty || this.pending !== null || Boolean(this.coming)
  }

  // The tab is closing: what is left is put down, and goes out without waiting for the answer.
  flush() {
    if (!this.unfinished) return
    const record = this.record()
    this.leave(record)
    this.remember()
    if (this.stopped || this.running || !this.dirty) return
    const last = bodyOf({ title: record.title, document: record.document, base_version: record.base, save_id: record.id, ...this.builtOn() })
    if (last.length < KEEPALIVE_BYTES) patch(this.address, last, { keepalive: true }).catch(() => {})
  }
}
