import { joinInto } from "./joining"
import { written } from "./written"

// The title and the text of the page, as they are saved and as they come from elsewhere.
export default class Text {
  constructor(root, title) {
    Object.assign(this, { root, title })
  }

  // @return [Object] title, and the document in JSON
  read() {
    return { title: this.title, document: written(this.editor.state) }
  }

  take({ title, document }) {
    this.title = title
    this.root.querySelector("#title").value = title
    this.editor.commands.setContent(document, { emitUpdate: false })
  }

  // A title and a text that came of joining; the title stays as long as one is writing it.
  //
  // @return [Boolean] whether all of the text is on the screen
  join({ title, document }, from) {
    const field = this.root.querySelector("#title")
    if (field !== globalThis.document.activeElement && field.value === this.title) field.value = this.title = title
    return joinInto(this.editor, from, document)
  }

  // Ids that the server gave hold as long as the text has not changed meanwhile; else the next save mends again.
  takeIds(ids, sent) {
    if (this.read().document !== sent.document) return
    const { tr, doc } = this.editor.state
    let place = -1
    doc.descendants((node, pos) => {
      if (!("id" in node.attrs)) return
      place += 1
      if (ids[place]) tr.setNodeAttribute(pos, "id", ids[place])
    })
    this.quietly(tr)
  }

  // What colleagues ticked while reading has come into the text.
  takeTicks(ticks) {
    const { tr, doc } = this.editor.state
    doc.descendants((node, pos) => {
      if (node.type.name === "task" && node.attrs.id in ticks) tr.setNodeAttribute(pos, "done", ticks[node.attrs.id])
    })
    this.quietly(tr)
  }

  // Not to be undone, and nothing to save.
  quietly(tr) {
    this.editor.view.dispatch(tr.setMeta("addToHistory", false).setMeta("preventUpdate", true))
  }
}
