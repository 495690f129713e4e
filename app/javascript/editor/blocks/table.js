import { Node, getExtensionField } from "@tiptap/core"
import { columnResizing, goToNextCell, addRowAfter, tableEditing } from "@tiptap/pm/tables"

// Tables, with the library's own editing; its nodes bear the names that the core gives them.

const spans = {
  colspan: { default: 1 },
  rowspan: { default: 1 },
  colwidth: { default: null, rendered: false },
  align: { default: null, renderHTML: ({ align }) => (align ? { class: `align-${align}` } : {}) }
}

const cell = (name, tag) => Node.create({
  name,
  tableRole: name,
  isolating: true,
  addAttributes: () => spans,
  renderHTML: ({ HTMLAttributes }) => [tag, HTMLAttributes, 0]
})

const table = Node.create({
  name: "table",
  tableRole: "table",
  isolating: true,
  renderHTML: ({ HTMLAttributes }) => ["table", HTMLAttributes, ["tbody", 0]],
  extendNodeSchema: (extension) => ({ tableRole: getExtensionField(extension, "tableRole") }),

  addKeyboardShortcuts() {
    const run = (command) => command(this.editor.state, this.editor.view.dispatch)
    return {
      Tab: () => run(goToNextCell(1)) || (run(addRowAfter) && run(goToNextCell(1))),
      "Shift-Tab": () => run(goToNextCell(-1))
    }
  },

  addProseMirrorPlugins: () => [columnResizing({ handleWidth: 5, cellMinWidth: 40, lastColumnResizable: false }), tableEditing({ allowTableNodeSelection: true })]
})

const row = Node.create({ name: "row", tableRole: "row", renderHTML: ({ HTMLAttributes }) => ["tr", HTMLAttributes, 0] })

// A table of so many rows, the first of headings, as it is inserted.
export const newTable = (rows = 3, columns = 3) => ({
  type: "table",
  content: Array.from({ length: rows }, (_row, y) => ({
    type: "row",
    content: Array.from({ length: columns }, () => ({ type: y === 0 ? "header_cell" : "cell", content: [{ type: "paragraph" }] }))
  }))
})

export const nodes = () => [table, row, cell("cell", "td"), cell("header_cell", "th")]
export const inserts = { writing: { table: newTable() } }
