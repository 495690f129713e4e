import { Node } from "@tiptap/core"
import { dayInWords } from "../days"
import { attributes } from "../shown/attributes"

// What is told anew at each view stands in the text as one piece.

const piece = (name, attrs, show) => Node.create({
  name,
  inline: true,
  atom: true,
  selectable: true,
  addAttributes: attributes(attrs),
  renderHTML: ({ HTMLAttributes }) => ["span", { ...HTMLAttributes, class: name.replace("_", "-") }],
  addNodeView: () => ({ node }) => {
    const dom = document.createElement("span")
    dom.className = name.replace("_", "-")
    dom.contentEditable = "false"
    show(dom, node.attrs)
    return { dom, update: (next) => next.type.name === name && (show(dom, next.attrs), true) }
  }
})

export const nodes = ({ words, names: { people, pages, sources } }) => [
  piece("mention", { person: null }, (dom, { person }) => { dom.textContent = people[person] ?? words.somebody }),
  piece("date", { date: null }, (dom, { date }) => { dom.textContent = dayInWords(date, words) }),
  piece("cite", { source: null, place: "" }, (dom, { source, place }) => {
    dom.textContent = `[${[sources[source] ?? words.some_source, place].filter(Boolean).join(", ")}]`
  }),
  piece("page_title", { page: null }, (dom, { page }) => { dom.textContent = pages[page] ?? words.some_page })
]
export const inserts = { linking: { page_title: "title", mention: "mention", date: "date", cite: "cite" } }
