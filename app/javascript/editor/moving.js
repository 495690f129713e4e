import { Extension } from "@tiptap/core"
import { closeHistory } from "@tiptap/pm/history"
import { NodeSelection, Plugin, PluginKey, Selection, TextSelection } from "@tiptap/pm/state"

// Moving blocks among those they stand beside: by Alt with the arrows, and by a handle beside the block.

const FIXED = ["row", "cell", "header_cell", "column", "doc"]

// The block around a place that has others beside it, from the inside out; at least the outermost.
export function blockAround($pos) {
  for (let depth = $pos.depth; depth > 0; depth -= 1) {
    const parent = $pos.node(depth - 1)
    if (!FIXED.includes($pos.node(depth).type.name) && (parent.childCount > 1 || depth === 1)) return { pos: $pos.before(depth), node: $pos.node(depth), parent, index: $pos.index(depth - 1) }
  }
  return null
}

function around(selection) {
  return selection instanceof NodeSelection && selection.node.isBlock
    ? { pos: selection.from, node: selection.node, parent: selection.$from.parent, index: selection.$from.index() }
    : blockAround(selection.$from)
}

// Changes places with the block before or behind it; the selection goes along.
export function move(step) {
  return ({ state, dispatch, tr }) => {
    const block = around(state.selection)
    const other = block && block.parent.maybeChild(block.index + step)
    if (!other) return false
    if (!dispatch) return true

    const to = step < 0 ? block.pos - other.nodeSize : block.pos + other.nodeSize
    const { anchor, head } = state.selection
    closeHistory(tr) // each step is undone by itself
    tr.delete(block.pos, block.pos + block.node.nodeSize).insert(to, block.node)
    tr.setSelection(state.selection instanceof NodeSelection ? NodeSelection.create(tr.doc, to) : TextSelection.create(tr.doc, anchor + to - block.pos, head + to - block.pos))
    tr.scrollIntoView()
    return true
  }
}

class Handle {
  constructor(view, { words, onMenu }) {
    Object.assign(this, { view, onMenu })
    this.button = Object.assign(document.createElement("button"), { type: "button", className: "block-handle", draggable: true, tabIndex: -1, hidden: true, title: words.handle })
    this.button.setAttribute("aria-label", words.handle)
    this.button.append(drawing())
    this.button.addEventListener("dragstart", (event) => this.drag(event))
    this.button.addEventListener("mousedown", () => this.select())
    this.button.addEventListener("click", () => this.onMenu(this.button))
    this.over = (event) => this.follow(event)
    view.dom.parentElement.append(this.button)
    view.dom.parentElement.addEventListener("mousemove", this.over)
  }

  // Beside the block that the pointer is at the height of.
  follow(event) {
    if (event.buttons || this.button.contains(event.target)) return
    const frame = this.view.dom.getBoundingClientRect()
    const found = this.view.posAtCoords({ left: Math.max(event.clientX, frame.left + 4), top: event.clientY })
    const block = found && blockAround(this.view.state.doc.resolve(found.inside >= 0 ? Math.max(found.pos, found.inside) : found.pos))
    const dom = block && this.view.nodeDOM(block.pos)
    if (!dom?.getBoundingClientRect) return
    this.pos = block.pos
    const box = dom.getBoundingClientRect()
    this.button.hidden = false
    this.button.style.top = `${box.top - this.view.dom.parentElement.getBoundingClientRect().top + 3}px`
  }

  select() {
    if (this.pos >= this.view.state.doc.content.size) return
    this.view.focus()
    this.view.dispatch(this.view.state.tr.setSelection(NodeSelection.create(this.view.state.doc, this.pos)))
  }

  drag(event) {
    this.select()
    const slice = this.view.state.selection.content()
    event.dataTransfer.setData("text/plain", slice.content.textBetween(0, slice.content.size, "\n"))
    event.dataTransfer.effectAllowed = "move"
    this.view.dragging = { slice, move: true }
  }

  update() {
    if (this.pos > this.view.state.doc.content.size) this.button.hidden = true
  }

  destroy() {
    this.view.dom.parentElement?.removeEventListener("mousemove", this.over)
    this.button.remove()
  }
}

// Six dots.
function drawing() {
  const svg = document.createElementNS("http://www.w3.org/2000/svg", "svg")
  Object.entries({ viewBox: "0 0 12 20", width: 12, height: 20, fill: "currentColor", "aria-hidden": true }).forEach(([name, value]) => svg.setAttribute(name, value))
  for (const x of [3, 9]) {
    for (const y of [4, 10, 16]) {
      const dot = document.createElementNS("http://www.w3.org/2000/svg", "circle")
      Object.entries({ cx: x, cy: y, r: 1.6 }).forEach(([name, value]) => dot.setAttribute(name, value))
      svg.append(dot)
    }
  }
  return svg
}

export default (words, onMenu) => Extension.create({
  name: "moving",
  priority: 200,
  addKeyboardShortcuts() {
    return {
      "Alt-ArrowUp": () => this.editor.commands.command(move(-1)) || true,
      "Alt-ArrowDown": () => this.editor.commands.command(move(1)) || true
    }
  },
  addProseMirrorPlugins: () => [new Plugin({ key: new PluginKey("moving"), view: (view) => new Handle(view, { words, onMenu }) })]
})

export function remove({ state, tr, dispatch }) {
  const block = around(state.selection)
  if (!block) return false
  if (dispatch) {
    tr.delete(block.pos, block.pos + block.node.nodeSize)
    tr.setSelection(Selection.near(tr.doc.resolve(Math.min(block.pos, tr.doc.content.size))))
  }
  return true
}
