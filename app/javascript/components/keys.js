import { foldMargin, foldPlan } from "./folding"

const follow = (key) => document.querySelector(`[data-key="${key}"]`)?.click()

const actions = {
  f: () => document.querySelector("#find").focus(),
  n: () => follow("n"),
  e: () => follow("e"),
  h: () => follow("h"),
  l: () => document.querySelector("#linked-from")?.scrollIntoView(),
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
