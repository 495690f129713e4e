import { restoreFolding } from "./folding"
import { patch } from "../http"

const OPEN = "plan-open"
const opened = () => new Set(JSON.parse(sessionStorage.getItem(OPEN) ?? "[]"))
const entryOf = (element) => element.closest("li[data-page]")
const itemOf = (element) => element.closest("li[data-page], li[data-signpost]")
const siblings = (item) => [...item.parentElement.children].filter((other) => other.matches("li[data-page], li[data-signpost]"))
const above = (item) => entryOf(item.parentElement)?.dataset.page ?? item.closest("[data-room]").dataset.room

// The plan folds and loads its branches as they are opened, and what stands in it is given its place: by dragging, or
// with Alt and the arrow keys. Without script the way to the open page is unfolded, and pages are moved from their menu.
export default () => ({
  dragged: null,

  init() {
    restoreFolding()
    this.restoreBranches()
  },

  // Branches opened before are opened again, from the outside in.
  async restoreBranches() {
    const open = opened()
    for (const entry of this.$root.querySelectorAll("li.folded[data-page]")) {
      if (open.has(entry.dataset.page) && (await this.show(entry, true)) && entry.isConnected) return this.restoreBranches()
    }
  },

  click(event) {
    const twist = event.target.closest(".twist")
    const window = event.target.closest("a[data-window]")
    if (twist) this.fold(entryOf(twist))
    else if (window && !event.ctrlKey && !event.metaKey) {
      event.preventDefault()
      this.shift(window)
    }
  },

  async fold(entry) {
    await this.show(entry, entry.classList.contains("folded"))
    this.remember(entry.dataset.page, !entry.classList.contains("folded"))
  },

  remember(page, isOpen) {
    const open = opened()
    open[isOpen ? "add" : "delete"](page)
    sessionStorage.setItem(OPEN, JSON.stringify([...open]))
  },

  // Answers whether the entry is open or closed now as wished.
  async show(entry, open) {
    if (open && entry.dataset.branch && !entry.querySelector(":scope > ul")) {
      const branch = await this.load(entry.dataset.branch)
      if (!branch) return false
      entry.append(branch)
    }
    entry.classList.toggle("folded", !open)
    entry.querySelector(".twist")?.setAttribute("aria-expanded", String(open))
    return true
  },

  async load(address) {
    const response = await fetch(address, { headers: { Accept: "text/html" } }).catch(() => null)
    if (!response?.ok) return null
    return new DOMParser().parseFromString(await response.text(), "text/html").querySelector("ul")
  },

  // Another part of a long branch takes its place.
  async shift(link) {
    const branch = await this.load(link.href)
    if (!branch) return
    link.closest("ul").replaceWith(branch)
    branch.querySelector("a")?.focus()
  },

  // Alt and an arrow: up or down among its neighbours, to the right below the page before it, to the left out again.
  key(event) {
    const item = event.altKey && event.target.closest("li[data-movable]")
    const place = item && this.placeBy(event.key, item)
    if (!place) return
    event.preventDefault()
    this.move(item, place)
  },

  placeBy(key, item) {
    const others = siblings(item).filter((other) => other !== item)
    const at = siblings(item).indexOf(item)
    if (key === "ArrowUp" && at > 0) return this.placeAmong(item, others, at - 1)
    if (key === "ArrowDown" && at < others.length) return this.placeAmong(item, others, at + 1)
    const before = others.slice(0, at).findLast((other) => other.dataset.page)
    if (key === "ArrowRight" && before) return { above: before.dataset.page }
    const parent = entryOf(item.parentElement)
    if (key !== "ArrowLeft" || !parent) return null
    const uncles = siblings(parent)
    return this.placeAmong(parent, uncles, uncles.indexOf(parent) + 1)
  },

  // Behind which page, behind which signpost, and before which page something comes to stand at a place among others.
  placeAmong(near, others, at) {
    const page = (items) => items.find((other) => other.dataset.page)?.dataset.page ?? ""
    return { above: above(near), after: page(others.slice(0, at).reverse()), before: page(others.slice(at)), behind: others[at - 1]?.dataset.signpost ?? "" }
  },

  drag(event) {
    const item = event.target.closest("li[data-movable]")
    if (!item) return
    this.dragged = item
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
    if (!entryOf(leaf) || itemOf(leaf) !== entryOf(leaf)) return share < 0.5 ? "before" : "after"
    return share < 0.3 ? "before" : share > 0.7 ? "after" : "inside"
  },

  drop(event) {
    const leaf = this.dragged && event.target.closest(".leaf[data-place]")
    if (!leaf) return
    event.preventDefault()
    const item = itemOf(leaf)
    const others = siblings(item).filter((other) => other !== this.dragged)
    const at = others.indexOf(item)
    const places = { before: () => this.placeAmong(item, others, at), after: () => this.placeAmong(item, others, at + 1), inside: () => ({ above: item.dataset.page }) }
    this.move(this.dragged, places[leaf.dataset.place]())
    this.end()
  },

  end() {
    this.clear()
    this.dragged = null
  },

  clear() {
    this.$root.querySelectorAll("[data-place]").forEach((leaf) => delete leaf.dataset.place)
  },

  async move(item, place) {
    const { page, signpost } = item.dataset
    const address = page ? `/p/${page}/placement` : `${item.querySelector(".plan-add").pathname.replace("/edit", "/placement")}`
    const answer = await patch(address, place).catch(() => null)
    if (answer?.body?.confirm) return location.assign(answer.body.confirm)

    if (answer?.ok) this.remember(place.above, true) // so that it is seen where it came to stand
    await this.refresh()
    const spoken = this.$root.querySelector("[data-spoken]")
    spoken.textContent = answer?.body?.words ?? answer?.body?.error ?? this.$root.dataset.failed
    spoken.classList.toggle("plan-refused", !answer?.ok)
    spoken.classList.toggle("plan-done", Boolean(answer?.ok))
    if (answer?.body?.former) spoken.append(this.undo(item, answer.body.former))
    this.$root.querySelector(page ? `li[data-page="${page}"] a` : `li[data-signpost="${signpost}"] :is(a, [tabindex])`)?.focus()
  },

  undo(item, former) {
    const button = document.createElement("button")
    button.type = "button"
    button.className = "button button-small"
    button.textContent = this.$root.dataset.undo
    button.addEventListener("click", () => this.move(item, former))
    return button
  },

  // Whatever came of it, the plan as it is now is shown, and the way to the page that is open.
  async refresh() {
    const response = await fetch(location.href, { headers: { Accept: "text/html" } }).catch(() => null)
    if (!response?.ok) return
    const fresh = new DOMParser().parseFromString(await response.text(), "text/html")
    const { scrollTop } = this.$root
    this.$root.replaceChildren(...fresh.querySelector("#plan").childNodes)
    const [path, now] = [document, fresh].map((page) => page.querySelector("main .path"))
    if (path && now) path.replaceWith(now)
    await this.restoreBranches()
    this.$root.scrollTop = scrollTop
  }
})
