// Where in what is shown a stretch of a text stands, counted as the house counts: what is filled in at each view (names, titles,
// numbers of notes) counts for nothing, a day for the letters that it is kept in, a line's end for one.

const NOTHING = ".mention, .footnote, .cite, .cite-gone, .leaf-title, .sr-only, .link-gone-mark, .task-box, .task-facts, button, img, .noted-words, .since-words"
const OWN = /^b-[a-z0-9]{8}$/
const ANY = /^b-(?:[a-z0-9]{8}-)*[a-z0-9]{8}$/ // of what is shown live too

// @return [Array<{ node, from, length, whole }>] what the line of a block is made of
export function pieces(block) {
  const line = block.matches("figure") ? block.querySelector("figcaption") : block
  if (!line) return []
  const found = []
  let from = 0
  const put = (node, length, whole) => { found.push({ node, from, length, whole }); from += length }
  const walk = (node) => {
    if (node.nodeType === Node.TEXT_NODE) return put(node, node.data.length, false)
    if (node.nodeType !== Node.ELEMENT_NODE || node.matches(NOTHING)) return null
    if (node.matches("time.date")) return put(node, node.dateTime.length, true)
    if (node.matches("br")) return put(node, 1, true)
    return node.childNodes.forEach(walk)
  }
  line.childNodes.forEach(walk)
  return found
}

const sum = (found) => found.reduce((all, { length }) => all + length, 0)

// The blocks of a text that hold words themselves, in order; its own, or all that are shown in it.
export function lines(root, which = OWN) {
  return [...root.querySelectorAll("[id^='b-']")].filter((block) => which.test(block.id) && ![...block.querySelectorAll("[id^='b-']")].some((inner) => which.test(inner.id)))
}

// @param within [String, undefined] the page that it stands in, if that is shown live here
// @return [Element, null]
export function blockOf(root, id, within) {
  return within ? root.querySelector(`[data-insert="${within}"] [id$="-${id}"]`) : document.getElementById(`b-${id}`)
}

function point(block, at, end) {
  const found = pieces(block)
  const piece = found.find(({ from, length }) => (end ? from < at && at <= from + length : from <= at && at < from + length)) ?? found.at(-1)
  if (!piece) return null
  if (piece.whole) return end ? ["setEndAfter", piece.node] : ["setStartBefore", piece.node]
  return [end ? "setEnd" : "setStart", piece.node, Math.min(at - piece.from, piece.length)]
}

// @return [Range, null]
export function rangeOf(root, id, start, length, within) {
  const all = lines(root, within ? ANY : OWN)
  let at = all.indexOf(blockOf(root, id, within))
  if (at < 0) return null
  const range = document.createRange()
  const from = point(all[at], start, false)
  let rest = start + length
  while (at + 1 < all.length && rest > sum(pieces(all[at]))) rest -= sum(pieces(all[at++])) + 1
  const to = point(all[at], Math.max(rest, 0), true)
  if (!from || !to) return null
  for (const [act, ...given] of [from, to]) range[act](...given)
  return range
}

function count(block, node, offset) {
  const end = document.createRange()
  end.setStart(block, 0)
  end.setEnd(node, offset)
  return pieces(block).reduce((all, piece) => {
    if (!end.intersectsNode(piece.node)) return all
    if (piece.node === node) return all + Math.min(offset, piece.length)
    const rest = document.createRange()
    rest.selectNode(piece.node)
    return end.compareBoundaryPoints(Range.END_TO_END, rest) >= 0 ? all + piece.length : all
  }, 0)
}

// What of a text is marked.
// @return [{ block, start, length, quote }, null]
export function marked(root) {
  const selection = document.getSelection()
  if (!selection.rangeCount || selection.isCollapsed) return null
  const range = selection.getRangeAt(0)
  if (!root.contains(range.startContainer) || !root.contains(range.endContainer)) return null
  const touched = lines(root).filter((block) => range.intersectsNode(block) && pieces(block).some(({ node }) => range.intersectsNode(node)))
  const inside = (block, node) => block.contains(node)
  const first = touched[0], last = touched.at(-1)
  if (!first) return null
  const start = inside(first, range.startContainer) ? count(first, range.startContainer, range.startOffset) : 0
  const end = inside(last, range.endContainer) ? count(last, range.endContainer, range.endOffset) : sum(pieces(last))
  const length = first === last ? end - start : touched.slice(0, -1).reduce((all, block) => all + sum(pieces(block)) + 1, 0) - start + end
  if (length <= 0) return null
  return { block: first.id.slice(2), start, length, quote: range.toString(), one: first === last }
}
