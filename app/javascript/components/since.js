import { get } from "../http"
import { rangeOf } from "../talk/places"
import { unwrap, wrapped } from "../talk/wrapping"

// What has changed since one was here, marked in the text: words that are new, and a sign behind each block, which tells what was
// there before. The keys that lead through changes lead from sign to sign.
export default () => ({
  words: null,
  text: null,
  marks: null,
  button: null,
  shown: false,

  async init() {
    this.text = document.querySelector("[x-data=ticking].text")
    this.words = JSON.parse(this.$root.dataset.words)
    const told = this.text && await get(this.$root.dataset.src).catch(() => null)
    if (!told?.all) return
    if (told.all > told.marks.length) return this.say(this.words.many)
    this.marks = told.marks
    this.button = this.$root.querySelector("[data-toggle]")
    this.button.hidden = false
    this.show()
  },

  toggle() {
    this.shown ? this.hide() : this.show()
  },

  show() {
    this.shown = true
    this.marks.forEach((mark) => this.lay(mark))
    this.button.textContent = this.words.hide
    const places = this.marks.filter(({ continued }) => !continued).length
    this.say(this.words.count[places === 1 ? "one" : "other"].replace("%{count}", places))
  },

  hide() {
    this.shown = false
    this.text.querySelectorAll("[data-change], .since-words").forEach((sign) => sign.remove())
    this.text.querySelectorAll(".since-new").forEach(unwrap)
    this.text.querySelectorAll(".since-block").forEach((block) => block.classList.remove("since-block"))
    this.button.textContent = this.words.show
    this.say("")
  },

  lay(mark) {
    const block = mark.block ? document.getElementById(`b-${mark.block}`) : this.text.firstElementChild
    if (!block) return
    for (const [start, length] of mark.words) {
      const range = rangeOf(this.text, mark.block, start, length)
      if (range) wrapped(this.text, range, () => Object.assign(document.createElement("ins"), { className: "since-new" }))
    }
    if (mark.act === "added") block.classList.add("since-block")
    if (mark.continued) return
    const sign = this.sign(mark)
    const held = block.matches("table") ? block.closest(".table") ?? block : block.matches("figure") ? block.querySelector("figcaption") ?? block : block
    if (!mark.block) held.before(sign)
    else held[held.matches("table, hr, img, .table") ? "after" : "append"](sign)
  },

  sign({ act, difference }) {
    const sign = Object.assign(document.createElement("button"), { type: "button", className: `since-sign since-${act}`, textContent: this.words[act] })
    sign.dataset.change = act
    if (!difference.some(([kind]) => kind === "removed")) return sign
    sign.title = this.words.was
    sign.setAttribute("aria-expanded", "false")
    sign.addEventListener("click", () => this.open(sign, difference))
    return sign
  },

  open(sign, difference) {
    const open = sign.getAttribute("aria-expanded") === "true"
    sign.setAttribute("aria-expanded", String(!open))
    if (open) return sign.nextElementSibling.remove()
    const words = Object.assign(document.createElement("span"), { className: "since-words" })
    words.append(...difference.map(([kind, text]) => (kind === "same" ? text : Object.assign(document.createElement(kind === "removed" ? "del" : "ins"), { textContent: text }))))
    sign.after(words)
  },

  say(words) {
    this.$root.querySelector("[data-count]").textContent = words
  }
})
