import assert from "node:assert/strict"
import test from "node:test"
import { EditorState, TextSelection } from "@tiptap/pm/state"
import { moveRange, moveSection } from "../../app/javascript/editor/moving"
import { SEED, numbers } from "./generated"
import schema from "./schema"

const { doc, paragraph, heading } = schema.nodes

// "1A 2a x 1B": headings by level and letter, anything else a paragraph.
function stateOf(words) {
  const blocks = words.split(" ").map((word) => (/^[1-4]/.test(word) ? heading.create({ level: Number(word[0]) }, schema.text(word.slice(1))) : paragraph.create(null, schema.text(word))))
  return EditorState.create({ doc: doc.create(null, blocks) })
}

const wordsOf = (state) => state.doc.content.content.map((node) => (node.type === heading ? node.attrs.level : "") + node.textContent).join(" ")

function moved(words, letter, step) {
  let state = stateOf(words)
  state.doc.descendants((node, pos) => { if (node.textContent === letter) state = state.apply(state.tr.setSelection(TextSelection.create(state.doc, pos + 1))) })
  const { tr } = state
  const done = moveSection(step)({ state, tr, dispatch: true })
  return done ? wordsOf(state.apply(tr)) : null
}

test("a section changes places with the one beside it, all under it going along", () => {
  assert.equal(moved("1A a 2B b 1C c", "A", 1), "1C c 1A a 2B b")
  assert.equal(moved("1A a 2B b 1C c", "C", -1), "1C c 1A a 2B b")
  assert.equal(moved("1A 2B b 2C c 1D", "b", 1), "1A 2C c 2B b 1D")
})

test("it steps into and out of sections above it", () => {
  assert.equal(moved("1A 2B b 1C c 2D", "B", 1), "1A 1C c 2B b 2D")
  assert.equal(moved("1A a 1C 2D d", "D", -1), "1A a 2D d 1C")
})

test("at the ends it stays", () => {
  assert.equal(moved("x 1A a", "A", -1), null)
  assert.equal(moved("x 1A a", "A", 1), null)
  assert.equal(moved("x y", "y", -1), null)
})

test("whatever is moved, every block is still there once, and the selection goes along", () => {
  const number = numbers(SEED)
  for (let run = 0; run < 300; run += 1) {
    const words = Array.from({ length: 2 + number(10) }, (_w, i) => `${number(2) ? 1 + number(4) : "p"}w${i}`)
    let state = stateOf(words.join(" "))
    const size = state.doc.childCount
    const places = [0]
    state.doc.forEach((node) => places.push(places.at(-1) + node.nodeSize))
    const from = number(size)
    const to = from + 1 + number(size - from)
    state = state.apply(state.tr.setSelection(TextSelection.create(state.doc, places[from] + 1)))
    const chosen = state.selection.$from.parent.textContent
    const tr = moveRange(state.tr, places[from], places[to], places[number(size + 1)])
    if (!tr) continue
    const after = state.apply(tr)
    assert.deepEqual(wordsOf(after).split(" ").sort(), wordsOf(state).split(" ").sort(), `SEED=${SEED}`)
    assert.equal(after.selection.$from.parent.textContent, chosen, `SEED=${SEED}`)
    after.doc.check()
  }
})
