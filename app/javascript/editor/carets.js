import { TextSelection } from "@tiptap/pm/state"

// Where somebody left off in a page, by the block and the place in it, so that writing goes on there.

const STORE = "carets"
const MOST = 50 // pages

const all = () => { try { return JSON.parse(localStorage.getItem(STORE) ?? "{}") } catch { return {} } }

export function rememberCaret(key, { selection, doc }) {
  const $head = selection.$head
  for (let depth = $head.depth; depth > 0; depth -= 1) {
    const { id } = $head.node(depth).attrs
    if (!id) continue
    const { [key]: _, ...others } = all()
    const kept = Object.entries(others).slice(-(MOST - 1))
    const atEnd = $head.pos >= doc.content.size - 1
    return localStorage.setItem(STORE, JSON.stringify(Object.fromEntries([...kept, [key, atEnd ? null : { id, at: $head.pos - $head.start(depth) }]])))
  }
  return null
}

// The selection to begin with: where one left off, else on the first blank that is to be filled in, else at the end.
// @param asked [String, undefined] the id of a block that an address names
export function firstSelection(key, doc, asked) {
  const left = asked ? { id: asked, at: 0 } : all()[key]
  let found = null
  let blank = null
  doc.descendants((node, pos) => {
    if (left && node.attrs.id === left.id) found = Math.min(pos + 1 + left.at, pos + node.nodeSize - 1)
    if (!blank && node.isText && node.marks.some((mark) => mark.type.name === "blank")) blank = { from: pos, to: pos + node.nodeSize }
    return found === null
  })
  if (found !== null) return TextSelection.near(doc.resolve(found))
  if (blank && left === undefined) return TextSelection.create(doc, blank.from, blank.to)
  return TextSelection.atEnd(doc)
}
