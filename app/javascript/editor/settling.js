import { focusText } from "./focus"
const KINDS = ["double", "kept"]
const LONGEST = 60 // characters of each that a list shows
const kept = new WeakMap()

const disputed = (node) => node.isText && node.marks.find(({ type }) => KINDS.includes(type.name))

// Runs of disputed words that stand beside each other, of one block: each with whose they are and where, from its beginning.
function stretches(block) {
  if (kept.has(block)) return kept.get(block)
  const found = []
  block.descendants((node, pos) => {
    const mark = disputed(node)
    if (!mark) return
    const run = { kind: mark.type.name, by: mark.attrs.by, from: pos, to: pos + node.nodeSize }
    const last = found.at(-1), before = last?.at(-1)
    if (before?.to !== pos || before.kind !== run.kind) found.push([run])
    else if (before.by === run.by) before.to = run.to
    else last.push(run)
  })
  kept.set(block, found)
  return found
}

// Words that two wrote in one place, or that one changed and another removed: told, gone through, and settled by one key.
export default class Settling {
  constructor(bench) {
    const { part, editor, words, names } = bench
    Object.assign(this, { place: part("settling"), editor, words, people: names.people ?? {} })
    this.place.addEventListener("click", ({ target }) => this.act(target.closest("[data-settle]")?.dataset.settle))
    editor.view.dom.addEventListener("keydown", (event) => {
      if (!event.altKey || !["1", "2", "3"].includes(event.key) || !this.here()) return
      event.preventDefault()
      this.act(this.choices(this.here())[event.key - 1]?.act)
    })
    bench.hear("unsettled", () => this.all.map((runs) => ({ label: this.told(runs), go: () => this.to(runs) })))
    bench.whenPainted(() => this.show())
  }

  get all() {
    const found = []
    this.editor.state.doc.forEach((block, offset) => {
      stretches(block).forEach((runs) => found.push(runs.map((run) => ({ ...run, from: run.from + offset + 1, to: run.to + offset + 1 }))))
    })
    return found
  }

  // Each one's words, and whose they are.
  told(runs) {
    const { doc } = this.editor.state
    const quoted = runs.map((run) => this.words.settle_words.replace("%{name}", this.name(run)).replace("%{words}", doc.textBetween(run.from, run.to, " ", " ").trim().slice(0, LONGEST)))
    return this.words[`settle_list_${runs[0].kind}`].replace("%{words}", quoted.join(", "))
  }

  // What the caret stands in, or at.
  here() {
    const { from } = this.editor.state.selection
    return this.all.find((runs) => runs[0].from <= from && from <= runs.at(-1).to)
  }

  name = ({ by }) => this.people[by] ?? this.words.somebody

  choices(runs) {
    if (runs[0].kind === "kept") return [{ act: "0", label: this.words.settle_keep }, { act: "none", label: this.words.settle_out }]
    return [...runs.map((run, i) => ({ act: String(i), label: this.words.settle_of.replace("%{name}", this.name(run)) })), { act: "all", label: this.words.settle_all }].slice(0, 9)
  }

  show() {
    const { all } = this
    this.place.hidden = all.length === 0
    if (!all.length) return

    const here = this.here()
    const said = here ? this.words[`settle_${here[0].kind}`].replace("%{name}", this.name(here[0])) : this.words.settle_count.replace("%{count}", all.length)
    const acts = here ? this.choices(here).map(({ act, label }, i) => ({ act, label, key: `Alt+${i + 1}` })) : []
    const shown = JSON.stringify([said, acts])
    if (this.shown === shown) return
    this.shown = shown
    this.place.querySelector("[data-settling-words]").textContent = said
    this.place.querySelector("[data-settling-acts]").replaceChildren(...[...acts, { act: "next", label: this.words.settle_next }].map((each) => this.button(each)))
  }

  button({ act, label, key }) {
    const button = Object.assign(document.createElement("button"), { type: "button", className: "button button-small", textContent: label })
    button.dataset.settle = act
    if (key) button.title = `${label} (${key})`
    return button
  }

  act(act) {
    if (act === "next") return this.next()
    const runs = act && this.here()
    if (!runs) return
    const { tr } = this.editor.state
    runs.toReversed().forEach((run, i) => {
      if (act !== "all" && act !== String(runs.length - 1 - i)) tr.delete(run.from, run.to)
      else KINDS.forEach((kind) => tr.removeMark(run.from, run.to, this.editor.schema.marks[kind]))
    })
    this.spare(tr, runs[0].from)
    this.editor.view.dispatch(tr.scrollIntoView())
    focusText(this.editor)
  }

  // The space that stood between the two is not wanted any more where there is one before it.
  spare(tr, pos) {
    const $pos = tr.doc.resolve(pos)
    const before = $pos.nodeBefore?.text?.at(-1) ?? " ", after = $pos.nodeAfter?.text?.at(0)
    if (/\s/.test(before) && after === " ") tr.delete(pos, pos + 1)
  }

  next() {
    const { all } = this, { from } = this.editor.state.selection
    this.to(all.find(([first]) => first.from > from) ?? all[0])
  }

  to(runs) {
    this.editor.chain().focus().setTextSelection(runs[0].from + 1).scrollIntoView().run()
  }
}
