import { Node, mergeAttributes } from "@tiptap/core"
import { holding } from "./content"

const columns = Node.create({
  name: "columns",
  isolating: true,
  renderHTML: ({ node, HTMLAttributes }) => ["div", mergeAttributes(HTMLAttributes, { class: `columns columns-${node.childCount}` }), 0]
})

const column = Node.create({
  name: "column",
  isolating: true,
  addAttributes: () => ({ share: { default: 1, rendered: false } }),
  renderHTML: ({ node, HTMLAttributes }) => ["div", mergeAttributes(HTMLAttributes, { class: `column column-${node.attrs.share}` }), 0]
})

const side = (count) => ({ type: "columns", content: Array(count).fill(holding("column")) })

export const nodes = () => [columns, column]
export const inserts = { building: { columns2: side(2), columns3: side(3) } }
