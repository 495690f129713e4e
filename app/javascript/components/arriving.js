import plan from "./plan"
import { fragment, patch } from "../http"

// The tree of pages that what was brought in would become. It is handled as the plan is: folded, dragged, moved with Alt and the arrow
// keys; besides, titles are mended in it, pages are left out, and each is looked at as it would be read.
const { key: keyOfPlan, ...handling } = plan()

export default () => ({
  ...handling,

  init() {},
  remember() {},

  click(event) {
    const twist = event.target.closest(".twist")
    const look = event.target.closest("[data-look]")
    if (twist) this.fold(twist.closest("li"))
    else if (look) this.look(look)
  },

  key(event) {
    if (event.key === "Enter" && event.target.matches("input[name=title]")) event.target.blur()
    else keyOfPlan.call(this, event)
  },

  async change({ target }) {
    const item = target.closest("li[data-page]")
    if (!item || !["title", "left_out"].includes(target.name)) return
    const told = target.name === "title" ? { title: target.value } : { left_out: String(!target.checked) }
    const answer = await this.save(item, told)
    if (target.name === "title") this.mark(target, answer)
    else item.classList.toggle("arrived-left", !target.checked), item.querySelectorAll("input[name=left_out]").forEach((box) => (box.checked = target.checked))
  },

  mark(field, answer) {
    field.setAttribute("aria-invalid", String(!answer?.ok))
    this.say(answer?.ok ? "" : answer?.body?.error ?? this.$root.dataset.failed, answer?.ok)
  },

  async save(item, told) {
    const answer = await patch(`${this.$root.dataset.texts}/${item.dataset.page}`, told).catch(() => null)
    if (!answer?.ok) this.say(answer?.body?.error ?? this.$root.dataset.failed)
    return answer
  },

  async look(button) {
    const item = button.closest("li")
    const there = item.querySelector(":scope > .arrived-text")
    button.setAttribute("aria-expanded", String(!there))
    if (there) return there.remove()
    const told = await fragment(button.dataset.look)
    if (!told) return this.say(this.$root.dataset.failed)
    item.querySelector(":scope > .leaf").after(told.querySelector(".arrived-text"))
  },

  async move(item, place) {
    const former = { above: item.parentElement.closest("li")?.dataset.page ?? "", before: item.nextElementSibling?.dataset.page ?? "" }
    const answer = await this.save(item, { above: place.above, before: place.before ?? "" })
    if (!answer?.ok) return
    await this.refresh([place.above])
    const moved = this.$root.querySelector(`li[data-page="${item.dataset.page}"]`)
    moved?.querySelector("input[name=title]")?.focus()
    this.say("", true)
    this.$root.querySelector("[data-spoken]").append(this.undo(moved ?? item, former))
  },

  // The tree as it is now, with the branches open that were.
  async refresh(more = []) {
    const open = [...this.$root.querySelectorAll("li:has(> ul)")].map((item) => item.dataset.page)
    const asked = [...open, ...more].filter(Boolean).map((key) => `open[]=${key}`).join("&")
    const branch = (await fragment(`${this.$root.dataset.texts}?${asked}`))?.querySelector("ul")
    if (branch) this.$root.querySelector("ul.arrived").replaceWith(branch)
  },

  say(words, fine) {
    const spoken = this.$root.querySelector("[data-spoken]")
    spoken.textContent = words
    spoken.classList.toggle("plan-refused", !fine && words !== "")
  }
})
