import { naming } from "./naming"

const GAP = 10 // pixels between notes
const NEAR = 3 // notes on one block; more fold up
const ACTS = { s: "settle", t: "take", d: "decline" }
const NARROW = "(max-width: 1100px)"

const keep = { read: (key) => sessionStorage.getItem(key) ?? "", write: (key, text) => (text ? sessionStorage.setItem(key, text) : sessionStorage.removeItem(key)) }

// The notes beside a text: at the height of what they stand on, one of them open, new ones made where something is marked. What
// text that is, its ground knows.
export default class Margin {
  constructor(section, ground) {
    Object.assign(this, { ground, aside: section.closest(".margin"), frame: new AbortController(), openId: null })
    this.take(section)
    const on = (target, names, act) => names.split(" ").forEach((name) => target.addEventListener(name, act, { signal: this.frame.signal }))
    on(this.aside, "click", (event) => this.pressed(event))
    on(this.aside, "submit", (event) => this.submitted(event))
    on(this.aside, "keydown", (event) => this.typed(event))
    on(window, "resize load", () => this.lay())
    on(document, "note-step", ({ detail }) => this.step(detail))
    on(document, "note-new", () => this.compose("note"))
    on(this.aside, "input", ({ target }) => target.matches("textarea[data-naming]") && keep.write(this.key(target), target.value))
    this.sizes = new ResizeObserver(() => this.soon())
    this.sizes.observe(document.body)
    this.mark()
    this.arrive()
  }

  get notes() { return [...this.list.querySelectorAll("[data-remark]:not(.note-nowhere)")] }

  // What is typed and not sent yet is kept as long as the browser's tab.
  key(field) { return `note/${this.section.dataset.page}/${field.id}` }

  get narrow() { return window.matchMedia(NARROW).matches }

  take(section) {
    this.section = section
    this.short = new Map() // how notes are told that are open now
    this.list = section.querySelector("[data-notes-list]")
    this.words = JSON.parse(section.querySelector("[data-notes-words]").textContent)
    this.ground.words = this.words
    this.fields(section)
  }

  fields(part) {
    part.querySelectorAll("textarea[data-naming]").forEach((field) => {
      naming(field)
      if (!field.value) field.value = keep.read(this.key(field))
    })
  }

  mark() {
    this.ground.mark([...this.list.querySelectorAll("[data-remark]")])
    this.notes.forEach((note) => this.sizes.observe(note))
    const any = this.notes.length > 0, from = this.aside.querySelector("#linked-from")
    if (any && from && !this.aside.classList.contains("margin-notes")) from.open = false // notes stand where their text does
    this.aside.classList.toggle("margin-notes", any)
    this.ground.here(this.openNote())
    this.lay()
  }

  openNote() { return this.list.querySelector(".note-open") }

  soon() {
    cancelAnimationFrame(this.frameAsked)
    this.frameAsked = requestAnimationFrame(() => this.lay())
  }

  // Each at the height of its text, none over another; the open one exactly there.
  lay() {
    this.ground.place()
    const notes = [...this.list.children].filter((note) => !note.matches(".note-nowhere"))
    this.foldUp(notes)
    if (this.narrow || document.documentElement.dataset.margin === "folded") return this.unlay(notes)
    const top = this.list.getBoundingClientRect().top
    const shown = notes.filter((note) => !note.hidden).map((note) => ({ note, wanted: Math.max(0, (this.ground.heightOf(note) ?? top) - top - 8), height: note.offsetHeight }))
    const fixed = shown.findIndex(({ note }) => note.classList.contains("note-open"))
    let end = 0
    shown.forEach((each, i) => {
      each.at = i === fixed ? each.wanted : Math.max(each.wanted, end)
      end = each.at + each.height + GAP
    })
    for (let i = fixed - 1; i >= 0; i--) shown[i].at = Math.min(shown[i].at, shown[i + 1].at - shown[i].height - GAP)
    const over = shown.length ? Math.min(0, shown[0].at) : 0
    shown.forEach(({ note, at }) => { note.style.top = `${at - over}px` })
    this.list.style.height = `${shown.reduce((most, { at, height }) => Math.max(most, at - over + height), 0)}px`
    this.list.classList.add("notes-laid")
  }

  unlay(notes) {
    this.list.classList.remove("notes-laid")
    this.list.style.height = ""
    notes.forEach((note) => { note.style.top = "" })
  }

  // Of many on one block the first are told, the rest behind one line.
  foldUp(notes) {
    const by = Map.groupBy ? Map.groupBy(notes.filter((note) => note.dataset.remark), (note) => note.dataset.block) : grouped(notes.filter((note) => note.dataset.remark))
    for (const [block, all] of by) {
      const open = this.unfolded === block || all.some((note) => note.classList.contains("note-open"))
      const most = all.length > NEAR && !open ? NEAR - 1 : all.length
      all.forEach((note, i) => { note.hidden = i >= most })
      let more = this.list.querySelector(`[data-more="${block}"]`)
      if (all.length <= most) { more?.remove(); continue }
      if (!more) {
        more = Object.assign(document.createElement("li"), { className: "note-more" })
        more.dataset.more = block
        more.dataset.block = block
        more.append(Object.assign(document.createElement("button"), { type: "button", className: "remark-act" }))
        all[most - 1].after(more)
      }
      more.querySelector("button").textContent = this.words.more.replace("%{count}", all.length - most)
    }
  }

  pressed(event) {
    const { target } = event
    const more = target.closest("[data-more]")
    if (more) {
      this.unfolded = more.dataset.more
      return this.lay()
    }
    if (target.closest("[data-cancel]")) return this.cancel({ forget: true })
    if (target.closest(".drawer-close") && this.aside.classList.contains("notes-drawer")) {
      event.preventDefault() // the text stays where it is
      return this.close()
    }
    const card = target.closest("[data-open]")
    if (!card || event.ctrlKey || event.metaKey || event.shiftKey) return null
    event.preventDefault()
    return this.open(card.closest("[data-remark]").dataset.remark)
  }

  // @param show [Boolean] whether the text goes there
  async open(id, { show = false, focus = true } = {}) {
    const note = this.note(id)
    if (!note) return
    if (this.narrow) this.drawer(true)
    this.ground.here(note)
    if (show) this.ground.show(note)
    if (note.dataset.within) return note.querySelector("a").focus({ preventScroll: true }) // told in full where it stands
    if (!note.classList.contains("note-open")) {
      const answer = await this.fetch(`${note.querySelector("[data-open]").href}?beside=${this.section.dataset.stage}`)
      if (!answer?.ok) return this.say(this.words.failed)
      this.shut()
      const html = new DOMParser().parseFromString(await answer.text(), "text/html")
      this.short.set(id, [...note.childNodes])
      note.replaceChildren(...html.body.childNodes)
      note.classList.add("note-open")
      this.fields(note)
      this.openId = id
    }
    note.tabIndex = -1
    if (focus) note.focus({ preventScroll: true })
    this.ground.here(note)
    this.lay()
    if (this.narrow) note.scrollIntoView({ block: "nearest" })
  }

  // Where single keys are letters of the text, they are the notes' own while one of those has the focus.
  typed(event) {
    if (event.defaultPrevented) return
    if (event.key === "Escape") return this.close()
    if (!document.querySelector("[data-writing]") || event.ctrlKey || event.metaKey || event.altKey || event.target.closest("input, textarea, select")) return
    if (event.key === "." || event.key === ",") this.step(event.key === "." ? 1 : -1)
    else if (ACTS[event.key]) event.target.closest("[data-remark]")?.querySelector(`[data-act=${ACTS[event.key]}]`)?.click()
    else return
    event.preventDefault()
  }

  note(id) { return this.list.querySelector(`[data-remark="${id}"]`) }

  // What was open is told in short again, as the server tells it.
  shut() {
    const open = this.openNote()
    if (!open) return
    if (open.hasAttribute("data-new")) return open.remove()
    open.classList.remove("note-open")
    const short = this.short.get(open.dataset.remark)
    if (short) open.replaceChildren(...short)
    else this.renew()
  }

  close() {
    this.list.querySelector("[data-new]") ? this.cancel() : this.shut()
    this.openId = null
    this.drawer(false)
    this.ground.here(null)
    this.lay()
  }

  forget(part) {
    part?.querySelectorAll("textarea[data-naming]").forEach((field) => keep.write(this.key(field), ""))
  }

  drawer(open) {
    this.aside.classList.toggle("notes-drawer", open)
  }

  // To the next or the one before, from the one that is open or from what is in sight.
  step(by) {
    const notes = this.notes
    if (!notes.length) return this.say(this.words.none)
    const at = notes.findIndex((note) => note.classList.contains("note-open") || note.contains(document.activeElement))
    const seen = at < 0 ? notes.findIndex((note) => (this.ground.heightOf(note) ?? 0) > 0) : -1
    const next = at >= 0 ? (at + by + notes.length) % notes.length : Math.max(0, by > 0 ? seen : seen - 1)
    return this.open(notes[next].dataset.remark, { show: true })
  }

  // @param kind [String] "note" or "proposal"
  // @param given [Object] what is pointed at, if nothing is marked
  compose(kind, given = null) {
    const template = this.section.querySelector("[data-compose]")
    const pointed = given ?? this.ground.marked()
    if (!template) return
    if (!pointed && !document.querySelector("[data-writing]")) return location.assign(`${this.section.dataset.at}/new`) // where a block is chosen from a list
    if (!pointed) return this.say(this.words.choose)
    this.shut()
    const note = template.content.firstElementChild.cloneNode(true)
    const form = note.querySelector("form")
    Object.entries({ ...pointed, kind }).forEach(([name, value]) => { const field = form.elements[`remark[${name}]`]; if (field && value !== undefined) field.value = value })
    note.dataset.block = pointed.block
    for (const name of ["start", "length", "x", "y"]) if (pointed[name] !== undefined) note.dataset[name] = pointed[name]
    note.dataset.remark = "new"
    note.querySelector("[data-quoted]").textContent = pointed.quote ?? ""
    const words = form.elements["remark[words]"], body = form.elements["remark[body]"]
    if (kind === "proposal") {
      note.querySelector("[data-words]").hidden = false
      words.disabled = false
      words.value = pointed.quote
      note.querySelector("[data-body-label]").textContent = note.querySelector("[data-body-label]").dataset.why
    }
    this.fields(note)
    const before = this.notes.filter((other) => (this.ground.heightOf(other) ?? 0) <= pointed.top).at(-1)
    before ? before.after(note) : this.list.prepend(note)
    this.ground.hold?.(note)
    if (this.narrow) this.drawer(true)
    this.mark()
    const field = kind === "proposal" ? words : body
    field.focus({ preventScroll: !this.narrow })
  }

  // @param forget [Boolean] whether what was typed is not wanted any more
  cancel({ forget = false } = {}) {
    const note = this.list.querySelector("[data-new]")
    if (forget) this.forget(note)
    note?.remove()
    this.drawer(false)
    this.mark()
  }

  async submitted(event) {
    const form = event.target
    if (!form.elements.beside) return
    event.preventDefault()
    if (this.sending) return
    this.sending = true
    if (this.ground.ready && !(await this.ground.ready(form))) { this.sending = false; return }
    const made = form.closest("[data-new]") !== null
    const answer = await this.fetch(form.action, { method: "POST", body: new FormData(form, event.submitter) }).finally(() => { this.sending = false })
    const html = answer && [200, 422].includes(answer.status) ? new DOMParser().parseFromString(await answer.text(), "text/html").querySelector("[data-notes]") : null
    if (!html) return this.say(answer?.status === 404 || answer?.status === 401 ? this.words.signed_out : this.words.failed)
    if (made && !answer.ok) return this.say(html.querySelector(".wrong")?.textContent.trim() ?? this.words.failed)
    if (answer.ok) this.forget(form)
    this.replace(html)
    this.ground.acted?.(form)
  }

  // @param html [Element] all that stands beside the text now
  replace(html) {
    const section = document.importNode(html, true)
    this.section.replaceWith(section)
    this.take(section)
    this.mark()
    const open = this.openNote()
    if (open) {
      open.tabIndex = -1
      open.focus({ preventScroll: true })
    } else this.drawer(false)
  }

  // What stands beside it now, asked for anew.
  async renew() {
    const answer = await this.fetch(`${this.section.dataset.at}?beside=${this.section.dataset.stage}&open=${this.openId ?? ""}`)
    const html = answer?.ok && new DOMParser().parseFromString(await answer.text(), "text/html").querySelector("[data-notes]")
    if (html && !this.list.querySelector("[data-new]")) this.replace(html)
  }

  fetch(address, options = {}) {
    return fetch(address, { ...options, headers: { "X-Fragment": "1", Accept: "text/html", "X-CSRF-Token": document.querySelector("meta[name=csrf-token]")?.content ?? "" } }).catch(() => null)
  }

  say(text) {
    this.section.querySelector("[data-notes-said]").textContent = text
  }

  // An address that names a note leads to it.
  arrive() {
    const id = location.hash.match(/^#remark-([a-z0-9]{10})$/)?.[1]
    if (id && this.note(id)) this.open(id, { show: true })
  }
}

function grouped(notes) {
  const by = new Map()
  notes.forEach((note) => by.set(note.dataset.block, [...(by.get(note.dataset.block) ?? []), note]))
  return by
}
