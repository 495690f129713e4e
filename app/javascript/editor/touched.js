import { Extension } from "@tiptap/core"
import { Plugin, PluginKey } from "@tiptap/pm/state"
import { Decoration, DecorationSet } from "@tiptap/pm/view"

// Blocks of a long text need not be laid out while they are far from the window (text.css), so that it opens, and takes a
// letter, sooner. That holds for those that nobody has touched since: a browser may lose the caret in a new block that it has
// not laid out yet.

const LONG = 60 // blocks

// @param known [DecorationSet] the blocks touched before a transaction
// @return [DecorationSet] and those that it changed
function touched(known, { mapping, doc }) {
  let all = known.map(mapping, doc)
  const touch = (node, pos) => {
    const end = pos + node.nodeSize
    if (!all.find(pos, end).some(({ from, to }) => from === pos && to === end)) all = all.add(doc, [Decoration.node(pos, end, { class: "touched" })])
    return false
  }
  mapping.maps.forEach((map, i) => {
    const rest = mapping.slice(i + 1)
    map.forEach((_from, _to, from, to) => doc.nodesBetween(Math.max(rest.map(from, -1) - 1, 0), Math.min(rest.map(to, 1) + 1, doc.content.size), touch))
  })
  return all
}

export const touching = () => new Plugin({
  key: new PluginKey("touched"),
  state: { init: () => DecorationSet.empty, apply: (tr, known) => (tr.docChanged ? touched(known, tr) : known) },
  props: { decorations(state) { return this.getState(state) } }
})

// @param element [Element] that holds the editor
// @param content [Object] the document that it is opened with
export default (element, content) => {
  const long = content.content.length >= LONG
  element.classList.toggle("writing-long", long)

  return Extension.create({ name: "touched", addProseMirrorPlugins: () => (long ? [touching()] : []) })
}
