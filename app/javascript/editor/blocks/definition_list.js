import { Node, mergeAttributes } from "@tiptap/core"
import { Selection, TextSelection } from "@tiptap/pm/state"
import { paragraph } from "./content"

// Terms with explanations.

// The nearest node of a type that the caret is in: its depth, or null.
function depthOf({ $from }, name) {
  for (let depth = $from.depth; depth > 0; depth -= 1) if ($from.node(depth).type.name === name) return depth
  return null
}

const made = (schema, type) => schema.nodeFromJSON(type === "term" ? { type } : { type, content: [paragraph] })

// Puts a term or an explanation behind the node at a depth, with the caret in it.
function follow(tr, $from, depth, type) {
  const behind = $from.after(depth)
  tr.insert(behind, made(tr.doc.type.schema, type))
  return tr.setSelection(TextSelection.near(tr.doc.resolve(behind + 1))).scrollIntoView()
}

// An empty line at the end leads out of the list, to a paragraph behind it.
function leave(tr, $from, depth) {
  const list = $from.node(depth - 1)
  const [from, behind] = [$from.before(depth), $from.after(depth - 1)]
  if (list.childCount === 1) tr.replaceWith($from.before(depth - 1), behind, tr.doc.type.schema.nodes.paragraph.create())
  else {
    tr.insert(behind, tr.doc.type.schema.nodes.paragraph.create())
    tr.delete(from, $from.after(depth))
  }
  const place = list.childCount === 1 ? $from.before(depth - 1) : tr.mapping.map(behind, -1)
  return tr.setSelection(Selection.near(tr.doc.resolve(place + 1))).scrollIntoView()
}

const last = ($from, depth) => $from.index(depth - 1) === $from.node(depth - 1).childCount - 1

// From a term to its explanation; out of the list from an empty one at its end.
const enterTerm = ({ tr, state: { selection } }) => {
  const depth = depthOf(selection, "term")
  if (!depth || !selection.empty) return false
  const { $from } = selection
  if ($from.parent.content.size === 0 && last($from, depth)) leave(tr, $from, depth)
  else if ($from.parentOffset < $from.parent.content.size) tr.split($from.pos)
  else if ($from.node(depth - 1).maybeChild($from.index(depth - 1) + 1)?.type.name === "definition") {
    tr.setSelection(Selection.near(tr.doc.resolve($from.after(depth) + 1))).scrollIntoView()
  } else follow(tr, $from, depth, "definition")
  return true
}

// An empty line at the end of an explanation becomes the next term.
const enterDefinition = ({ tr, state: { selection } }) => {
  const depth = depthOf(selection, "definition")
  if (!depth || !selection.empty || selection.$from.depth !== depth + 1) return false
  const { $from } = selection
  const node = $from.node(depth)
  if ($from.parent.type.name !== "paragraph" || $from.parent.content.size > 0 || $from.index(depth) !== node.childCount - 1) return false
  if (node.childCount === 1) return Boolean(last($from, depth) ? leave(tr, $from, depth) : null)
  tr.delete($from.before(), $from.after())
  follow(tr, tr.doc.resolve($from.before() - 1), depth, "term")
  return true
}

// An empty term that is taken back is gone; the caret is where it would have gone.
const backspace = ({ tr, state: { selection } }) => {
  const depth = depthOf(selection, "term")
  if (!depth || !selection.empty || selection.$from.parentOffset > 0) return false
  const { $from } = selection
  const list = $from.node(depth - 1)
  if ($from.parent.content.size === 0 && list.childCount > 1) {
    tr.delete($from.before(depth), $from.after(depth))
    tr.setSelection(Selection.near(tr.doc.resolve(Math.max($from.before(depth) - 1, 1)), -1)).scrollIntoView()
    return true
  }
  if ($from.index(depth - 1) > 0) return false
  tr.replaceWith($from.before(depth - 1), $from.after(depth - 1), plainly(list, tr.doc.type.schema))
  tr.setSelection(Selection.near(tr.doc.resolve($from.before(depth - 1) + 1)))
  return true
}

// What a list holds, without it: a term as a paragraph.
const plainly = (list, schema) => list.content.content.flatMap((child) => (child.type.name === "term" ? [schema.nodes.paragraph.create(null, child.content)] : child.content.content))

// To the next term or explanation, or the one before.
const step = (direction) => ({ tr, state: { selection } }) => {
  const depth = depthOf(selection, "term") ?? depthOf(selection, "definition")
  if (!depth || depthOf(selection, "list_item") > depth || depthOf(selection, "task") > depth || depthOf(selection, "table") > depth) return false
  const { $from } = selection
  const place = direction > 0 ? $from.after(depth) : $from.before(depth)
  const next = direction > 0 ? tr.doc.resolve(place).nodeAfter : tr.doc.resolve(place).nodeBefore
  if (next) tr.setSelection(Selection.near(tr.doc.resolve(place + direction), direction)).scrollIntoView()
  else if (direction > 0 && $from.node(depth).type.name === "term") follow(tr, $from, depth, "definition")
  return true
}

const part = (name, tag, keys = {}) => Node.create({
  name,
  defining: true,
  renderHTML: ({ HTMLAttributes }) => [tag, HTMLAttributes, 0],
  addKeyboardShortcuts() {
    return Object.fromEntries(Object.entries(keys).map(([key, command]) => [key, () => this.editor.commands.command(command)]))
  }
})

const list = Node.create({
  name: "definition_list",
  renderHTML: ({ HTMLAttributes }) => ["dl", mergeAttributes(HTMLAttributes, { class: "definitions" }), 0]
})

export const nodes = () => [
  list,
  part("term", "dt", { Enter: enterTerm, Backspace: backspace, Tab: step(1), "Shift-Tab": step(-1) }),
  part("definition", "dd", { Enter: enterDefinition })
]
export const inserts = { writing: { definition_list: { type: "definition_list", content: [{ type: "term" }, { type: "definition", content: [paragraph] }] } } }
