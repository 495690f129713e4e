import { lines } from "./places"

// Puts what is in a stretch of a text into elements of their own, one for each piece of it.
//
// @param root [Element] the text
// @param range [Range]
// @param make [Function] gives an element for each
// @param anywhere [Boolean] whether what is shown live counts too
// @return [Array<Element>]
export function wrapped(root, range, make, anywhere = false) {
  const nodes = []
  const first = range.commonAncestorContainer
  const walker = document.createTreeWalker(first, NodeFilter.SHOW_TEXT)
  if (first.nodeType === Node.TEXT_NODE) nodes.push(first)
  else while (walker.nextNode()) if (range.intersectsNode(walker.currentNode) && (anywhere || lines(root).some((line) => line.contains(walker.currentNode)))) nodes.push(walker.currentNode)
  const { startContainer, startOffset, endContainer, endOffset } = range
  return nodes.flatMap((node) => {
    const from = node === startContainer ? startOffset : 0
    const to = node === endContainer ? endOffset : node.length
    if (to <= from || !node.data.slice(from, to).trim()) return []
    const inner = document.createRange()
    inner.setStart(node, from)
    inner.setEnd(node, to)
    const element = make()
    inner.surroundContents(element)
    return [element]
  })
}

// Takes such elements out again; what is in them stays.
export function unwrap(element) {
  const parent = element.parentNode
  element.replaceWith(...element.childNodes)
  parent.normalize()
}
