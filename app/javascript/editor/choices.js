import { get } from "../http"
import { newTable } from "./tables"

const WEB = /^(https?:\/\/\S+|mailto:\S+@\S+|tel:[\d+().-]+)$/i
const paragraph = { type: "paragraph" }
const page = (found) => ({ id: found.id, title: found.title, words: found.title, note: found.room })

// What a link leads to: a page one may read, an address, or, last of all, a page that is only promised.
export const links = (address, words) => async (text) => {
  const choices = (await get(`${address}?q=${encodeURIComponent(text)}`)).map((found) => ({ ...page(found), target: `page:${found.id}` }))
  if (WEB.test(text)) choices.unshift({ target: text, title: text, words: words.address.replace("%{address}", text) })
  else if (text) choices.push({ target: `promise:${text}`, title: text, words: words.promise.replace("%{title}", text), promise: true })
  return choices
}

export const pages = (address) => async (text) => (await get(`${address}?q=${encodeURIComponent(text)}`)).map(page)

export const people = (names) => async (text) => Object.entries(names)
  .filter(([, name]) => name.toLowerCase().includes(text.toLowerCase())).slice(0, 12)
  .map(([id, name]) => ({ id, words: name }))

export const days = (address) => (text) => get(`${address}?q=${encodeURIComponent(text)}`)

// Works of the house, and last of all one that is not there yet.
export const sources = (address, words) => async (text) => {
  const found = await get(`${address}?q=${encodeURIComponent(text)}`)
  return [...found.map((source) => ({ ...source, words: source.title })), { words: text ? words.new_source.replace("%{title}", text) : words.new_source_empty, typed: text, promise: true }]
}

// What can be inserted, by the name it bears and words it may be looked for by. What needs to be chosen further says so.
export const inserts = (words) => {
  const block = (name, content) => ({ name, content })
  const all = [
    block("heading1", { type: "heading", attrs: { level: 1 } }), block("heading2", { type: "heading", attrs: { level: 2 } }),
    block("bullet_list", { type: "bullet_list", content: [{ type: "list_item", content: [paragraph] }] }),
    block("ordered_list", { type: "ordered_list", content: [{ type: "list_item", content: [paragraph] }] }),
    block("task_list", { type: "task_list", content: [{ type: "task", content: [paragraph] }] }),
    block("table", newTable()),
    ...["note", "tip", "caution", "danger"].map((tone) => block(tone, { type: "notice", attrs: { tone }, content: [paragraph] })),
    block("fold", { type: "fold", content: [paragraph] }),
    ...[2, 3].map((count) => block(`columns${count}`, { type: "columns", content: Array(count).fill({ type: "column", content: [paragraph] }) })),
    block("quote", { type: "quote", content: [paragraph] }), block("code_block", { type: "code_block" }), block("divider", { type: "divider" }),
    block("contents_list", { type: "contents_list" }),
    block("passage", { type: "passage", content: [paragraph] }),
    { name: "file", ask: "file" }, { name: "gallery", ask: "gallery" }, block("card", { type: "embed" }),
    { name: "blank", ask: "blank" }, { name: "cite", ask: "cite" }, block("references", { type: "references" }), { name: "sign", ask: "sign" },
    { name: "live_insert", ask: "insert" }, { name: "link", ask: "link" }, { name: "page_title", ask: "title" }, { name: "mention", ask: "mention" },
    { name: "date", ask: "date" }
  ]
  return async (text) => all.map((entry) => ({ ...entry, words: words.inserts[entry.name], note: words.insert_notes[entry.name] }))
    .filter((entry) => `${entry.words} ${entry.note ?? ""}`.toLowerCase().includes(text.toLowerCase()))
}
