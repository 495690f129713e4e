// Where something comes down: between which blocks, and the line that shows it.

// @param fits [Function] (parent, index) answers whether it may stand there
// @param within [Object, null] { from, to } that it may not come down in
// @return [Object, null] { pos, top, left, width } of the place nearest to the pointer, from the inside out
export function placeAt(view, { clientX, clientY }, fits, within = null) {
  const frame = view.dom.getBoundingClientRect()
  const style = getComputedStyle(view.dom)
  const left = Math.min(Math.max(clientX, frame.left + 4), frame.right - parseFloat(style.paddingRight) - 4)
  const found = view.posAtCoords({ left, top: Math.min(Math.max(clientY, frame.top + 2), frame.bottom - 2) })
  if (!found) return null
  const $pos = view.state.doc.resolve(found.inside >= 0 && view.state.doc.nodeAt(found.inside)?.isAtom ? found.inside : found.pos)
  if (within && $pos.pos > within.from && $pos.pos < within.to) return null
  for (let depth = $pos.depth + 1; depth > 0; depth -= 1) {
    const parent = $pos.node(depth - 1)
    const index = $pos.index(depth - 1)
    const child = parent.maybeChild(index)
    if (!child?.isBlock) continue
    const before = depth > $pos.depth ? $pos.pos : $pos.before(depth)
    const dom = view.nodeDOM(before)
    if (!dom?.getBoundingClientRect) continue
    const box = dom.getBoundingClientRect()
    const behind = clientY > box.top + box.height / 2
    if (fits(parent, behind ? index + 1 : index)) return { pos: behind ? before + child.nodeSize : before, top: behind ? box.bottom : box.top, left: box.left, width: box.width }
  }
  return atEnd(view, clientY, fits)
}

function atEnd(view, clientY, fits) {
  const { doc } = view.state
  const last = view.dom.lastElementChild?.getBoundingClientRect()
  return last && clientY > last.bottom && fits(doc, doc.childCount) ? { pos: doc.content.size, top: last.bottom, left: last.left, width: last.width } : null
}

export class PlaceLine {
  constructor(frame) {
    this.frame = frame
    this.line = Object.assign(document.createElement("div"), { className: "place-line", hidden: true })
    frame.append(this.line)
  }

  show(place) {
    this.line.hidden = !place
    if (!place) return
    const frame = this.frame.getBoundingClientRect()
    Object.assign(this.line.style, { top: `${place.top - frame.top}px`, left: `${place.left - frame.left}px`, width: `${place.width}px` })
  }

  hide() {
    this.line.hidden = true
  }

  remove() {
    this.line.remove()
  }
}
