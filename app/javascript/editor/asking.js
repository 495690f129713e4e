import { Extension } from "@tiptap/core"
import { Plugin, PluginKey, TextSelection } from "@tiptap/pm/state"
import { Decoration, DecorationSet } from "@tiptap/pm/view"

// Typing "->" asks for a page to link to, "/" for something to insert, "@" for a person. The sign and what is typed
// behind it stay in the text until something is chosen in its place, so that no key is lost however quickly one types,
// and nothing is to be given back when nothing is chosen.

const key = new PluginKey("asking")
const SIGNS = [["->", /->$/], ["/", /(?:^|\s)\/$/], ["@", /(?:^|\s)@$/]]
const LONGEST = 200 // letters of what is asked for

export const asked = (state) => key.getState(state)

// What was typed behind the sign.
export const question = (state, { sign, from, to }) => state.doc.textBetween(from + sign.length, to)

function begin(view, from, to, text) {
  const { state } = view
  const $from = state.doc.resolve(from)
  if (asked(state) || !$from.parent.isTextblock || $from.parent.type.spec.code || (state.storedMarks ?? $from.marks()).some((mark) => mark.type.name === "code")) return false
  const before = $from.parent.textBetween(0, $from.parentOffset, null, " ") + text
  const [sign] = SIGNS.find(([, pattern]) => pattern.test(before)) ?? []
  if (!sign?.endsWith(text)) return false

  const tr = state.tr.insertText(text, from, to)
  const end = from + text.length
  view.dispatch(tr.setMeta(key, { sign, from: end - sign.length, to: end, taken: false }).scrollIntoView())
  return true
}

// It ends when its sign is changed, the caret leaves it, or it turns out to be no question.
function follow(tr, value, state) {
  const next = { ...value, from: tr.mapping.map(value.from, 1), to: tr.mapping.map(value.to, value.taken ? -1 : 1) }
  if (next.to > state.doc.content.size || next.to - next.from < next.sign.length) return null
  const $from = state.doc.resolve(next.from)
  if (next.to > $from.end() || state.doc.textBetween(next.from, next.from + next.sign.length) !== next.sign) return null
  if (next.taken) return next
  const { selection } = state
  const words = question(state, next)
  const within = selection.empty && selection.head >= next.from + next.sign.length && selection.head <= next.to
  return within && !/^\s/.test(words) && words.length <= LONGEST ? next : null
}

class Watch {
  constructor(view, { onOpen, onTyped, onClosed }) {
    Object.assign(this, { onOpen, onTyped, onClosed })
  }

  update(view, before) {
    const [was, is] = [asked(before), asked(view.state)]
    if (is && !was) this.onOpen(is.sign, question(view.state, is))
    else if (is && !is.taken && question(view.state, is) !== question(before, was)) this.onTyped(question(view.state, is))
    else if (!is && was) this.onClosed(was.answered)
  }
}

// @param on [Object] onOpen(sign, words), onTyped(words), onClosed(), and onKey(name) for the keys of the list, which
//   answers whether it took the key
export default (on) => Extension.create({
  name: "asking",
  priority: 1000,
  addProseMirrorPlugins: () => [new Plugin({
    key,
    state: {
      init: () => null,
      apply(tr, value, _before, state) {
        const set = tr.getMeta(key)
        if (set !== undefined) return set
        return value && (tr.docChanged || tr.selectionSet) ? follow(tr, value, state) : value
      }
    },
    props: {
      handleTextInput: (view, from, to, text) => begin(view, from, to, text),
      handleKeyDown(view, event) {
        const question = asked(view.state)
        if (!question || question.taken || event.isComposing || event.ctrlKey || event.metaKey || event.altKey || event.shiftKey) return false
        if (event.key !== "Escape") return on.onKey(event.key)
        view.dispatch(view.state.tr.setMeta(key, null))
        event.stopPropagation()
        return true
      },
      decorations(state) {
        const question = asked(state)
        return question && DecorationSet.create(state.doc, [Decoration.inline(question.from, question.to, { class: "asked" })])
      }
    },
    view: (view) => new Watch(view, on)
  })]
})

export function leave(view) {
  if (asked(view.state)) view.dispatch(view.state.tr.setMeta(key, null))
}

// Something is being looked for to take the question's place; what is typed from now on belongs to the text behind it.
export function take(view) {
  const now = asked(view.state)
  if (now && !now.taken) view.dispatch(view.state.tr.setMeta(key, { ...now, taken: true }))
}

// Takes the question out, does with the caret in its place what insert does, and leaves the caret where one had come to
// while the answer was on its way.
export function answer(view, insert) {
  const now = asked(view.state)
  if (!now) return insert()
  const ahead = Math.max(0, view.state.selection.head - now.to)
  const tr = view.state.tr.delete(now.from, now.to).setMeta(key, null)
  view.dispatch(tr.setSelection(TextSelection.create(tr.doc, now.from)))
  insert()
  const { head } = view.state.selection
  if (ahead && head + ahead <= view.state.doc.content.size) view.dispatch(view.state.tr.setSelection(TextSelection.create(view.state.doc, head + ahead)))
}
