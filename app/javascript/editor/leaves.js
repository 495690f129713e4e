import { Node } from "@tiptap/core"
import { choice, mirrored, tick } from "./controls"
import { dayInWords } from "./days"

// What is told anew at each view stands in the text as one piece.

const piece = (name, attrs, inline, show) => Node.create({
  name,
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

// A block that is made anew at each view, with fields for what its writer decides.
const settled = (name, attrs, className, fields, show) => Node.create({
  name,
  atom: true,
  selectable: true,
  addAttributes: () => Object.fromEntries(Object.entries(attrs).map(([key, value]) => [key, { default: value, rendered: false }])),
  renderHTML: ({ HTMLAttributes }) => ["div", { ...HTMLAttributes, class: className }],
  addNodeView: () => ({ node, editor, getPos }) => {
    const dom = Object.assign(document.createElement("div"), { className, contentEditable: "false" })
    const shown = document.createElement("div")
    const bar = Object.assign(document.createElement("div"), { className: "block-head" })
    const set = (attribute) => (value) => editor.view.dispatch(editor.state.tr.setNodeAttribute(getPos(), attribute, value))
    const controls = fields(set, node.attrs)
    bar.append(...Object.values(controls))
    dom.append(shown, bar)
    let last = null
    const update = (next) => {
      if (next.type.name !== name) return false
      for (const [attribute, control] of Object.entries(controls)) mirrored(control, next.attrs[attribute])
      if (JSON.stringify(last) !== JSON.stringify(next.attrs)) show(shown, next.attrs, last)
      last = next.attrs
      return true
    }
    update(node)
    return { dom, update, stopEvent: (event) => bar.contains(event.target), ignoreMutation: () => true }
  }
})

export default (words, { people, pages, sources, inserts }) => [
  piece("mention", { person: null }, true, (dom, { person }) => { dom.textContent = people[person] ?? words.somebody }),
  piece("date", { date: null }, true, (dom, { date }) => { dom.textContent = dayInWords(date, words) }),
  piece("cite", { source: null, place: "" }, true, (dom, { source, place }) => {
    dom.textContent = `[${[sources[source] ?? words.some_source, place].filter(Boolean).join(", ")}]`
  }),
  piece("page_title", { page: null }, true, (dom, { page }) => { dom.textContent = pages[page] ?? words.some_page }),
  settled("contents_list", { depth: 4 }, "contents-list", (set, attrs) => ({
    depth: choice(words.contents_depth, [1, 2, 3, 4].map((depth) => [depth, words.contents_depths[depth - 1]]), attrs.depth, (value) => set("depth")(Number(value)))
  }), (dom) => { dom.textContent = words.contents }),
  settled("references", { columns: 1 }, "references", (set, attrs) => ({
    columns: choice(words.references_columns, [1, 2].map((count) => [count, words.references_columns_of[count - 1]]), attrs.columns, (value) => set("columns")(Number(value)))
  }), (dom) => { dom.textContent = words.references }),
  settled("live_insert", { page: null, passage: null, headings: false }, "live-insert", (set, attrs) => ({
    headings: tick(words.insert_headings, attrs.headings, set("headings"))
  }), (dom, attrs, last) => { if (attrs.page !== last?.page || attrs.passage !== last?.passage) preview(dom, attrs, inserts, words) })
]
