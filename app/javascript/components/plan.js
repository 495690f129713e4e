import { restoreFolding } from "./folding"
import { patch } from "../http"

const OPEN = "plan-open"
const opened = () => new Set(JSON.parse(sessionStorage.getItem(OPEN) ?? "[]"))
const entryOf = (element) => element.closest("li[data-page]")
const siblings = (entry) => [...entry.parentElement.children].filter((other) => other.matches("li[data-page]"))
const above = (entry) => entryOf(entry.parentElement)?.dataset.page ?? entry.closest("[data-room]").dataset.room

// The plan folds, and pages are given their place in it: by dragging, or with Alt and the arrow keys. Without script the
// way to the open page is unfolded, and pages are moved from their own menu.
export default () => ({
  dragged: null,

  init() {
    restoreFolding()
    this.restoreBranches()
  },

  restoreBranches() {
    const open = opened()
    this.$root.querySelectorAll("li.folded[data-page]").forEach((entry) => open.has(entry.dataset.page) && this.show(entry, true))
  },

  fold(event) {
    const entry = entryOf(event.currentTarget)
    this.show(entry, entry.classList.contains("folded"))
    const open = opened()
    open[entry.classList.contains("folded") ? "delete" : "add"](entry.dataset.page)
    sessionStorage.setItem(OPEN, JSON.stringify([...open]))
  },

  show(entry, open) {
    entry.classList.toggle("folded", !open)
    entry.querySelector(".twist")?.setAttribute("aria-expanded", String(open))
  },

  // Alt and an arrow: up or down among its neighbours, to the right below the one before it, to the left out again.
  key(event) {
    const entry = event.altKey && event.target.closest("li[data-movable]")
    const place = entry && this.placeBy(event.key, entry)
    if (!place) return
    event.preventDefault()
    this.move(entry.dataset.page, place)
  },

  placeBy(key, entry) {
    const all = siblings(entry)
    const at = all.indexOf(entry)
    const id = (index) => all[index]?.dataset.page ?? ""
    if (key === "ArrowUp" && at > 0) return { above: above(entry), after: id(at - 2) }
    if (key === "ArrowDown" && at < all.length - 1) return { above: above(entry), after: id(at + 1) }
    if (key === "ArrowRight" && at > 0) return { above: id(at - 1) }
    const parent = entryOf(entry.parentElement)
    if (key === "ArrowLeft" && parent) return { above: above(parent), after: parent.dataset.page }
    return null
  },

  drag(event) {
    const entry = event.target.closest("li[data-movable]")
    if (!entry) return
    this.dragged = entry
    event.dataTransfer.effectAllowed = "move"
  },

  over(event) {
    const leaf = this.dragged && event.target.closest(".leaf")
    if (!leaf || this.dragged.contains(leaf)) return
    event.preventDefault()
    this.clear()
    leaf.dataset.place = this.placeAt(leaf, event)
  },

  placeAt(leaf, event) {
    const { top, height } = leaf.getBoundingClientRect()
    const share = (event.clientY - top) / height
    return share < 0.3 ? "before" : share > 0.7 ? "after" : "inside"
  },

  drop(event) {
    const leaf = this.dragged && event.target.closest(".leaf[data-place]")
    if (!leaf) return
    event.preventDefault()
    const entry = entryOf(leaf)
    const others = siblings(entry).filter((other) => other !== this.dragged)
    const before = others[others.indexOf(entry) - 1]?.dataset.page ?? ""
    const places = {
      before: { above: above(entry), after: before },
      after: { above: above(entry), after: entry.dataset.page },
      inside: { above: entry.dataset.page }
    }
    this.move(this.dragged.dataset.page, places[leaf.dataset.place])
    this.end()
  },

  end() {
    this.clear()
    this.dragged = null
  },

  clear() {
    this.$root.querySelectorAll("[data-place]").forEach((leaf) => delete leaf.dataset.place)
  },

  async move(page, place) {
    const answer = await patch(`/p/${page}/placement`, place).catch(() => null)
    if (answer?.body?.confirm) return location.assign(answer.body.confirm)

    await this.refresh()
    const spoken = this.$root.querySelector("[data-spoken]")
    spoken.textContent = answer?.body?.words ?? answer?.body?.error ?? this.$root.dataset.failed
    spoken.classList.toggle("plan-refused", !answer?.ok)
    this.$root.querySelector(`li[data-page="${page}"] a`)?.focus()
  },

  // Whatever came of it, the plan as it is now is shown.
  async refresh() {
    const response = await fetch(location.href, { headers: { Accept: "text/html" } }).catch(() => null)
    if (!response?.ok) return
    const fresh = new DOMParser().parseFromString(await response.text(), "text/html").querySelector("#plan")
    this.$root.replaceChildren(...fresh.childNodes)
    this.restoreBranches()
  }
})
