import { pause } from "../pause"

const PAUSE = 250 // milliseconds that the pointer rests on a link until it is told what it leads to

// What a link leads to is told beside it while it has the focus or the pointer rests on it; Escape puts it away.
export default () => ({
  tip: null, link: null, timer: null,

  init() {
    this.tip = Object.assign(document.createElement("p"), { className: "link-tip", id: "link-tip", hidden: true })
    this.tip.setAttribute("role", "tooltip")
    this.$root.append(this.tip)
    this.tip.addEventListener("mouseenter", () => clearTimeout(this.timer))
    this.tip.addEventListener("mouseleave", () => this.still())
  },

  focused(event) {
    this.show(event.target.closest("a[data-tells]"))
  },

  rested(event) {
    const link = event.target.closest("a[data-tells]")
    if (!link) return
    clearTimeout(this.timer)
    this.timer = setTimeout(() => this.show(link), pause(PAUSE))
  },

  show(link) {
    if (!link) return
    this.still()
    const [frame, box] = [this.$root.getBoundingClientRect(), [...link.getClientRects()].at(-1)]
    this.link = link
    this.tip.textContent = link.dataset.tells
    this.tip.hidden = false
    this.tip.style.left = `${Math.max(0, Math.min(box.left - frame.left, frame.width - this.tip.offsetWidth - 8))}px`
    this.tip.style.top = `${box.bottom - frame.top + 4}px`
    link.setAttribute("aria-describedby", this.tip.id)
  },

  left(event) {
    clearTimeout(this.timer)
    if (event.type === "focusout" || document.activeElement !== this.link) this.timer = setTimeout(() => this.still(), pause(PAUSE))
  },

  still() {
    clearTimeout(this.timer)
    this.link?.removeAttribute("aria-describedby")
    this.link = null
    this.tip.hidden = true
  }
})
