import { Extension } from "@tiptap/core"
import { SearchQuery, findNext, findPrev, getMatchHighlights, replaceAll, replaceNext, search, setSearchState } from "prosemirror-search"

// Finding and replacing in the text that is being written.

export const searching = Extension.create({ name: "searching", addProseMirrorPlugins: () => [search()] })

export class Searching {
  constructor({ panel, editor, words }) {
    Object.assign(this, { panel, editor, words })
    this.form = panel.querySelector("form")
  }

  open({ replacing = false } = {}) {
    const { from, to } = this.editor.state.selection
    const text = this.editor.state.doc.textBetween(from, to, " ")
    if (text) this.form.find.value = text
    this.panel.hidden = false
    this.ask()
    const field = replacing && this.form.find.value ? this.form.replace : this.form.find
    field.focus()
    field.select()
  }

  close() {
    if (this.panel.hidden) return
    this.panel.hidden = true
    this.set(new SearchQuery({ search: "" }))
    this.editor.commands.focus()
  }

  ask() {
    this.set(new SearchQuery({ search: this.form.find.value, replace: this.form.replace.value, caseSensitive: this.form.case.checked, wholeWord: this.form.whole.checked, literal: true }))
    this.count()
  }

  set(query) {
    this.editor.view.dispatch(setSearchState(this.editor.state.tr, query))
  }

  count() {
    const found = getMatchHighlights(this.editor.state).find().length
    this.panel.querySelector("[data-found]").textContent = this.form.find.value === "" ? "" : found === 1 ? this.words.found_one : this.words.found.replace("%{count}", found)
  }

  run(command) {
    command(this.editor.state, (tr) => this.editor.view.dispatch(tr.scrollIntoView()))
    this.count()
  }

  next() { this.run(findNext) }

  previous() { this.run(findPrev) }

  replace() { this.run(replaceNext) }

  replaceAll() { this.run(replaceAll) }
}
