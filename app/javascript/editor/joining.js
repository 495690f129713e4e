import { ownBlocks } from "./last_line"
import { asTheirs } from "./theirs"

const byId = (nodes) => new Map(nodes.filter(({ attrs }) => attrs.id).map((node) => [node.attrs.id, node]))

// Places of the longest rising run.
function rising(numbers) {
  const ends = [], before = []
  numbers.forEach((number, i) => {
    let low = 0, high = ends.length
    while (low < high) {
      const middle = (low + high) >> 1
      if (numbers[ends[middle]] < number) low = middle + 1
      else high = middle
    }
    before[i] = ends[low - 1]
    ends[low] = i
  })
  const run = []
  for (let i = ends.at(-1); i !== undefined; i = before[i]) run.unshift(i)
  return run
}

// The blocks that are to stand there: what others changed is taken in, what has been written here since stays.
function wanted(own, from, to) {
  const here = byId(own), was = byId(from), there = byId(to)
  let all = true
  const found = to.flatMap((node) => {
    const mine = here.get(node.attrs.id), old = was.get(node.attrs.id)
    if (!mine) return old?.eq(node) ? [] : [node]
    if (old ? mine.eq(old) : mine.eq(node)) return [node]
    if (!old?.eq(node)) all = false
    return [mine]
  })
  own.forEach((node, i) => {
    if (there.has(node.attrs.id) || was.get(node.attrs.id)?.eq(node)) return
    found.splice(found.indexOf(found.findLast((each) => each.attrs.id === own[i - 1]?.attrs.id)) + 1, 0, node)
  })
  return { found, all }
}

// As little as can be is replaced, so that the caret and what is chosen stay where they are.
function change(tr, pos, node, next) {
  if (node.type !== next.type || node.isLeaf) return tr.replaceWith(pos, pos + node.nodeSize, next)

  const start = node.content.findDiffStart(next.content)
  if (start !== null) {
    let { a, b } = node.content.findDiffEnd(next.content)
    const overlap = start - Math.min(a, b)
    if (overlap > 0) [a, b] = [a + overlap, b + overlap]
    tr.replace(pos + 1 + start, pos + 1 + a, next.slice(start, b))
  }
  return node.sameMarkup(next) ? tr : tr.setNodeMarkup(pos, null, next.attrs)
}

// Brings a text that came of joining onto the screen, block by block.
//
// @param from [Object] the document that was joined with what others wrote
// @param to [Object] what came of it
// @return [Boolean] whether all of it is there; what has been changed here and there meanwhile is not
export function joinInto(editor, from, to) {
  const { state } = editor, own = ownBlocks(state)
  const [before, after] = [from, to].map((document) => state.schema.nodeFromJSON(document).content.content)
  const { found, all } = wanted(own, before, after)
  const places = new Map(found.map(({ attrs }, i) => [attrs.id, i]))
  const common = own.map((_node, i) => i).filter((i) => own[i].attrs.id && places.has(own[i].attrs.id))
  const kept = rising(common.map((i) => places.get(own[i].attrs.id))).map((i) => common[i])
  const starts = own.reduce((list, node) => [...list, list.at(-1) + node.nodeSize], [0])
  const bounds = [[-1, -1], ...kept.map((i) => [i, places.get(own[i].attrs.id)]), [own.length, found.length]]
  const { tr } = state
  for (let n = bounds.length - 1; n > 0; n -= 1) {
    const [[i, j], [next, place]] = [bounds[n - 1], bounds[n]]
    if (next < own.length && !own[next].eq(found[place])) change(tr, starts[next], own[next], found[place])
    const put = found.slice(j + 1, place)
    if (next - i > 1 || put.length) tr.replaceWith(starts[i + 1], starts[next], put)
  }
  if (tr.docChanged) editor.view.dispatch(asTheirs(tr).setMeta("addToHistory", false).setMeta("preventUpdate", true))
  return all
}
