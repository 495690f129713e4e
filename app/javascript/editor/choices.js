import { get } from "../http"
import { fitting } from "./ranking"
import { newTable } from "./tables"

export const WEB = /^(https?:\/\/\S+|mailto:\S+@\S+|tel:[\d+().-]+)$/i
const paragraph = { type: "paragraph" }
const page = (found) => ({ id: found.id, title: found.title, words: found.title, note: found.room, page: found })

// A heading stands with its page, unless it is one of the page that is being written.
const part = (found) => ({ target: `page:${found.id}#${found.block}`, title: found.heading, words: found.heading, note: found.title, page: found })

// What a link leads to: a page one may read or, behind "#", a heading of it; an address; or, last of all, a page that is
// only promised. own gives the headings of this page.
export const links = (address, words, own) => (text) => {
  if (WEB.test(text)) return [{ target: text, title: text, words: words.address.replace("%{address}", text) }]
  if (text.startsWith("#")) return fitting(own().map((found) => ({ ...part(found), note: words.this_page })), text.slice(1))
  return get(`${address}?q=${encodeURIComponent(text)}`).then((found) => {
    const choices = found.map((each) => (each.block ? part(each) : { ...page(each), target: `page:${each.id}` }))
    const known = found.some((each) => each.title.toLowerCase() === text.toLowerCase())
    return text && !known ? [...choices, { target: `promise:${text}`, title: text, words: words.promise.replace("%{title}", text), promise: true }] : choices
  })
}

export const pages = (address) => async (text) => (await get(`${address}?q=${encodeURIComponent(text)}`)).filter((found) => !found.block).map(page)

export const people = (names) => (text) => fitting(Object.entries(names).map(([id, name]) => ({ id, words: name })), text).slice(0, 12)

export const days = (address) => (text) => get(`${address}?q=${encodeURIComponent(text)}`)

export const among = (all) => (text) => fitting(all, text)

// Works of the house, and last of all one that is not there yet.
export const sources = (address, words) => async (text) => {
  const found = await get(`${address}?q=${encodeURIComponent(text)}`)
  return [...found.map((source) => ({ ...source, words: source.title })), { words: text ? words.new_source.replace("%{title}", text) : words.new_source_empty, typed: text, promise: true }]
}

const holding = (type, attrs = {}) => ({ type, attrs, content: [paragraph] })

// What can be inserted, in its groups. What needs to be chosen further says so.
const INSERTS = {
  writing: {
    heading1: { type: "heading", attrs: { level: 1 } }, heading2: { type: "heading", attrs: { level: 2 } }, heading3: { type: "heading", attrs: { level: 3 } },
    bullet_list: { type: "bullet_list", content: [holding("list_item")] }, ordered_list: { type: "ordered_list", content: [holding("list_item")] },
    task_list: { type: "task_list", content: [holding("task")] }, table: newTable(), quote: holding("quote"), code_block: { type: "code_block" }, divider: { type: "divider" }
  },
  notices: Object.fromEntries(["note", "tip", "caution", "danger"].map((tone) => [tone, holding("notice", { tone })])),
  linking: { link: "link", live_insert: "live", page_title: "title", mention: "mention", date: "date", cite: "cite" },
  pictures: { file: "file", gallery: "gallery", card: { type: "embed" } },
  building: {
    contents_list: { type: "contents_list" }, fold: holding("fold"), columns2: columns(2), columns3: columns(3), passage: holding("passage"), references: { type: "references" },
    blank: "blank", sign: "sign"
  }
}

function columns(count) {
  return { type: "columns", content: Array(count).fill({ type: "column", content: [paragraph] }) }
}

export const inserts = (words) => {
  const all = Object.entries(INSERTS).flatMap(([group, entries]) => Object.entries(entries).map(([name, what]) => ({
    name, group: words.insert_groups[group], words: words.inserts[name], also: words.insert_also[name] ?? "", note: words.insert_notes[name] ?? "",
    ...(typeof what === "string" ? { ask: what } : { content: what })
  })))
  return (text) => fitting(all, text)
}
