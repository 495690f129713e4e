import assert from "node:assert/strict"
import test from "node:test"
import { history, redo, undo } from "@tiptap/pm/history"
import { EditorState } from "@tiptap/pm/state"
import { joinInto } from "../../app/javascript/editor/joining"
import theirs, { giveBack } from "../../app/javascript/editor/theirs"
import { SEED, numbers } from "./generated"
import { withIds as schema } from "./schema"

const { doc, paragraph } = schema.nodes
const line = (id, ...texts) => paragraph.create({ id }, texts.filter(Boolean).map((text) => (typeof text === "string" ? schema.text(text) : text)))
const of = (by, text) => schema.text(text, [schema.marks.double.create({ by })])

function editorOf(...blocks) {
  const editor = { view: { dispatch: (tr) => { editor.state = editor.state.apply(tr) } } }
  editor.state = EditorState.create({ schema, doc: doc.create(null, blocks), plugins: [history(), ...theirs.config.addProseMirrorPlugins()] })
  return editor
}

const type = (editor, at, text) => editor.view.dispatch(editor.state.tr.insertText(text, at))
const join = (editor, ...blocks) => joinInto(editor, editor.state.doc.toJSON(), doc.create(null, blocks).toJSON())
const texts = ({ state }) => state.doc.content.content.map((node) => node.textContent)

function taken(command, editor) {
  const did = command(editor.state, editor.view.dispatch)
  giveBack(editor)
  return did
}

test("what others wrote within one's own words stays when these are taken back, and stands once when they come again", () => {
  const editor = editorOf(line("aaaaaaaa", "Salt it."))
  type(editor, 1, "Carefully: ")
  join(editor, line("aaaaaaaa", of("ida", "Carefully"), of("nils", " Slowly"), ": Salt it."))
  taken(undo, editor)
  assert.deepEqual(texts(editor), ["Slowly Salt it."])
  editor.state.doc.descendants((node) => assert.deepEqual(node.marks, []))
  taken(redo, editor)
  assert.deepEqual(texts(editor), ["Carefully Slowly: Salt it."])
  taken(undo, editor)
  assert.deepEqual(texts(editor), ["Slowly Salt it."])
})

test("a whole block of others that came between one's own stays as well", () => {
  const editor = editorOf(line("aaaaaaaa", "First."))
  editor.view.dispatch(editor.state.tr.insert(8, [line("bbbbbbbb", "Mine."), line("cccccccc", "Mine too.")]))
  join(editor, line("aaaaaaaa", "First."), line("bbbbbbbb", "Mine."), line("dddddddd", "Theirs."), line("cccccccc", "Mine too."))
  taken(undo, editor)
  assert.deepEqual(texts(editor), ["First.", "Theirs."])
})

test("what one wrote within others' words, or took out of them, is one's own", () => {
  const editor = editorOf(line("aaaaaaaa", "Mine."))
  type(editor, 1, "Again ")
  join(editor, line("aaaaaaaa", "Again and again Mine."))
  const tr = editor.state.tr.delete(7, 11)
  editor.view.dispatch(tr.setMeta("addToHistory", false))
  taken(undo, editor)
  assert.ok(!texts(editor)[0].includes("and"))
  assert.match(texts(editor)[0], /again/)
})

test("however it is written, joined and taken back, all of theirs stands, and none of it twice", () => {
  const below = numbers(SEED)
  for (let round = 0; round < 200; round += 1) {
    const editor = editorOf(line("aaaaaaaa", "One two three."))
    const theirWords = []
    for (let step = 0; step < 12; step += 1) {
      const act = below(5), text = editor.state.doc.firstChild.textContent
      const gaps = [...text.matchAll(/(?<=^| )/g)].map(({ index }) => index), gap = gaps[below(gaps.length)]
      if (act < 2) type(editor, gap + 1, `m${step} `)
      else if (act === 2) {
        theirWords.push(`T${step}t`)
        join(editor, line("aaaaaaaa", `${text.slice(0, gap)}T${step}t ${text.slice(gap)}`))
      } else taken(act === 3 ? undo : redo, editor)
    }
    while (taken(undo, editor)) { /* to the beginning */ }
    const text = texts(editor).join(" ")
    assert.deepEqual(theirWords.filter((word) => text.split(word).length !== 2), [], `seed ${SEED}, round ${round}: ${text}`)
    assert.doesNotMatch(text, /m\d/, `seed ${SEED}, round ${round}`)
  }
})
