import * as tableActs from "@tiptap/pm/tables"
import { move, remove } from "./moving"
import { turn } from "./turning"

// What the workbench's buttons and lists do to the text. at() gives the editor, which is there later than the buttons.
export default (at, part) => {
  // The row or column of the cursor changes places with its neighbour.
  function moveInTable(what, step) {
    const { map, left, top } = tableActs.selectedRect(at().state)
    const from = what === "row" ? top : left
    const to = from + step
    if (to < 0 || to >= (what === "row" ? map.height : map.width)) return
    const command = what === "row" ? tableActs.moveTableRow : tableActs.moveTableColumn
    command({ from, to })(at().state, at().view.dispatch)
  }

  return {
    setBlock(event) {
      turn(at(), event.target.value)
      part("handle-menu").hidden = true
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

    moveUp() {
      at().chain().focus().command(move(-1)).run()
    },

    moveDown() {
      at().chain().focus().command(move(1)).run()
    },

    removeBlock() {
      at().chain().focus().command(remove).run()
      part("handle-menu").hidden = true
    },

    closeHandle(event) {
      if (!event.target.closest(".block-handle")) part("handle-menu").hidden = true
    },

    toggleMark(event) {
      at().chain().focus().toggleMark(event.currentTarget.dataset.mark).run()
    },

    toggleList(event) {
      const { list } = event.currentTarget.dataset
      at().chain().focus().toggleList(list, list === "task_list" ? "task" : "list_item").run()
    },

    undo() {
      at().chain().focus().undo().run()
    },

    redo() {
      at().chain().focus().redo().run()
    },

    // Acts on the table in which the cursor stands, by the name the library gives them.
    changeTable(event) {
      const act = event.target.value
      setTimeout(() => { part("table-acts").value = "" })
      const step = { rowUp: ["row", -1], rowDown: ["row", 1], columnLeft: ["column", -1], columnRight: ["column", 1] }[act]
      if (step) moveInTable(...step)
      else if (["left", "center", "right"].includes(act)) tableActs.setCellAttr("align", act === "left" ? null : act)(at().state, at().view.dispatch)
      else tableActs[act](at().state, at().view.dispatch)
      at().commands.focus()
    }
  }
}
