import { TARGET } from "./ids"

// What a link leads to, in words: a page's title and how it stands, a page that is only promised, or an address.
//
// @param names [Object] pages and states by id
export function told(target, names, words) {
  const [, kind, rest] = target.match(/^([a-z]+):(.*)$/) ?? []
  if (kind === "promise") return `${rest}, ${words.link_promised}`
  if (kind !== "page") return target
  const [id] = rest.split("#")
  return names.pages[id] ? [names.pages[id], names.states[id]].filter(Boolean).join(", ") : words.link_unseen
}

// Where it can be looked at; null for a page that is not there yet.
export function addressOf(target) {
  const page = target.match(TARGET)
  if (page) return `/p/${page[1]}${page[2] ? `#b-${page[2]}` : ""}`
  return /^(https?|mailto|tel):/.test(target) ? target : null
}
