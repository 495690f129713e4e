import { Extension } from "@tiptap/core"
import { closeHistory } from "@tiptap/pm/history"
import { NodeSelection, TextSelection } from "@tiptap/pm/state"
import { placeOf, sectionAt, sectionStep, isHeading } from "./sections"

// Moving blocks among those they stand beside: by Alt with the arrows; with Shift a heading takes along all under it.

const FIXED = ["row", "cell", "header_cell", "column", "doc"]

// The block around a place that has others beside it, from the inside out; at least the outermost.
export function blockAround($pos) {
  for (let depth = $pos.depth; depth > 0; depth -= 1) {
    const parent = $pos.node(depth - 1)
    if (!FIXED.includes($pos.node(depth).type.name) && (parent.childCount > 1 || depth === 1)) return { pos: $pos.before(depth), node: $pos.node(depth), parent, index: $pos.index(depth - 1) }
  }
  return null
}

export function around(selection) {
  return selection instanceof NodeSelection && selection.node.isBlock
    ? { pos: selection.from, node: selection.node, parent: selection.$from.parent, index: selection.$from.index() }
    : blockAround(selection.$from)
}

// Takes what stands from one place to another to before a third, in one step that is undone by itself. The selection goes
// along with what it was in.
export function moveRange(tr, from, to, place) {
  if (place >= from && place <= to) return null
  const { selection } = tr
  const slice = tr.doc.slice(from, to)
  const inside = selection.from >= from && selection.to <= to
  const at = place > to ? place - (to - from) : place
  closeHistory(tr)
  tr.delete(from, to).insert(at, slice.content)
  if (inside) {
    const by = at - from
    tr.setSelection(selection instanceof NodeSelection ? NodeSelection.create(tr.doc, selection.from + by) : TextSelection.create(tr.doc, selection.anchor + by, selection.head + by))
  }
  return tr.scrollIntoView()
}

// Changes places with the block before or behind it; the selection goes along.
export function move(step) {
  return ({ state, dispatch, tr }) => {
    const block = around(state.selection)
    const other = block && block.parent.maybeChild(block.index + step)
    if (!other) return false
    const end = block.pos + block.node.nodeSize
    if (dispatch) moveRange(tr, block.pos, end, step < 0 ? block.pos - other.nodeSize : end + other.nodeSize)
    return true
  }
}

// The heading of the caret's section, with all that stands under it.
export function moveSection(step) {
  return ({ state, dispatch, tr }) => {
    const heading = headingAbove(state)
    const section = heading !== null && sectionAt(state.doc, heading)
    const index = section ? sectionStep(section.parent, section.index, step) : null
    if (index === null) return false
    if (dispatch) moveRange(tr, section.from, section.to, placeOf(section.parent, section.start, index))
    return true
  }
}

function headingAbove({ selection }) {
  const block = around(selection)
  if (!block) return null
  let pos = block.pos
  for (let index = block.index; index >= 0; index -= 1) {
    const node = block.parent.child(index)
    if (index < block.index) pos -= node.nodeSize
    if (isHeading(node)) return pos
  }
  return null
}

export function remove({ state, tr, dispatch }) {
  const block = around(state.selection)
  if (!block) return false
  if (dispatch) {
    tr.delete(block.pos, block.pos + block.node.nodeSize)
    tr.setSelection(TextSelection.near(tr.doc.resolve(Math.min(block.pos, tr.doc.content.size))))
  }
  return true
}

export default Extension.create({
  name: "moving",
  priority: 200,
  addKeyboardShortcuts() {
    const run = (command) => () => this.editor.commands.command(command) || true
    return { "Alt-ArrowUp": run(move(-1)), "Alt-ArrowDown": run(move(1)), "Alt-Shift-ArrowUp": run(moveSection(-1)), "Alt-Shift-ArrowDown": run(moveSection(1)) }
  }
})
