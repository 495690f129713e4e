import { Extension } from "@tiptap/core"
import { Plugin, PluginKey, TextSelection } from "@tiptap/pm/state"

// Blanks of a template: Tab goes to the next one and chooses it whole, and what is typed takes its place.

function blanks(doc) {
  const found = []
  doc.descendants((node, pos) => {
    if (!node.isText || !node.marks.some((mark) => mark.type.name === "blank")) return
    const last = found.at(-1)
    if (last?.to === pos) last.to += node.nodeSize
    else found.push({ from: pos, to: pos + node.nodeSize })
  })
  return found
}

// Whether a blank, and nothing else, is chosen: it waits to be typed over.
export const blankChosen = ({ doc, selection: { from, to } }) => blanks(doc).some((blank) => blank.from === from && blank.to === to)

const within = (blank, { from, to }) => blank.from <= from && blank.to >= to

// In a table Tab goes to the next cell and chooses what is in it, unless one is on a blank; in a list it hops as well.
function hop(editor, step) {
  const all = blanks(editor.state.doc)
  const { selection } = editor.state
  if (!all.length || (editor.isActive("table") && !all.some((blank) => within(blank, selection)))) return false
  const { from, to } = selection
  const next = step > 0 ? all.find((blank) => blank.from >= to) ?? all[0] : all.findLast((blank) => blank.to <= from) ?? all.at(-1)
  editor.view.dispatch(editor.state.tr.setSelection(TextSelection.create(editor.state.doc, next.from, next.to)).scrollIntoView())
  return true
}

export default Extension.create({
  name: "blanks",
  priority: 150, // before what Tab means in lists and tables
  addKeyboardShortcuts() {
    return { Tab: () => hop(this.editor, 1), "Shift-Tab": () => hop(this.editor, -1) }
  },
  addProseMirrorPlugins: () => [new Plugin({
    key: new PluginKey("blanks"),
    props: {
      handleTextInput(view, from, to, text) {
        if (!view.state.doc.rangeHasMark(Math.max(from - 1, 0), Math.min(to + 1, view.state.doc.content.size), view.state.schema.marks.blank)) return false
        const blank = blanks(view.state.doc).find((each) => within(each, { from, to }))
        if (!blank || (from === to && (from === blank.from || from === blank.to))) return false
        const tr = view.state.tr.replaceWith(blank.from, blank.to, view.state.schema.text(text))
        view.dispatch(tr.setSelection(TextSelection.create(tr.doc, blank.from + text.length)).scrollIntoView())
        return true
      }
    }
  })]
})
