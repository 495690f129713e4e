import { destroy, patch } from "../http"
import { focusText } from "./focus"

// What is to be settled since two wrote, and cannot be marked in the text: a list above the workbench, each with what can be
// done about it.
export default class Disputes {
  constructor(bench) {
    const { part, words, saving, editor, root } = bench
    Object.assign(this, { place: part("disputes"), words, saving, editor, address: root.dataset.disputesAt, tell: bench.tell })
    this.place.addEventListener("click", ({ target }) => this.press(target.closest("button")))
    bench.hear("answered", ({ disputes }) => this.show(disputes))
    bench.hear("unsettled", () => this.disputes.map(({ words: label, block }) => ({ label, go: () => this.go(block) })))
    this.show(JSON.parse(part("draft").textContent).disputes)
  }

  show(disputes) {
    if (!disputes || JSON.stringify(disputes) === this.shown) return
    this.shown = JSON.stringify(disputes)
    this.disputes = disputes
    this.place.hidden = disputes.length === 0
    this.place.querySelector("ul").replaceChildren(...disputes.map((each) => this.line(each)))
  }

  line({ id, block, words, take, leave }) {
    const line = document.createElement("li")
    const acts = Object.assign(document.createElement("div"), { className: "bench-told-acts" })
    acts.append(...[["take", take], ["leave", leave], ["go", block && this.words.settle_go]].filter(([, label]) => label).map(([act, label]) => {
      const button = Object.assign(document.createElement("button"), { type: "button", className: "button button-small", textContent: label })
      Object.assign(button.dataset, { act, id, block: block ?? "" })
      return button
    }))
    line.append(Object.assign(document.createElement("span"), { textContent: words }), acts)
    return line
  }

  press(button) {
    if (!button) return null
    const { act, id, block } = button.dataset
    return act === "go" ? this.go(block) : this.settle(act, id)
  }

  // What is written here is saved first, so that what is settled builds on it.
  async settle(act, id) {
    if (!(await this.saving.save())) return
    const address = `${this.address}/${id}`
    const answer = await (act === "take" ? patch(address, { since: this.saving.version }) : destroy(address, { since: this.saving.version })).catch(() => null)
    if (!answer?.ok) return this.tell(answer?.body?.error ?? this.words.settle_failed)
    if (!this.saving.follow(answer.body)) this.show(answer.body.disputes)
    focusText(this.editor)
  }

  go(block) {
    let found = null
    this.editor.state.doc.descendants((node, pos) => {
      if (node.attrs.id === block) found ??= pos
    })
    if (found === null) document.querySelector("#title").focus()
    else this.editor.chain().setNodeSelection(found).scrollIntoView().focus().run()
  }
}
