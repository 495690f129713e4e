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
  if (!next.matches("button")) next.setAttribute("tabindex", "-1")
  next.focus()
}

// Through the changes of a comparison, or through the notes beside a page or in a thread.
function go(by) {
  if (document.querySelector("[data-change]")) return step(by)
  if (document.querySelector("[data-notes]")) return document.dispatchEvent(new CustomEvent("note-step", { detail: by }))
  const lines = [...document.querySelectorAll("[data-thread] > [data-remark]")]
  const at = lines.findIndex((line) => line.contains(document.activeElement))
  return lines.at(at < 0 ? (by > 0 ? 0 : -1) : (at + by) % lines.length)?.focus()
}

// Does something to the remark that has the focus, or to the thing in a list that one is at.
const act = (name) => (document.activeElement.closest("[data-remark], [data-item]") || document.querySelector("[data-item].change-here"))?.querySelector(`[data-act=${name}]`)?.click()

// Takes back what was done last: in the list that one works through, else what is offered to be taken back.
function undo() {
  if (document.querySelector("[data-work-said]:not(:empty)")) document.dispatchEvent(new CustomEvent("work-undo"))
  else document.querySelector(".said-undo button")?.click()
}

function linkedFrom() {
  const part = document.querySelector("#linked-from")
  if (part?.matches("details")) part.open = true
  part?.scrollIntoView()
}

// What was asked before is written over, or gone back to with an arrow key.
function find() {
  const field = document.querySelector("#find")
  field.focus()
  field.select()
}

const showKeys = () => document.querySelector("#keys").showModal()

const actions = {
  f: find,
  n: () => follow("n"),
  w: () => follow("w"),
  h: () => follow("h"),
  l: linkedFrom,
  ".": () => go(1),
  ",": () => go(-1),
  r: () => document.dispatchEvent(new CustomEvent("note-new")),
  s: () => act("settle"),
  t: () => act("take"),
  d: () => act("decline"),
  e: () => act("edit"),
  o: () => act("outdate"),
  a: () => act("aside"),
  u: undo,
  q: () => act("question"),
  g: () => act("page"),
  m: foldMargin,
  p: foldPlan,
  "?": showKeys
}

const typing = (target) => target.isContentEditable || target.closest("input, select, textarea, dialog[open]")

// Where a page's text is written, single keys are letters of it, wherever the focus is.
const writing = () => document.querySelector("[data-writing]") !== null

// Single keys, while nothing is being typed, unless they are turned off in the profile. F1 lists the keys everywhere.
export default () => ({
  press(event) {
    if (event.key === "F1" && !writing() && !document.querySelector("dialog[open]")) {
      event.preventDefault()
      return showKeys()
    }
    if (document.documentElement.dataset.keys === "false" || writing()) return
    if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey || typing(event.target)) return

    const action = /^[a-z.,]$/.test(event.key) && document.querySelector(`[data-key="${event.key}"]`) ? () => follow(event.key) : actions[event.key]
    if (!action) return

    event.preventDefault()
    action()
  },

  list() {
    showKeys()
  },

  // Menus close where something else is pressed, and by Escape.
  pressed(event) {
    for (const menu of document.querySelectorAll("details.menu[open]")) if (!menu.contains(event.target)) menu.open = false
  },

  escape() {
    const menu = document.querySelector("details.menu[open]")
    if (!menu) return
    menu.open = false
    menu.querySelector("summary").focus()
  }
})
