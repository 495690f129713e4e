import { closeHistory } from "@tiptap/pm/history"
import { TextSelection } from "@tiptap/pm/state"
import { upload } from "./files"

// A file dropped into the text comes in as text, at once. What of it was lost is told, and it can be taken out again or
// kept as a file instead.
export default class Arrived {
  constructor(parts) {
    Object.assign(this, parts)
  }

  // @param at [Number, null] between which blocks it came down; null for where the caret is
  async take(file, at) {
    this.let()
    const { editor, words } = this
    const place = this.follow(at ?? editor.state.selection.$to.after(1))
    const tell = (share) => this.say(words.uploading.replace("%{name}", file.name).replace("%{place}", "1/1").replace("%{share}", Math.round(share * 100)))
    tell(0)
    const { ok, body } = await upload(this.root.dataset.texts, file, tell)
    if (!ok) {
      this.let()
      return this.say(`${file.name}: ${body.error ?? words.upload_failed}`)
    }
    Object.assign(this.names.files, body.files)
    this.putIn(body.content, place)
    const asFile = [words.as_file, () => this.takeOut() && this.asFile(file, this.from)]
    return this.say(this.told(file, body.lost), [[words.take_out, () => this.takeOut()], ...(body.file ? [asFile] : [])])
  }

  // Both ends are followed through whatever is written meanwhile.
  follow(at) {
    this.from = this.to = at
    this.following = ({ transaction }) => {
      this.from = transaction.mapping.map(this.from, 1)
      this.to = transaction.mapping.map(this.to, -1)
    }
    this.editor.on("transaction", this.following)
  }

  let() {
    if (this.following) this.editor.off("transaction", this.following)
    this.following = null
  }

  // As a step of its own among those that are undone, where all its blocks fit: out of a cell or a notice if need be.
  putIn(content) {
    const { view, state } = this.editor
    const nodes = content.map((each) => state.schema.nodeFromJSON(each))
    const $at = state.doc.resolve(this.from)
    const fits = $at.depth === 0 || nodes.every(({ type }) => $at.parent.canReplaceWith($at.index(), $at.index(), type))
    const start = fits ? this.from : $at.after(1)
    const before = state.doc.content.size
    const tr = closeHistory(state.tr).insert(start, nodes)
    view.dispatch(tr.setSelection(TextSelection.near(tr.doc.resolve(start), 1)).scrollIntoView())
    this.from = start
    this.to = start + view.state.doc.content.size - before
    view.focus()
  }

  takeOut() {
    const { view } = this.editor
    this.let()
    view.dispatch(closeHistory(view.state.tr).delete(this.from, this.to).scrollIntoView())
    view.focus()
    this.say("")
    return true
  }

  told(file, lost) {
    const came = this.words.came_in.replace("%{name}", file.name)
    return lost.length ? `${came} ${this.words.lost} ${lost.join("; ")}` : came
  }
}
