import { Extension } from "@tiptap/core"
import { Plugin, PluginKey, TextSelection } from "@tiptap/pm/state"
import { Decoration, DecorationSet } from "@tiptap/pm/view"

// Typing "->" asks for a page to link to, "/" for something to insert, "@" for a person. The sign and what is typed
// behind it stay in the text until something is chosen in its place, so that no key is lost however quickly one types,
// and nothing is to be given back when nothing is chosen. One question is open at a time; others may wait for an answer
// that is on its way, each keeping its place in the text.

const key = new PluginKey("asking")
const SIGNS = [["->", /->$/], ["/", /(?:^|\s)\/$/], ["@", /(?:^|\s)@$/]]
const LONGEST = 200 // letters of what is asked for
const NONE = { open: null, waiting: [] }

const asked = (state) => key.getState(state).open

// What was typed behind the sign.
const question = (state, { sign, from, to }) => state.doc.textBetween(from + sign.length, to)

function begin(view, from, to, text) {
  const { state } = view
  const $from = state.doc.resolve(from)
  if (asked(state) || !$from.parent.isTextblock || $from.parent.type.spec.code || (state.storedMarks ?? $from.marks()).some((mark) => mark.type.name === "code")) return false
  const before = $from.parent.textBetween(0, $from.parentOffset, null, " ") + text
  const [sign] = SIGNS.find(([, pattern]) => pattern.test(before)) ?? []
  if (!sign?.endsWith(text)) return false

  const tr = state.tr.insertText(text, from, to)
  const end = from + text.length
  view.dispatch(tr.setMeta(key, { open: { sign, from: end - sign.length, to: end } }).scrollIntoView())
  return true
}

function still(doc, { sign, from, to }) {
  if (to > doc.content.size || to - from < sign.length) return false
  const $from = doc.resolve(from)
  return to <= $from.end() && doc.textBetween(from, from + sign.length) === sign
}

// It ends when its sign is changed, the caret leaves it, or it turns out to be no question.
function follow(tr, open, { doc, selection }) {
  const next = { ...open, from: tr.mapping.map(open.from, 1), to: tr.mapping.map(open.to, 1) }
  if (!still(doc, next)) return null
  const words = question({ doc }, next)
  const within = selection.empty && selection.head >= next.from + next.sign.length && selection.head <= next.to
  return within && !/^\s/.test(words) && words.length <= LONGEST ? next : null
}

const mapped = (tr, doc, waiting) => waiting.map((each) => ({ ...each, from: tr.mapping.map(each.from, 1), to: tr.mapping.map(each.to, -1) })).filter((each) => still(doc, each))

class Watch {
  constructor(view, { onOpen, onTyped, onClosed }) {
    Object.assign(this, { onOpen, onTyped, onClosed })
  }

  update(view, before) {
    const [was, is] = [asked(before), asked(view.state)]
    if (is && !was) this.onOpen(is.sign)
    else if (is && question(view.state, is) !== question(before, was)) this.onTyped(question(view.state, is))
    else if (!is && was) this.onClosed()
  }
}

// @param on [Object] onOpen(sign), onTyped(words), onClosed(), and onKey(name) for the keys of the list, which answers
//   whether it took the key
export default (on) => Extension.create({
  name: "asking",
  priority: 1000,
  addProseMirrorPlugins: () => [new Plugin({
    key,
    state: {
      init: () => NONE,
      apply(tr, value, _before, state) {
        const set = tr.getMeta(key)
        if (!set && !tr.docChanged && !tr.selectionSet) return value
        const waiting = set?.waiting ?? mapped(tr, state.doc, value.waiting)
        return { waiting, open: set && "open" in set ? set.open : value.open && follow(tr, value.open, state) }
      }
    },
    props: {
      handleTextInput: (view, from, to, text) => begin(view, from, to, text),
      handleKeyDown(view, event) {
        if (!asked(view.state) || event.isComposing || event.ctrlKey || event.metaKey || event.altKey || event.shiftKey) return false
        if (event.key !== "Escape") return on.onKey(event.key)
        leave(view)
        event.stopPropagation()
        return true
      },
      decorations(state) {
        const { open, waiting } = key.getState(state)
        const all = open ? [open, ...waiting] : waiting
        return all.length ? DecorationSet.create(state.doc, all.map(({ from, to }) => Decoration.inline(from, to, { class: "asked" }))) : null
      }
    },
    view: (view) => new Watch(view, on)
  })]
})

export function leave(view) {
  if (asked(view.state)) view.dispatch(view.state.tr.setMeta(key, { open: null }))
}

// Something is chosen, or being looked for, to take the open question's place; what is typed from now on belongs to the
// text behind it.
//
// @return [Object] by which the place is known
export function take(view) {
  const place = { ...asked(view.state) }
  const { waiting } = key.getState(view.state)
  const id = {}
  view.dispatch(view.state.tr.setMeta(key, { open: null, waiting: [...waiting, { ...place, id }] }))
  return id
}

// Takes the question out, does with the caret in its place what insert does, and leaves the caret where one had come to
// while the answer was on its way. Without an answer the question stays text.
export function answer(view, id, insert) {
  const { waiting } = key.getState(view.state)
  const now = waiting.find((each) => each.id === id)
  if (!now) return
  const others = waiting.filter((each) => each.id !== id)
  if (!insert) return view.dispatch(view.state.tr.setMeta(key, { waiting: others }))

  const caret = view.state.selection.head
  const there = caret === now.to
  const tr = view.state.tr.delete(now.from, now.to)
  const places = others.map((each) => ({ ...each, from: tr.mapping.map(each.from, 1), to: tr.mapping.map(each.to, -1) }))
  view.dispatch(tr.setMeta(key, { waiting: places }).setSelection(TextSelection.create(tr.doc, now.from)))
  if (there) return insert()

  const { size } = view.state.doc.content
  const elsewhere = tr.mapping.map(caret)
  insert()
  const moved = elsewhere > now.from ? elsewhere + view.state.doc.content.size - size : elsewhere
  view.dispatch(view.state.tr.setSelection(TextSelection.near(view.state.doc.resolve(Math.min(moved, view.state.doc.content.size)))))
}
