import assert from "node:assert/strict"
import test from "node:test"
import { Fragment, Slice } from "@tiptap/pm/model"
import { EditorState, TextSelection } from "@tiptap/pm/state"
import { CellSelection, TableMap, tableEditing } from "@tiptap/pm/tables"
import { asRows, pasteIntoTable } from "../../app/javascript/editor/cells"
import { SEED, numbers } from "./generated"
import schema from "./schema"

const { doc, table, row, cell, header_cell: header, paragraph, heading, bullet_list: list, list_item: item, notice, figure } = schema.nodes
const line = (text) => paragraph.create(null, text ? schema.text(text) : null)

// A table of words; a heading row if asked for.
function tableOf(words, { headed = false } = {}) {
  return table.create(null, words.map((cells, y) => row.create(null, cells.map((text) => (headed && y === 0 ? header : cell).create(null, line(text))))))
}

function viewOf(target, before = "Before.") {
  const start = doc.create(null, [line(before), target, line("After.")])
  const view = { state: EditorState.create({ doc: start, plugins: [tableEditing()] }), dispatch: (tr) => { view.state = view.state.apply(tr) } }
  return view
}

const tableIn = ({ state }) => {
  let found = null
  state.doc.descendants((node, pos) => { if (!found && node.type === table) found = { node, pos } })
  return found
}

function into(view, y, x) {
  const { node, pos } = tableIn(view)
  const map = TableMap.get(node)
  const at = pos + 1 + map.map[y * map.width + x]
  view.dispatch(view.state.tr.setSelection(TextSelection.near(view.state.doc.resolve(at + 2))))
}

const wordsOf = (node) => {
  const map = TableMap.get(node)
  return Array.from({ length: map.height }, (_y, y) => Array.from({ length: map.width }, (_x, x) => node.nodeAt(map.map[y * map.width + x]).textContent))
}

const gridOf = (height, width, sign) => Array.from({ length: height }, (_row, y) => Array.from({ length: width }, (_cell, x) => `${sign}${y}.${x}`))

const paste = (view, content) => pasteIntoTable(view, new Slice(Fragment.from(content), 0, 0))

test("pasted rows fill cells from the caret on, and the table grows as a plain grid would", () => {
  const number = numbers(SEED)
  for (let run = 0; run < 300; run += 1) {
    const [width, pastedWidth] = [1 + number(5), 1 + number(4)]
    const words = gridOf(1 + number(5), width, "")
    const given = gridOf(1 + number(4), pastedWidth, "p")
    const [y, x] = [number(words.length), number(width)]

    const wanted = Array.from({ length: Math.max(words.length, y + given.length) }, (_r, r) => Array.from({ length: Math.max(width, x + pastedWidth) }, (_c, c) => given[r - y]?.[c - x] ?? words[r]?.[c] ?? ""))
    const view = viewOf(tableOf(words, { headed: number(2) === 0 }))
    into(view, y, x)
    assert.ok(paste(view, tableOf(given, { headed: number(2) === 0 })))
    assert.deepEqual(wordsOf(tableIn(view).node), wanted, `SEED=${SEED}`)
    assert.equal(TableMap.get(tableIn(view).node).problems, null, `SEED=${SEED}`)
    assert.equal(view.state.doc.childCount, 3)
    view.state.doc.check()
  }
})

// A table with some neighbours merged.
function spanned(number) {
  const [height, width] = [2 + number(4), 2 + number(4)]
  const taken = Array.from({ length: height }, () => Array(width).fill(false))
  const rows = taken.map((_row, y) => {
    const cells = []
    for (let x = 0; x < width; x += 1) {
      if (taken[y][x]) continue
      let [colspan, rowspan] = [1 + number(2), 1 + number(2)]
      while (colspan > 1 && (x + colspan > width || taken[y][x + 1])) colspan -= 1
      while (rowspan > 1 && y + rowspan > height) rowspan -= 1
      for (let r = y; r < y + rowspan; r += 1) for (let c = x; c < x + colspan; c += 1) taken[r][c] = true
      cells.push(cell.create({ colspan, rowspan }, line(`${y}.${x}`)))
    }
    return cells
  })
  return rows.every((cells) => cells.length) ? table.create(null, rows.map((cells) => row.create(null, cells))) : spanned(number)
}

test("merged cells are parted where something is pasted over some of them, and no other cell loses its words", () => {
  const number = numbers(SEED)
  for (let run = 0; run < 300; run += 1) {
    const target = spanned(number)
    const map = TableMap.get(target)
    const width = 1 + number(3)
    const cells = gridOf(1 + number(3), width, "p")
    const view = viewOf(target)
    const [wantedY, wantedX] = [number(map.height), number(map.width)]
    into(view, wantedY, wantedX)
    const { left: x, top: y } = map.findCell(map.map[wantedY * map.width + wantedX])
    const kept = [...new Set(map.map)].map((pos) => map.findCell(pos)).filter((box) => box.left < x || box.top < y || box.left >= x + width || box.top >= y + cells.length)
    assert.ok(paste(view, tableOf(cells)))
    const { node } = tableIn(view)
    const after = wordsOf(node)
    cells.forEach((texts, r) => texts.forEach((text, c) => assert.equal(after[y + r][x + c], text, `SEED=${SEED}`)))
    for (const box of kept) assert.equal(after[box.top][box.left], `${box.top}.${box.left}`, `SEED=${SEED}`)
    assert.equal(TableMap.get(node).problems, null, `SEED=${SEED}`)
    view.state.doc.check()
  }
})

test("a heading row stays one, and pasted headings become cells below it", () => {
  const view = viewOf(tableOf([["Stage", "Grit"], ["Vikness", "2"]], { headed: true }))
  into(view, 1, 0)
  paste(view, tableOf([["Aldermoor", "3", "new"], ["Old Slip", "1", "new"]], { headed: true }))
  const types = tableIn(view).node.content.content.map((each) => each.content.content.map(({ type }) => type.name))
  assert.deepEqual(types, [["header_cell", "header_cell", "header_cell"], ["cell", "cell", "cell"], ["cell", "cell", "cell"]])
})

test("text, lists and pictures go into the cell; what a cell cannot hold stands behind the table", () => {
  const view = viewOf(tableOf([["one", "two"], ["three", "four"]]))
  into(view, 0, 0)
  paste(view, [heading.create({ level: 2 }, schema.text("Head")), list.create(null, item.create(null, line("point"))), notice.create(null, line("mind")), figure.create({ file: "abcdefghij" }), table.create(null, [row.create(null, [cell.create(null, line("within"))])])])
  const { node } = tableIn(view)
  assert.deepEqual(wordsOf(node), [["Headpointmindone", "two"], ["three", "four"]])
  assert.deepEqual(view.state.doc.content.content.map(({ type }) => type.name), ["paragraph", "table", "table", "paragraph"])
  assert.deepEqual(node.firstChild.firstChild.content.content.map(({ type }) => type.name), ["paragraph", "bullet_list", "paragraph", "figure", "paragraph"])
  view.state.doc.check()
})

test("several chosen cells are filled again and again, and copied as rows with tabs", () => {
  const view = viewOf(tableOf([["a", "b", "c"], ["d", "e", "f"]]))
  const { node, pos } = tableIn(view)
  const map = TableMap.get(node)
  view.dispatch(view.state.tr.setSelection(CellSelection.create(view.state.doc, pos + 1 + map.map[0], pos + 1 + map.map[4])))
  assert.equal(asRows(view.state.selection), "a\tb\nd\te")
  paste(view, tableOf([["x"]]))
  assert.deepEqual(wordsOf(tableIn(view).node), [["x", "x", "c"], ["x", "x", "f"]])
})

test("what is pasted may have merged cells itself", () => {
  const number = numbers(SEED)
  for (let run = 0; run < 200; run += 1) {
    const view = viewOf(spanned(number))
    const map = TableMap.get(tableIn(view).node)
    into(view, number(map.height), number(map.width))
    const given = spanned(number)
    assert.ok(paste(view, given))
    const { node } = tableIn(view)
    for (const word of new Set(wordsOf(given).flat())) assert.ok(wordsOf(node).flat().includes(word), `SEED=${SEED}`)
    assert.equal(TableMap.get(node).problems, null, `SEED=${SEED}`)
    view.state.doc.check()
  }
})

test("outside of a table nothing is taken", () => {
  const view = viewOf(tableOf([["a"]]))
  view.dispatch(view.state.tr.setSelection(TextSelection.create(view.state.doc, 2)))
  assert.equal(paste(view, tableOf([["x"]])), false)
})
