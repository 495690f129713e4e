import { CENTRED, LISTS } from "./blocks"
import { turn } from "./turning"

// What the workbench's buttons and lists do to the text. at() gives the editor, which is there later than the buttons.
export default (at) => ({
  setBlock(event) {
    turn(at(), event.target.value)
  },

  // "highlight ochre", "colour brick", or nothing for neither.
  setTone(event) {
    const [mark, tone] = event.target.value.split(" ")
    event.target.value = "-"
    const chain = at().chain().focus().unsetMark("highlight").unsetMark("colour")
    if (mark) chain.setMark(mark, { tone })
    chain.run()
  },

  // How wide the columns are to each other, as shares.
  setShares(event) {
    const shares = event.target.value.split(" ").map(Number)
    event.target.value = ""
    at().chain().focus().command(({ tr, state }) => {
      const { $from } = state.selection
      for (let depth = $from.depth; depth > 0; depth -= 1) {
        if ($from.node(depth).type.name !== "columns") continue
        $from.node(depth).forEach((column, offset, i) => tr.setNodeAttribute($from.start(depth) + offset, "share", shares[i] ?? 1))
        return true
      }
      return false
    }).run()
  },

  toggleMark(event) {
    at().chain().focus().toggleMark(event.currentTarget.dataset.mark).run()
  },

  // The whole link that the caret is in.
  unlink() {
    at().chain().focus().extendMarkRange("link").unsetMark("link").run()
  },

  toggleList(event) {
    const { list } = event.currentTarget.dataset
    at().chain().focus().toggleList(list, LISTS[list]).run()
  },

  // Paragraphs and headings that are chosen, or that the caret is in.
  toggleCentre() {
    const editor = at()
    const centred = editor.isActive({ align: "center" })
    editor.chain().focus().command(({ tr, state }) => {
      state.doc.nodesBetween(state.selection.from, state.selection.to, (node, pos) => {
        if (CENTRED[node.type.name] === "align") tr.setNodeAttribute(pos, "align", centred ? null : "center")
      })
      return true
    }).run()
  },

  undo() {
    at().chain().focus().undo().run()
  },

  redo() {
    at().chain().focus().redo().run()
  }
})
