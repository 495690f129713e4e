import Margin from "../talk/margin"
import { naming } from "../talk/naming"
import ReadingGround from "../talk/reading_ground"

// Notes on a page that is read: marked in the text, made from what is chosen in it or from a point in a picture.
export default () => ({
  init() {
    const section = document.querySelector("[data-notes]")
    const text = this.$root.querySelector(".text")
    if (!section || !text) return
    this.ground = new ReadingGround(text, {})
    this.margin = new Margin(section, this.ground)
    this.may = section.dataset.may === "true"
    text.addEventListener("click", (event) => this.pressed(event))
    if (!this.may) return
    this.menu = this.toolbar()
    document.addEventListener("selectionchange", () => this.chosen())
    this.pictures(text)
  },

  toolbar() {
    const { words } = this.margin
    const menu = Object.assign(document.createElement("div"), { className: "mark-menu", hidden: true })
    menu.setAttribute("role", "toolbar")
    menu.setAttribute("aria-label", words.note)
    const button = (label, key, act) => {
      const made = Object.assign(document.createElement("button"), { type: "button", className: "button button-small", textContent: label, title: key ? `${label} (${key})` : label })
      made.addEventListener("mousedown", (event) => event.preventDefault())
      made.addEventListener("click", act)
      return made
    }
    this.proposing = button(words.propose, "", () => this.make("proposal"))
    menu.append(button(words.note, "r", () => this.make("note")), this.proposing)
    this.$root.append(menu)
    return menu
  },

  make(kind) {
    const marked = this.ground.marked()
    if (!marked) return
    const top = this.ground.markedBox()?.top ?? 0
    this.menu.hidden = true
    this.margin.compose(kind, { ...marked, top })
  },

  chosen() {
    clearTimeout(this.timer)
    this.timer = setTimeout(() => {
      const marked = this.ground.marked(), box = marked && this.ground.markedBox()
      this.menu.hidden = !box
      if (!box) return
      this.proposing.hidden = !marked.one
      const frame = this.$root.getBoundingClientRect()
      this.menu.style.left = `${Math.max(0, Math.min(box.right - frame.left - this.menu.offsetWidth / 2, frame.width - this.menu.offsetWidth))}px`
      this.menu.style.top = `${box.bottom - frame.top + 8}px`
    }, 30)
  },

  pressed({ target }) {
    const sign = target.closest("[data-sign]")
    if (sign) return this.margin.open(sign.dataset.sign)
    const mark = target.closest("[data-mark]")
    return mark && !target.closest("a, button") && document.getSelection().isCollapsed ? this.margin.open(mark.dataset.mark) : null
  },

  // A picture is pointed at, or meant as a whole.
  pictures(text) {
    text.querySelectorAll("figure[id^='b-']").forEach((figure) => {
      const picture = figure.querySelector("img")
      if (!picture || figure.id.length !== 10) return
      const ask = Object.assign(document.createElement("button"), { type: "button", className: "picture-note", textContent: this.margin.words.picture })
      figure.append(ask)
      ask.addEventListener("click", () => this.point(figure, picture, ask))
    })
  },

  point(figure, picture, ask) {
    const { words } = this.margin
    const end = new AbortController()
    const stop = () => { end.abort(); figure.classList.remove("pointing"); ask.textContent = words.picture }
    const done = (x, y) => {
      stop()
      this.margin.compose("note", { block: figure.id.slice(2), x, y, quote: picture.alt, top: picture.getBoundingClientRect().top })
    }
    if (figure.classList.contains("pointing")) return done()
    figure.classList.add("pointing")
    ask.textContent = words.point
    picture.addEventListener("click", (event) => {
      event.preventDefault()
      event.stopPropagation()
      const box = picture.getBoundingClientRect()
      done(Math.round((event.clientX - box.left) * 100 / box.width), Math.round((event.clientY - box.top) * 100 / box.height))
    }, { signal: end.signal, capture: true })
    document.addEventListener("keydown", (event) => { if (event.key === "Escape") stop() }, { signal: end.signal })
  }
})

export const namings = () => ({
  init() {
    this.$root.querySelectorAll("textarea[data-naming]").forEach((field) => naming(field))
  }
})
