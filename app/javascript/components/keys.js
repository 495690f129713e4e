import { foldMargin, foldPlan } from "./folding"

const follow = (key) => document.querySelector(`[data-key="${key}"]`)?.click()

// To the next or previous change of a comparison.
function step(by) {
  const changes = [...document.querySelectorAll("[data-change]")]
  if (!changes.length) return
  const at = changes.findIndex((change) => change.classList.contains("change-here"))
  changes[at]?.classList.remove("change-here")
  const next = changes[at < 0 ? (by > 0 ? 0 : changes.length - 1) : (at + by + changes.length) % changes.length]
  next.classList.add("change-here")
  next.setAttribute("tabindex", "-1")
  next.focus()
}

const actions = {
  f: () => document.querySelector("#find").focus(),
  n: () => follow("n"),
  e: () => follow("e"),
  h: () => follow("h"),
  l: () => document.querySelector("#linked-from")?.scrollIntoView(),
  ".": () => step(1),
  ",": () => step(-1),
  m: foldMargin,
  p: foldPlan,
  "?": () => document.querySelector("#keys").showModal()
}

const typing = (target) => target.isContentEditable || target.closest("input, select, textarea, dialog[open]")

// Single keys, while nothing is being typed, unless they are turned off in the profile.
export default () => ({
  press(event) {
    if (document.documentElement.dataset.keys === "false") return
    if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey || typing(event.target)) return

    const action = actions[event.key]
    if (!action) return

    event.preventDefault()
    action()
  }
})
