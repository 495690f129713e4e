import { Node } from "@tiptap/core"
import { Plugin, TextSelection } from "@tiptap/pm/state"

// Words that readers find at the foot of the page stand where their number is to stand, and are written there.

const NAME = "footnote"
const isNote = (node) => node?.type.name === NAME
const caret = (state) => (state.selection instanceof TextSelection && state.selection.empty ? state.selection.$from : null)

function to(place) {
  return ({ tr }) => Boolean(tr.setSelection(TextSelection.create(tr.doc, place)).scrollIntoView())
}

// Over the edge of a note the caret steps by itself, so that what is typed next stands where it seems to.
// @param direction [Number] 1 or -1
// @return [Number, null] where it goes
export function across(state, direction) {
  const $from = caret(state)
  if (!$from) return null
  const [ahead, end] = direction > 0 ? [$from.nodeAfter, $from.end()] : [$from.nodeBefore, $from.start()]
  if (isNote($from.parent) && $from.pos === end) return direction > 0 ? $from.after() : $from.before()
  return isNote(ahead) ? $from.pos + direction : null
}

const footnote = (words) => Node.create({
  name: NAME,
  inline: true,
  selectable: true,
  addAttributes: () => ({}),
  renderHTML: () => ["span", { class: "footnote-words", role: "group", "aria-label": words.footnote }, 0],

  addKeyboardShortcuts() {
    const { editor } = this
    const step = (direction) => () => {
      const place = across(editor.state, direction)
      return place !== null && editor.commands.command(to(place))
    }
    const leave = () => isNote(editor.state.selection.$from.parent) && editor.commands.command(to(editor.state.selection.$from.after()))
    return {
      ArrowRight: step(1), ArrowLeft: step(-1), Enter: leave, Tab: leave,
      // An empty note goes with the key that would leave it.
      Backspace: () => {
        const $from = caret(editor.state)
        if (!$from) return false
        if (isNote($from.parent) && $from.parentOffset === 0) {
          if ($from.parent.content.size === 0) return editor.commands.command(({ tr }) => Boolean(tr.delete($from.before(), $from.after())))
          return editor.commands.command(to($from.before()))
        }
        return isNote($from.nodeBefore) ? editor.commands.command(to($from.pos - 1)) : false
      },
      Delete: () => {
        const $from = caret(editor.state)
        if (!$from || !isNote($from.parent) || $from.parentOffset < $from.parent.content.size) return false
        return editor.commands.command(to($from.after()))
      }
    }
  },

  // Beside a note the browser would put a letter into it, or out of it, as it likes.
  addProseMirrorPlugins: () => [new Plugin({
    props: {
      handleDOMEvents: {
        beforeinput(view, event) {
          const $from = caret(view.state)
          if (event.inputType !== "insertText" || !event.data || view.composing || !$from) return false
          if (!isNote($from.parent) && !isNote($from.nodeBefore) && !isNote($from.nodeAfter)) return false
          event.preventDefault()
          if (!view.someProp("handleTextInput", (handle) => handle(view, $from.pos, $from.pos, event.data, () => view.state.tr.insertText(event.data)))) {
            view.dispatch(view.state.tr.insertText(event.data).scrollIntoView())
          }
          return true
        }
      }
    }
  })]
})

export const nodes = ({ words }) => [footnote(words)]
export const inserts = { linking: { footnote: "footnote" } }
