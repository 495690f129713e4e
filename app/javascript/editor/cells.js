import { Fragment, Slice } from "@tiptap/pm/model"
import { CellSelection, TableMap, isInTable, selectedRect } from "@tiptap/pm/tables"
import Grid from "./grid"

// What is pasted while the caret is in a table. Rows and columns fill cells, from the caret's cell on, and the table grows
// where they need it; anything else goes into the cell as far as cells hold it, and what they cannot hold comes to stand
// behind the table. The table itself is never torn.

const MOST_CELLS = 20_000

// The one table that the slice is, without empty paragraphs around it; null for anything else.
function tableOf(slice) {
  const blocks = []
  slice.content.forEach((node) => { if (node.type.name !== "paragraph" || node.content.size) blocks.push(node) })
  const [only] = blocks
  return blocks.length === 1 && ["table", "row", "cell", "header_cell"].includes(only.type.name) ? new Slice(Fragment.from(only), 0, 0) : null
}

const rowsOrCells = (slice) => ["row", "cell", "header_cell"].includes(slice.content.firstChild?.type.name)

// @return [Array] what fits into a cell, and what does not
function parted(fragment, { cell }) {
  const [inside, outside] = [[], []]
  fragment.forEach((node) => {
    if (cell.contentMatch.matchType(node.type)) inside.push(node)
    else if (node.isTextblock) inside.push(cell.schema.nodes.paragraph.create(null, inlineOf(node)))
    else if (node.isAtom || ["table", "columns", "passage"].includes(node.type.name)) outside.push(node)
    else {
      const [within, beyond] = parted(node.content, { cell })
      inside.push(...within)
      outside.push(...beyond)
    }
  })
  return [inside, outside]
}

const inlineOf = (node) => node.content

// @return [Boolean] whether the paste was one into a table
export function pasteIntoTable(view, slice) {
  const { state } = view
  if (!isInTable(state)) return false
  const table = rowsOrCells(slice) ? slice : tableOf(slice)
  return table && !tooMany(table) ? fill(view, asTable(table.content, state.schema)) : intoCell(view, slice)
}

function asTable(content, { nodes: { table, row } }) {
  const { name } = content.firstChild.type
  return name === "table" ? content.firstChild : table.create(null, name === "row" ? content : row.create(null, content))
}

// From the caret's cell on; cells that are chosen are filled again and again.
function fill(view, pasted) {
  const { state } = view
  const { tr, schema: { nodes } } = state
  const { table, tableStart, top, left, right, bottom } = selectedRect(state)
  const grid = Grid.of(table)
  const chosen = state.selection instanceof CellSelection
  const given = chosen ? Grid.of(pasted).repeated(right - left, bottom - top) : Grid.of(pasted)

  // A cell becomes what stands where it goes; beyond that, a heading in a row of headings.
  const headed = table.firstChild.content.content.every((cell) => cell.type === nodes.header_cell)
  const typeAt = (y, x) => grid.at(y, x)?.cell.type ?? (y === 0 && headed ? nodes.header_cell : nodes.cell)
  const typed = (cell, y, x) => typeAt(y, x).create(cell.attrs, cell.content, cell.marks)
  const rows = grid.under(given, top, left, typed).rows((y, x) => typeAt(y, x).createAndFill())

  const filled = table.copy(Fragment.from(rows.map((cells, y) => (table.maybeChild(y) ?? nodes.row.create()).copy(Fragment.from(cells)))))
  tr.replaceWith(tableStart - 1, tableStart - 1 + table.nodeSize, filled)
  const { map, width, height } = TableMap.get(filled)
  const cellAt = (y, x) => tableStart + map[Math.min(y, height - 1) * width + Math.min(x, width - 1)]
  tr.setSelection(CellSelection.create(tr.doc, cellAt(top, left), cellAt(top + given.height - 1, left + given.width - 1)))
  view.dispatch(tr.scrollIntoView().setMeta("paste", true))
  return true
}

function tooMany(slice) {
  let cells = 0
  slice.content.descendants((node) => { cells += ["cell", "header_cell"].includes(node.type.name) ? 1 : 0 })
  return cells > MOST_CELLS
}

function intoCell(view, slice) {
  const { state } = view
  const { tr, selection, schema: { nodes } } = state
  if (selection.$from.parent.type.spec.code) return false
  const [inside, outside] = parted(slice.content, nodes)
  if (selection instanceof CellSelection) emptied(tr, selection, inside, nodes)
  else {
    const inline = inside.length === 1 && inside[0].type.name === "paragraph"
    const ends = inside.length && inside[0].type.name === "paragraph" ? 1 : 0
    tr.replaceSelection(inline ? new Slice(inside[0].content, 0, 0) : new Slice(Fragment.from(inside), ends, inside.at(-1)?.type.name === "paragraph" ? ends : 0))
  }
  if (outside.length) {
    const { $from } = tr.selection
    for (let depth = $from.depth; depth > 0; depth -= 1) {
      if ($from.node(depth).type.name !== "table") continue
      tr.insert($from.after(depth), outside)
      break
    }
  }
  view.dispatch(tr.scrollIntoView().setMeta("paste", true))
  return true
}

// Of several cells that are chosen, the first takes what is pasted, and the others are emptied.
function emptied(tr, selection, inside, { paragraph }) {
  const cells = []
  selection.forEachCell((cell, pos) => cells.push({ cell, pos }))
  cells.reverse().forEach(({ cell, pos }, i) => {
    const content = i === cells.length - 1 && inside.length ? Fragment.from(inside) : Fragment.from(paragraph.create())
    tr.replaceWith(pos + 1, pos + 1 + cell.content.size, content)
  })
}

// Cells that are chosen, as rows with tabs between their cells: what spreadsheets take.
export function asRows(selection) {
  const table = selection.$anchorCell.node(-1)
  const map = TableMap.get(table)
  const start = selection.$anchorCell.start(-1)
  const rect = map.rectBetween(selection.$anchorCell.pos - start, selection.$headCell.pos - start)
  const rows = []
  for (let row = rect.top; row < rect.bottom; row += 1) {
    const cells = []
    for (let column = rect.left; column < rect.right; column += 1) {
      const pos = map.map[row * map.width + column]
      const first = (row === 0 || map.map[(row - 1) * map.width + column] !== pos) && (column === 0 || map.map[row * map.width + column - 1] !== pos)
      cells.push(first ? table.nodeAt(pos).textBetween(0, table.nodeAt(pos).content.size, " ").replace(/[\t\n]/g, " ") : "")
    }
    rows.push(cells.join("\t"))
  }
  return rows.join("\n")
}
