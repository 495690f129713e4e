import { Extension } from "@tiptap/core"
import { Plugin, PluginKey } from "@tiptap/pm/state"
import { Decoration, DecorationSet } from "@tiptap/pm/view"

export const key = new PluginKey("noted")

// How many letters a node of a line counts for, as the house counts.
function lengthOf(node) {
  if (node.isText) return node.text.length
  if (node.type.name === "hard_break") return 1
  return node.type.name === "date" ? (node.attrs.date ?? "").length : 0
}

const eachLine = (doc, act) => doc.descendants((node, pos) => {
  if (node.isTextblock) act(node, pos)
  return !node.isTextblock
})

// Where in the text a place is that is told by a block and letters.
// @return [{ from, to }, null]
export function positions(doc, { block, start, length }) {
  const all = []
  eachLine(doc, (node, pos) => all.push({ node, pos }))
  let at = all.findIndex(({ node }) => node.attrs.id === block)
  if (at < 0) return null
  const place = ({ node, pos }, letters, end) => {
    let counted = 0, found = null
    node.forEach((child, offset) => {
      const size = lengthOf(child)
      if (found === null && (end ? letters <= counted + size : letters < counted + size)) found = pos + 1 + offset + (child.isText ? letters - counted : end ? child.nodeSize : 0)
      counted += size
    })
    return found ?? pos + 1 + node.content.size
  }
  const count = ({ node }) => node.children.reduce((sum, child) => sum + lengthOf(child), 0)
  const from = place(all[at], start, false)
  let rest = start + length
  while (at + 1 < all.length && rest > count(all[at])) rest -= count(all[at++]) + 1
  return { from, to: place(all[at], Math.max(rest, 0), true) }
}

// What is chosen, told the same way.
export function pointed(state) {
  const { from, to, empty } = state.selection
  if (empty) return null
  const lines = []
  eachLine(state.doc, (node, pos) => { if (pos + 1 <= to && pos + 1 + node.content.size >= from) lines.push({ node, pos }) })
  const letters = ({ node, pos }, until) => {
    let counted = 0
    node.forEach((child, offset) => {
      const begins = pos + 1 + offset
      if (begins >= until) return
      counted += child.isText ? Math.min(child.text.length, until - begins) : lengthOf(child)
    })
    return counted
  }
  const first = lines[0], last = lines.at(-1)
  if (!first?.node.attrs.id) return null
  const start = letters(first, from)
  const length = lines.reduce((sum, line) => sum + letters(line, line === last ? to : Infinity) + (line === last ? 0 : 1), 0) - start
  return length > 0 ? { block: first.node.attrs.id, start, length, quote: state.doc.textBetween(from, to, "\n", ""), one: first === last } : null
}

function decorate(doc, notes, here) {
  return DecorationSet.create(doc, notes.flatMap((note) => {
    const spec = { remark: note.remark }
    const classes = `noted noted-${note.kind}${note.remark === here ? " noted-here" : ""}`
    if (note.start !== undefined) {
      const place = positions(doc, { block: note.block, start: Number(note.start), length: Number(note.length) })
      return place && place.to > place.from ? [Decoration.inline(place.from, place.to, { class: classes, "data-mark": note.remark }, spec)] : []
    }
    const found = []
    doc.descendants((node, pos) => { if (node.attrs.id === note.block) found.push(Decoration.node(pos, pos + node.nodeSize, { class: "noted-block", "data-mark": note.remark }, spec)) })
    return found.slice(0, 1)
  }))
}

// Marks what notes stand on, and keeps that in place while one writes.
export default Extension.create({
  name: "noted",
  addProseMirrorPlugins: () => [new Plugin({
    key,
    state: {
      init: () => DecorationSet.empty,
      apply: (tr, set, _before, state) => {
        const given = tr.getMeta(key)
        return given ? decorate(state.doc, given.notes, given.here) : set.map(tr.mapping, tr.doc)
      }
    },
    props: { decorations: (state) => key.getState(state) }
  })]
})
