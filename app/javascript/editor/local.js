// Text that this browser still holds of an earlier visit, if the server never had it: it is joined with what stands there
// now.
export default class Local {
  constructor(bench) {
    const { text, saving, words, tell, root } = bench
    Object.assign(this, { text, saving, words, tell, comparison: root.dataset.comparison })
    bench.hear("joined", (body) => this.joined(body))
    this.looked = this.look()
  }

  async look() {
    const own = this.text.read()
    const held = (await this.saving.unsaved()).filter(({ document, title }) => document !== own.document || title !== own.title)
    if (!held.length) return this.saving.forget()

    this.back = true
    this.saving.comeBack(held)
  }

  // Says that something has come together, and shows it beside what it was before.
  joined({ by, since, version }) {
    const words = this.back ? this.words.joined_back : by ? this.words.joined.replace("%{names}", by) : null
    this.back = false
    if (words) this.tell(words, [[this.words.joined_look, () => window.open(`${this.comparison}?from=v${since}&to=v${version}`, "_blank", "noopener")]])
  }
}
