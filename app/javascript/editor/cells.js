import { Fragment, Slice } from "@tiptap/pm/model"
import { CellSelection, TableMap, handlePaste, isInTable, selectedRect } from "@tiptap/pm/tables"

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
    else if (node.isTextblock && node.type.name !== "figure") inside.push(cell.schema.nodes.paragraph.create(null, inlineOf(node)))
    else if (node.isAtom || ["figure", "gallery", "table", "columns", "passage"].includes(node.type.name)) outside.push(node)
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
export function pasteIntoTable(view, event, slice) {
  const { state } = view
  if (!isInTable(state)) return false
  const table = rowsOrCells(slice) ? slice : tableOf(slice)
  if (!table || tooMany(table)) return intoCell(view, slice)

  return handlePaste(view, event, retyped(table, state)) || intoCell(view, slice)
}

// Cells become what stands where they go: headings among headings. Columns that are new take after the row's last cell.
function retyped(slice, state) {
  const { map, table, top, left } = selectedRect(state)
  const at = (row, column) => table.nodeAt(map.map[Math.min(row, map.height - 1) * map.width + Math.min(column, map.width - 1)])?.type
  const cells = (row, y) => {
    let x = 0
    return row.content.content.map((cell) => {
      const type = at(top + y, left + x) ?? cell.type
      x += cell.attrs.colspan
      return type.create(cell.attrs, cell.content, cell.marks)
    })
  }
  let y = -1
  const fragment = (content) => Fragment.from(content.content.map((node) => {
    if (node.type.name === "table") return node.copy(fragment(node.content))
    y += 1
    return node.type.name === "row" ? node.copy(Fragment.from(cells(node, y))) : node
  }))
  return rowsOrCells(slice) || slice.content.firstChild.type.name === "table" ? new Slice(fragment(slice.content), slice.openStart, slice.openEnd) : slice
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
