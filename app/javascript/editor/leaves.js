import { Node } from "@tiptap/core"

// What is told anew at each view stands in the text as one piece.

const piece = (name, attrs, inline, show) => Node.create({
  name,
  group: inline ? "inline" : "block",
  inline,
  atom: true,
  selectable: true,
  addAttributes: () => Object.fromEntries(Object.entries(attrs).map(([key, value]) => [key, { default: value, rendered: false }])),
  renderHTML: ({ HTMLAttributes }) => [inline ? "span" : "div", { ...HTMLAttributes, class: name.replace("_", "-") }],
  addNodeView: () => ({ node }) => {
    const dom = document.createElement(inline ? "span" : "div")
    dom.className = name.replace("_", "-")
    dom.contentEditable = "false"
    show(dom, node.attrs)
    return { dom, update: (next) => next.type.name === name && (show(dom, next.attrs), true) }
  }
})

// The page itself, as it is published now, with where it comes from.
async function preview(dom, { page, passage }, address, words) {
  dom.textContent = words.insert_loading
  const response = await fetch(`${address}?page=${page ?? ""}&passage=${passage ?? ""}`, { headers: { Accept: "text/html" } }).catch(() => null)
  if (!response?.ok) return
  dom.replaceChildren(...new DOMParser().parseFromString(await response.text(), "text/html").body.childNodes)
}

export default (words, { people, pages, inserts }) => [
  piece("mention", { person: null }, true, (dom, { person }) => { dom.textContent = people[person] ?? words.somebody }),
  piece("date", { date: null }, true, (dom, { date }) => {
    const day = new Date(`${date}T12:00:00Z`)
    dom.textContent = Number.isNaN(day.getTime()) ? "" : day.toLocaleDateString(document.documentElement.lang, { day: "numeric", month: "short", year: "numeric", timeZone: "UTC" })
  }),
  piece("page_title", { page: null }, true, (dom, { page }) => { dom.textContent = pages[page] ?? words.some_page }),
  piece("contents_list", { depth: 4 }, false, (dom) => { dom.textContent = words.contents }),
  piece("live_insert", { page: null, passage: null, headings: false }, false, (dom, attrs) => preview(dom, attrs, inserts, words))
]
