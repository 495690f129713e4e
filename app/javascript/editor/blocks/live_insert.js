import { tick } from "../controls"
import { settled } from "../shown/settled"

// The page itself, as it is published now, with where it comes from.
async function preview(dom, { page, passage }, address, words) {
  dom.textContent = words.insert_loading
  const response = await fetch(`${address}?page=${page ?? ""}&passage=${passage ?? ""}`, { headers: { Accept: "text/html" } }).catch(() => null)
  if (!response?.ok) return
  dom.replaceChildren(...new DOMParser().parseFromString(await response.text(), "text/html").body.childNodes)
}

export const nodes = ({ words, names }) => [
  settled("live_insert", { page: null, passage: null, headings: false }, "live-insert", (set, attrs) => ({
    headings: tick(words.insert_headings, attrs.headings, set("headings"))
  }), (dom, attrs, last) => { if (attrs.page !== last?.page || attrs.passage !== last?.passage) preview(dom, attrs, names.inserts, words) })
]
export const inserts = { linking: { live_insert: "live", any_passage: "passage" } }
