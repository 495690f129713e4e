import assert from "node:assert/strict"
import test from "node:test"
import { EditorState } from "@tiptap/pm/state"
import { touching } from "../../app/javascript/editor/touched"
import { SEED, numbers } from "./generated"
import schema from "./schema"

const { doc, paragraph } = schema.nodes
const of = (text) => paragraph.create(null, schema.text(text))

const begin = (words) => EditorState.create({ doc: doc.create(null, words.map(of)), plugins: [touching()] })
const starts = (state) => state.doc.content.content.map((_node, i, all) => all.slice(0, i).reduce((sum, { nodeSize }) => sum + nodeSize, 0))

// The texts of the blocks that count as touched.
function touchedIn(state) {
  const found = state.plugins[0].getState(state).find().map(({ from, to }) => [from, to])
  return starts(state).flatMap((from, i) => (found.some(([start, end]) => start === from && end === from + state.doc.child(i).nodeSize) ? [state.doc.child(i).textContent] : []))
}

test("a letter touches its block alone, however many are typed", () => {
  let state = begin(["one", "two", "three"])
  assert.deepEqual(touchedIn(state), [])
  for (const letter of "xyz") state = state.apply(state.tr.insertText(letter, starts(state)[1] + 2))
  assert.deepEqual(touchedIn(state), ["tzyxwo"])
})

test("both halves of a block that is split are touched, and what is put in", () => {
  let state = begin(["one", "two", "three"])
  state = state.apply(state.tr.split(3))
  assert.deepEqual(touchedIn(state), ["on", "e"])
  state = state.apply(state.tr.insert(state.doc.content.size, of("new")))
  assert.ok(touchedIn(state).includes("new"))
})

test("whatever is done, each block that is another than before counts as touched", () => {
  const number = numbers(SEED)
  for (let run = 0; run < 200; run += 1) {
    const before = begin(Array.from({ length: 3 + number(8) }, (_w, i) => `words ${i}`))
    let state = before
    for (let step = 0; step < 4; step += 1) {
      const at = starts(state)[number(state.doc.childCount)]
      const acts = [(tr) => tr.insertText("x", at + 1), (tr) => tr.split(at + 1), (tr) => tr.insert(at, of("new")), (tr) => (state.doc.childCount > 1 ? tr.delete(at, at + state.doc.nodeAt(at).nodeSize) : tr)]
      state = state.apply(acts[number(acts.length)](state.tr))
    }
    const same = new Set(before.doc.content.content)
    const known = touchedIn(state).length
    assert.ok(known >= state.doc.content.content.filter((node) => !same.has(node)).length, `run ${run} of ${SEED}`)
  }
})
