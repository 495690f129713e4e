// A heading with all that stands under it: up to the next heading of its level or above it, among the same blocks.

export const isHeading = (node) => node?.type.name === "heading"

// @param parent [Node] that holds the blocks
// @param index [Number] of the heading
// @return [Number] the index behind the last block of its section
export function sectionEnd(parent, index) {
  const { level } = parent.child(index).attrs
  for (let at = index + 1; at < parent.childCount; at += 1) {
    if (isHeading(parent.child(at)) && parent.child(at).attrs.level <= level) return at
  }
  return parent.childCount
}

// Where a section comes to stand when it is moved by one among the sections it stands with: above the one before it,
// or below the one behind it. Beside a heading above its own level it steps into or out of what stands there.
//
// @param step [Number] -1 up, 1 down
// @return [Number, null] the index before which it comes to stand, counted with it where it is; null if it cannot
export function sectionStep(parent, index, step) {
  const { level } = parent.child(index).attrs
  const end = sectionEnd(parent, index)
  if (step > 0) {
    if (end === parent.childCount) return null
    if (parent.child(end).attrs.level === level) return sectionEnd(parent, end)
    for (let at = end + 1; at < parent.childCount; at += 1) if (isHeading(parent.child(at))) return at
    return parent.childCount
  }
  for (let at = index - 1; at >= 0; at -= 1) {
    if (isHeading(parent.child(at)) && parent.child(at).attrs.level <= level) return at
  }
  return null
}

// @return [Number] the place before the index-th block of a parent whose content starts at start
export function placeOf(parent, start, index) {
  let place = start
  for (let at = 0; at < index; at += 1) place += parent.child(at).nodeSize
  return place
}

// @return [Object, null] { from, to, nodes } of the section whose heading stands at pos
export function sectionAt(doc, pos) {
  const $pos = doc.resolve(pos)
  const { parent } = $pos
  const index = $pos.index()
  if (!isHeading(parent.maybeChild(index))) return null
  const end = sectionEnd(parent, index)
  return { from: pos, to: placeOf(parent, $pos.start(), end), parent, index, end, start: $pos.start() }
}
