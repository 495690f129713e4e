import assert from "node:assert/strict"
import test from "node:test"
import { EditorState, TextSelection } from "@tiptap/pm/state"
import { joinInto } from "../../app/javascript/editor/joining"
import { SEED, numbers } from "./generated"
import { withIds as schema } from "./schema"

const { doc, paragraph, heading, bullet_list: list, list_item: item } = schema.nodes
const line = (id, text) => paragraph.create({ id }, text ? schema.text(text) : null)
const json = (blocks) => doc.create(null, blocks).toJSON()

function editorOf(blocks) {
  const editor = { state: EditorState.create({ schema, doc: doc.create(null, blocks) }), view: { dispatch: (tr) => { editor.state = editor.state.apply(tr) } } }
  return editor
}

const textOf = ({ state }) => state.doc.content.content.map((node) => node.textContent)

test("what others wrote comes in, and what was written here since stays", () => {
  const from = [line("aaaaaaaa", "One."), line("bbbbbbbb", "Two."), line("cccccccc", "Three.")]
  const editor = editorOf([line("aaaaaaaa", "One, here."), line("bbbbbbbb", "Two."), line("dddddddd", "New here."), line("cccccccc", "Three.")])
  const to = [line("eeeeeeee", "New there."), line("aaaaaaaa", "One."), line("bbbbbbbb", "Two, there.")]
  assert.equal(joinInto(editor, json(from), json(to)), true)
  assert.deepEqual(textOf(editor), ["New there.", "One, here.", "Two, there.", "New here."])
})

test("what was changed here and there stays as it is here, and that is told", () => {
  const editor = editorOf([line("aaaaaaaa", "One, here.")])
  assert.equal(joinInto(editor, json([line("aaaaaaaa", "One.")]), json([line("aaaaaaaa", "One, there."), line("bbbbbbbb", "More.")])), false)
  assert.deepEqual(textOf(editor), ["One, here.", "More."])
})

test("the caret stays where it is, also within what is changed before and behind it", () => {
  const items = (...texts) => list.create({ id: "llllllll" }, texts.map((text, i) => item.create({ id: `item000${i}` }, line(`text000${i}`, text))))
  const editor = editorOf([line("aaaaaaaa", "One."), items("First", "Second", "Third")])
  let at = 0
  editor.state.doc.descendants((node, pos) => { if (node.isText && node.text === "Second") at = pos + 3 })
  editor.state = editor.state.apply(editor.state.tr.setSelection(TextSelection.create(editor.state.doc, at)))
  joinInto(editor, editor.state.doc.toJSON(), json([heading.create({ id: "hhhhhhhh", level: 1 }, schema.text("Head")), line("aaaaaaaa", "One and more."), items("First", "Second", "Third, changed")]))
  const { $from } = editor.state.selection
  assert.equal($from.parent.textContent, "Second")
  assert.equal($from.parentOffset, 3)
})

test("where nothing was written here, what comes is what stands there", () => {
  const below = numbers(SEED)
  for (let round = 0; round < 300; round += 1) {
    const from = Array.from({ length: 1 + below(8) }, (_each, i) => line(`block00${i}`, `Words ${i}.`))
    const to = from.flatMap((node, i) => (below(5) === 0 ? [] : below(4) === 0 ? [line(node.attrs.id, `Changed ${i}.`), line(`added00${i}`, "Added.")] : [node]))
    if (below(3) === 0) to.reverse()
    if (!to.length) to.push(line("only0000", "Only."))
    const editor = editorOf(from)
    assert.equal(joinInto(editor, json(from), json(to)), true)
    assert.deepEqual(textOf(editor), to.map((node) => node.textContent), `seed ${SEED}, round ${round}: ${from.map((node) => node.textContent)}`)
  }
})
