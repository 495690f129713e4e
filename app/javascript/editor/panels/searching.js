import { Extension } from "@tiptap/core"
import { SearchQuery, findNext, findPrev, getMatchHighlights, replaceAll, replaceNext, search, setSearchState } from "prosemirror-search"
import { TextSelection } from "@tiptap/pm/state"
import { keepInView } from "../in_view"

// Finding and replacing in the text that is being written. One of what is found is always chosen and seen: replacing
// replaces that one, and goes on to the next.

export const searching = Extension.create({ name: "searching", addProseMirrorPlugins: () => [search()] })

export default class Searching {
  constructor({ root, part, panels, editor, words }) {
    const panel = part("search-panel")
    Object.assign(this, { root, panel, editor, words })
    this.form = panel.querySelector("form")
    this.form.addEventListener("submit", (event) => event.preventDefault())
    this.form.addEventListener("input", ({ target }) => (target.name === "replace" ? this.reword() : this.ask()))
    this.form.addEventListener("keydown", (event) => this.key(event))
    panel.addEventListener("click", ({ target }) => this[target.closest("[data-act]")?.dataset.act]?.())
    panels.add("search", { element: panel, open: (given) => this.open(given), close: () => this.hide(), keys: { f: {}, h: { replacing: true } } })
  }

  key(event) {
    if (event.key !== "Enter") return
    event.preventDefault()
    if (event.target.name === "replace") this.replace()
    else if (event.shiftKey) this.previous()
    else this.next()
  }

  open({ replacing = false } = {}) {
    const { from, to } = this.editor.state.selection
    const text = this.editor.state.doc.textBetween(from, to, " ")
    if (text && !text.includes("\n")) this.form.find.value = text
    this.panel.hidden = false
    this.ask()
    const field = replacing && this.form.find.value ? this.form.replace : this.form.find
    field.focus()
    field.select()
  }

  hide() {
    this.panel.hidden = true
    this.set(new SearchQuery({ search: "" }))
  }

  // While one types, the first from the caret on is shown.
  ask() {
    this.set(new SearchQuery({ search: this.form.find.value, replace: this.form.replace.value, caseSensitive: this.form.case.checked, wholeWord: this.form.whole.checked, literal: true }))
    this.show(this.matches().find(({ from }) => from >= this.editor.state.selection.from) ?? this.matches()[0])
  }

  // Only what is put in its place has changed.
  reword() {
    this.set(new SearchQuery({ search: this.form.find.value, replace: this.form.replace.value, caseSensitive: this.form.case.checked, wholeWord: this.form.whole.checked, literal: true }))
  }

  set(query) {
    this.editor.view.dispatch(setSearchState(this.editor.state.tr, query))
  }

  matches() {
    return getMatchHighlights(this.editor.state).find().map(({ from, to }) => ({ from, to }))
  }

  show(match) {
    const { tr } = this.editor.state
    if (match) this.editor.view.dispatch(tr.setSelection(TextSelection.create(tr.doc, match.from, match.to)))
    this.seen()
  }

  // The editor itself scrolls only while it has the focus, which is in the panel here.
  seen() {
    keepInView(this.editor.view, this.root)
    this.count()
  }

  count() {
    const { from, to } = this.editor.state.selection
    const all = this.matches()
    const at = all.findIndex((match) => match.from === from && match.to === to)
    const said = all.length === 0 ? this.words.found_none : at < 0 ? this.words.found.replace("%{count}", all.length) : this.words.found_at.replace("%{number}", at + 1).replace("%{count}", all.length)
    this.panel.querySelector("[data-found]").textContent = this.form.find.value === "" ? "" : said
  }

  run(command) {
    command(this.editor.state, (tr) => this.editor.view.dispatch(tr))
    this.seen()
  }

  next() { this.run(findNext) }

  previous() { this.run(findPrev) }

  replace() { this.run(replaceNext) }

  replaceAll() { this.run(replaceAll) }
}
