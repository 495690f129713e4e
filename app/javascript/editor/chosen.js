import { Extension } from "@tiptap/core"
import { NodeSelection, Plugin, PluginKey, TextSelection } from "@tiptap/pm/state"
import { Decoration, DecorationSet } from "@tiptap/pm/view"
import { around } from "./moving"
import { isHeading, sectionAt } from "./sections"

// A block that is chosen whole, by its edge or by Escape. Typing never writes it over: it goes on where the caret was in
// it, else at the end of the block's text or on a line behind it.

const key = new PluginKey("chosen")

export const chosenBlock = ({ selection }) => (selection instanceof NodeSelection && selection.node.isBlock ? selection : null)

// Whether a heading that is chosen stands for all that is under it as well.
export const takesAlong = (state) => key.getState(state).along

export function setAlong(view, along) {
  view.dispatch(view.state.tr.setMeta(key, { along }))
}

// @return [Object, null] { from, to } of what is chosen: a block, or a heading with its section
export function chosenRange(state) {
  const chosen = chosenBlock(state)
  if (!chosen) return null
  if (isHeading(chosen.node) && takesAlong(state)) return sectionAt(state.doc, chosen.from)
  return { from: chosen.from, to: chosen.to }
}

// The block that the caret is in; chosen already, the one around it.
export function choose({ state, dispatch, tr }) {
  const chosen = chosenBlock(state)
  const pos = chosen ? outer(state.selection.$from) : around(state.selection)?.pos ?? null
  if (pos === null) return false
  if (dispatch) tr.setSelection(NodeSelection.create(state.doc, pos)).scrollIntoView()
  return true
}

function outer($from) {
  for (let depth = $from.depth; depth > 0; depth -= 1) if (NodeSelection.isSelectable($from.node(depth))) return $from.before(depth)
  return null
}

// The caret goes back to where it was in the block, to the end of its text, or to a line behind it.
export function intoText(view) {
  const chosen = chosenBlock(view.state)
  if (!chosen) return false
  const { tr } = view.state
  const { caret } = key.getState(view.state)
  if (caret !== null) return view.dispatch(tr.setSelection(TextSelection.near(tr.doc.resolve(caret))).scrollIntoView()) || true
  if (chosen.node.isTextblock) return view.dispatch(tr.setSelection(TextSelection.create(tr.doc, chosen.to - 1)).scrollIntoView()) || true
  const $to = tr.doc.resolve(chosen.to)
  const { paragraph } = view.state.schema.nodes
  let place = chosen.to
  for (let { depth } = $to; depth > 0 && !$to.node(depth).canReplaceWith($to.indexAfter(depth), $to.indexAfter(depth), paragraph); depth -= 1) place = $to.after(depth)
  view.dispatch(tr.insert(place, paragraph.create()).setSelection(TextSelection.create(tr.doc, place + 1)).scrollIntoView())
  return true
}

// Where the caret was in the block when that was chosen.
function caretIn(tr, { caret }, before, after) {
  const chosen = chosenBlock(after)
  if (!chosen) return null
  const place = chosenBlock(before) ? caret : before.selection.head
  const now = place === null ? null : tr.mapping.map(place)
  return now !== null && now > chosen.from && now < chosen.to ? now : null
}

// onEscape closes what is open and answers whether there was anything.
export default (onEscape) => Extension.create({
  name: "chosen",
  priority: 900, // before what lists and tables make of these keys
  addKeyboardShortcuts() {
    return {
      Escape: () => onEscape() || this.editor.commands.command(choose) || true,
      Enter: () => intoText(this.editor.view)
    }
  },
  addProseMirrorPlugins: () => [new Plugin({
    key,
    state: {
      init: () => ({ along: true, caret: null }),
      apply: (tr, value, before, after) => ({ along: tr.getMeta(key)?.along ?? value.along, caret: caretIn(tr, value, before, after) })
    },
    props: {
      handleTextInput(view, _from, _to, text) {
        if (!intoText(view)) return false
        view.dispatch(view.state.tr.insertText(text).scrollIntoView())
        return true
      },
      // What stands under a heading that is chosen is marked with it.
      decorations(state) {
        const [range, chosen] = [chosenRange(state), chosenBlock(state)]
        if (!range || range.to === chosen.to) return null
        const along = []
        state.doc.nodesBetween(chosen.to, range.to, (node, pos) => {
          if (pos >= chosen.to) along.push(Decoration.node(pos, pos + node.nodeSize, { class: "chosen-along" }))
          return pos < chosen.to
        })
        return DecorationSet.create(state.doc, along)
      }
    }
  })]
})
