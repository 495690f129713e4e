import { get } from "../http"
import { fitting } from "./ranking"
import { INSERTS } from "./blocks"

export const WEB = /^(https?:\/\/\S+|mailto:\S+@\S+|(?:smb|file|ssh|sftp):\/\/\S+|tel:[\d+().-]+)$/i
const page = (found) => ({ id: found.id, title: found.title, words: found.title, note: [found.called, found.room, found.open].filter(Boolean).join(" · "), page: found })

// A heading stands with its page, unless it is one of the page that is being written.
const part = (found) => ({ target: `page:${found.id}#${found.block}`, title: found.heading, words: found.heading, note: found.title, page: found })

// The plan, place by place: rooms, and what stands in them.
const inside = (address, below, made) => {
  let all
  return async (text) => {
    all ??= (await get(`${address}?below=${encodeURIComponent(below)}`)).map((found) => ({
      ...(found.id ? made(found) : { words: found.title, only: true }), note: found.open ?? "", ...(found.below ? { open: inside(address, found.below, made) } : {})
    }))
    return fitting(all, text)
  }
}
const plan = (address, words, made) => ({ words: words.in_plan, only: true, open: inside(address, "", made) })

const promise = (words, title, note) => ({ target: `promise:${title}`, title, words: words.promise.replace("%{title}", title), note, promise: true })

// What a link leads to: a page one may read or, behind "#", a heading of it; an address; a page that is only promised, first of
// all where others promise it by that title, and last of all otherwise. own gives the headings of this page.
export const links = (address, words, own) => (text) => {
  if (WEB.test(text)) return [{ target: text, title: text, words: words.address.replace("%{address}", text) }]
  if (text.startsWith("#")) return fitting(own().map((found) => ({ ...part(found), note: words.this_page })), text.slice(1))
  return get(`${address}?q=${encodeURIComponent(text)}&promised=1`).then((found) => {
    const made = (each) => ({ ...page(each), target: `page:${each.id}` })
    const choices = [...found.map((each) => (each.promised ? promise(words, each.promised, each.note) : each.block ? part(each) : made(each))), ...(text ? [] : [plan(address, words, made)])]
    const known = found.some((each) => each.promised || each.title.toLowerCase() === text.toLowerCase())
    return text && !known ? [...choices, promise(words, text)] : choices
  })
}

export const pages = (address, words) => async (text) => [
  ...(await get(`${address}?q=${encodeURIComponent(text)}`)).filter((found) => !found.block).map(page), ...(text ? [] : [plan(address, words, page)])
]

export const passages = (address) => async (text) => (await get(`${address}?q=${encodeURIComponent(text)}`)).map((found) => ({ ...found, words: found.name }))

export const people = ({ people: names, outside = [] }, words) => (text) => fitting(Object.entries(names).map(([id, name]) => ({ id, words: name, note: outside.includes(id) ? words.not_reading : "" })), text).slice(0, 12)

export const days = (address) => (text) => get(`${address}?q=${encodeURIComponent(text)}`)

export const among = (all) => (text) => fitting(all, text)

// Works of the house, and last of all one that is not there yet.
export const sources = (address, words) => async (text) => {
  const found = await get(`${address}?q=${encodeURIComponent(text)}`)
  return [...found.map((source) => ({ ...source, words: source.title })), { words: text ? words.new_source.replace("%{title}", text) : words.new_source_empty, typed: text, promise: true }]
}

// What can be inserted, in its groups. What needs to be chosen further is the name of what asks for it.
const GROUPS = {
  writing: INSERTS.writing, notices: INSERTS.notices, linking: { link: "link", ...INSERTS.linking }, pictures: INSERTS.pictures,
  building: { ...INSERTS.building, blank: "blank", sign: "sign" }
}

export const inserts = (words) => {
  const all = Object.entries(GROUPS).flatMap(([group, entries]) => Object.entries(entries).map(([name, what]) => ({
    name, group: words.insert_groups[group], words: words.inserts[name], also: words.insert_also[name] ?? "", note: words.insert_notes[name] ?? "",
    ...(typeof what === "string" ? { ask: what } : { content: what })
  })))
  return (text) => fitting(all, text)
}
