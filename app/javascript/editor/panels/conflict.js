// A colleague's text and one's own, while one is to be chosen: what differs is shown by word, and both are kept whatever is
// chosen.
export default class Conflict {
  constructor(bench) {
    const { part, words, editor, saving, text, say } = bench
    Object.assign(this, { part, words, editor, saving, text, say, answer: null })
    part("conflict").addEventListener("click", ({ target }) => this[target.closest("[data-conflict-act]")?.dataset.conflictAct]?.())
    bench.hear("conflict", (answer) => this.show(answer))
    bench.hear("conflicted", () => this.answer)
  }

  show(answer) {
    this.answer = answer
    this.part("conflict-lead").textContent = this.words.conflict_lead.replace("%{author}", answer.author)
    this.part("differences").replaceChildren(...new DOMParser().parseFromString(answer.html, "text/html").body.childNodes)
    this.editor.setEditable(false)
    this.part("conflict").hidden = false
    this.part("conflict").scrollIntoView({ behavior: "instant" })
    this.part("conflict").focus({ preventScroll: true })
    this.toFirst(this.part("differences"))
  }

  // A long text is shown from where it first differs.
  toFirst(box) {
    const first = box.querySelector("[data-change]")
    if (first) box.scrollTop = first.getBoundingClientRect().top - box.getBoundingClientRect().top - 40
  }

  // Both texts, one's own words behind the colleague's where they differ.
  takeBoth() {
    const { version, both, title } = this.answer
    this.end()
    this.text.take({ title, document: both })
    this.saving.goOn(version)
  }

  keepMine() {
    const { version } = this.answer
    this.end()
    this.saving.goOn(version)
  }

  takeTheirs() {
    const { answer, saving } = this
    this.end()
    this.text.take(answer)
    saving.leaveOff(answer.version)
    this.say("saved")
  }

  end() {
    this.answer = null
    this.part("conflict").hidden = true
    this.editor.setEditable(true)
    this.editor.commands.focus()
  }
}
