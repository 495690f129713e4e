// Text that this browser still holds of an earlier visit, if the server never had it.
export default class Local {
  constructor({ part, text, saving, editor }) {
    Object.assign(this, { part, text, saving, editor })
    part("local").addEventListener("click", ({ target }) => this[target.closest("[data-local-act]")?.dataset.localAct]?.())
    this.looked = this.look()
  }

  async look() {
    this.held = await this.saving.unsaved()
    if (!this.held) return

    const own = this.text.read()
    if (this.held.document === own.document && this.held.title === own.title) this.saving.forget()
    else this.part("local").hidden = false
  }

  // If somebody saved since, both texts are shown.
  take() {
    this.text.take({ title: this.held.title, document: JSON.parse(this.held.document) })
    this.saving.version = this.held.base
    this.part("local").hidden = true
    this.saving.changed()
    this.editor.commands.focus("end")
  }

  drop() {
    this.saving.forget()
    this.part("local").hidden = true
    this.editor.commands.focus()
  }
}
