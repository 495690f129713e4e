import { Extension } from "@tiptap/core"
import { Fragment, Slice } from "@tiptap/pm/model"
import { Plugin, PluginKey } from "@tiptap/pm/state"

// Undoing takes back what one has written oneself, and no word of others: what came from them into the midst of it is put
// where it was.

const key = new PluginKey("theirs")
const HISTORY = "history$" // what a transaction of undoing is known by
const DISPUTED = ["double", "kept"]
const LEAF = "\ufffc"

// Marks what a transaction puts in as others' words.
export const asTheirs = (tr, ranges) => tr.setMeta(key, { ranges })

const alike = (one, other) => {
  let at = 0
  while (at < one.length && one[at] === other[at]) at += 1
  return at
}

// Of words that took the place of others, those that are new.
function renewed(before, after, [oldStart, oldEnd, newStart, newEnd]) {
  if (oldStart === oldEnd) return [newStart, newEnd]
  const $from = before.resolve(oldStart)
  if (!$from.parent.inlineContent || !$from.sameParent(before.resolve(oldEnd))) return null
  const [was, is] = [before.textBetween(oldStart, oldEnd, "", LEAF), after.textBetween(newStart, newEnd, "", LEAF)]
  if (is.length !== newEnd - newStart || was.length !== oldEnd - oldStart) return null
  const head = alike(was, is)
  const tail = alike([...was.slice(head)].reverse(), [...is.slice(head)].reverse())
  return [newStart + head, newEnd - tail]
}

// Where a transaction put something in, in its outcome; `of` says which part of each.
function put(tr, of) {
  const found = []
  tr.steps.forEach((step, i) => step.getMap().forEach((...places) => {
    const [from, to] = of(tr.docs[i], tr.docs[i + 1] ?? tr.doc, places) ?? [0, 0], rest = tr.mapping.slice(i + 1)
    found.push({ from: rest.map(from, 1), to: rest.map(to, -1) })
  }))
  return found.filter(({ from, to }) => from < to)
}

const apartOf = (range, hole) => hole.to <= range.from || hole.from >= range.to
const without = (range, hole) => (apartOf(range, hole) ? [range] : [{ ...range, to: hole.from }, { ...range, from: hole.to }])
const standing = (ranges) => ranges.filter(({ from, to }) => from < to)
// Given back, and as it was: others have put nothing into it.
const known = (range) => (range.back && range.to - range.from !== range.size ? { from: range.from, to: range.to } : range)
const follow = ({ mapping }, range) => ({ ...range, from: mapping.map(range.from, 1), to: mapping.map(range.to, -1) })
const whole = (_before, _after, [, , from, to]) => [from, to]
const wordsOf = (doc, { from, to }) => doc.textBetween(from, to, LEAF, LEAF)

// In order, those that touch as one; what was given back stays known by itself.
function inOrder(ranges) {
  return ranges.sort((one, other) => one.from - other.from).reduce((list, range) => {
    const last = list.at(-1)
    const touch = last && last.to >= range.from && !last.back && !range.back
    if (touch) list.splice(-1, 1, { ...last, to: Math.max(last.to, range.to) })
    else list.push(range)
    return list
  }, [])
}

// Where words of others stand that a step taken back, or taken again, brought along itself.
function brought(tr, range) {
  const words = range.back ?? wordsOf(tr.before, range)
  for (const place of put(tr, whole)) {
    const at = wordsOf(tr.doc, place).indexOf(words)
    if (at >= 0) return { from: place.from + at, to: place.from + at + words.length, of: place }
  }
  return null
}

const touching = (one, other) => one.to === other.from || other.to === one.from

// What becomes of one stretch when one takes back, or takes again, what one wrote oneself: it stands, it has come along, it
// stands twice, or it is owed.
function after(tr, range) {
  const stands = follow(tr, range), { of, ...along } = brought(tr, range) ?? {}
  if (stands.from < stands.to) return of && range.back && touching(stands, of) ? { along, spare: stands } : { stand: stands }
  if (of) return { along }
  const slice = tr.before.slice(range.from, range.to), back = range.back ?? wordsOf(tr.before, range)
  return { owed: { at: stands.from, slice, back } }
}

// What one puts among others' words is one's own.
function apart(tr, ranges) {
  const own = put(tr, whole)
  return standing(own.reduce((rest, each) => rest.flatMap((range) => without(range, each)), ranges))
}

function apply(tr, { ranges, owed, spare }) {
  const found = ranges.map((range) => (tr.getMeta(HISTORY) ? after(tr, range) : { stand: follow(tr, range) }))
  const all = (name) => found.flatMap((each) => each[name] ?? [])
  if (tr.getMeta(key)) {
    const came = tr.getMeta(key).ranges ?? put(tr, renewed)
    return { owed: [], spare: [], ranges: inOrder([...standing(all("stand")).map(known), ...came]) }
  }
  return {
    ranges: inOrder([...apart(tr, all("stand")), ...all("along")]),
    owed: [...owed.map((each) => ({ ...each, at: tr.mapping.map(each.at) })), ...all("owed")],
    spare: [...spare.map((range) => follow(tr, range)), ...all("spare")]
  }
}

const WORD = /[\p{L}\p{N}]/u
const SPACE = /^\s?$/

// With the spaces that words need at that place and no others: one that both had written may be left, or not.
function fitting({ content, openStart, openEnd }, place, schema) {
  const { nodeBefore, nodeAfter } = place, between = schema.text(" ")
  const sign = (node, at) => node?.text?.at(at) ?? ""
  const before = sign(nodeBefore, -1), first = sign(content.firstChild, 0), last = sign(content.lastChild, -1), after = sign(nodeAfter, 0)
  let fit = content
  if (fit.size > 1 && last === " " && SPACE.test(after)) fit = fit.cut(0, fit.size - 1)
  if (fit.size > 1 && first === " " && SPACE.test(before)) fit = fit.cut(1)
  if (WORD.test(before) && WORD.test(first)) fit = Fragment.from(between).append(fit)
  if (WORD.test(last) && WORD.test(after)) fit = fit.append(Fragment.from(between))
  return new Slice(fit, openStart, openEnd)
}

// Done by itself after a step was taken back: what is appended to such a step, the history does not count with.
export function giveBack({ state, view }) {
  const { owed, spare } = key.getState(state), { tr, schema } = state
  const given = owed.map(({ at, slice, back }) => {
    const place = tr.mapping.map(at), { size } = tr.doc.content
    tr.replaceRange(place, place, fitting(slice, tr.doc.resolve(place), schema))
    const end = place + tr.doc.content.size - size
    DISPUTED.forEach((name) => tr.removeMark(place, end, schema.marks[name]))
    return { from: place, to: end, back, steps: tr.steps.length }
  })
  standing(spare).forEach(({ from, to }) => tr.delete(tr.mapping.map(from, 1), tr.mapping.map(to, -1)))
  const ranges = given.map(({ steps, ...range }) => ({ ...follow({ mapping: tr.mapping.slice(steps) }, range), size: range.to - range.from }))
  if (tr.docChanged) view.dispatch(asTheirs(tr, ranges).setMeta("addToHistory", false))
}

export default Extension.create({
  name: "theirs",
  addProseMirrorPlugins: () => [new Plugin({ key, state: { init: () => ({ ranges: [], owed: [], spare: [] }), apply } })],
  onTransaction() {
    giveBack(this.editor)
  }
})
