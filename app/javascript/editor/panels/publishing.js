import { get, post } from "../../http"

// Publishing from the workbench: what there is to know before, a note, and the edition.
export default class Publishing {
  constructor({ root, part, panels, words, saving, ask, askAll }) {
    const panel = part("publish-panel")
    Object.assign(this, { panel, panels, words, saving, ask, askAll, address: root.dataset.publish })
    panel.addEventListener("submit", (event) => {
      event.preventDefault()
      this.publish()
    })
    panel.addEventListener("keydown", (event) => { // the key that opened it
      if (event.key !== "Enter" || !(event.ctrlKey || event.metaKey)) return
      event.preventDefault()
      event.stopPropagation()
      this.publish()
    })
    panels.add("publish", { element: panel, open: () => this.open(), keys: { Enter: null, s: null } })
  }

  field(name) {
    return this.panel.querySelector(`[data-publish-${name}]`)
  }

  open() {
    this.tellBefore()
    this.field("error").hidden = true
    this.panel.hidden = false
    this.panel.querySelector("#note").focus()
  }

  // It stands there when it has come.
  async tellBefore() {
    this.field("words").replaceChildren()
    await this.saving.save()
    const { words: sentences } = await get(`${this.address}/new`)
    const list = this.askAll("unsettled").flat().map(({ label, go }) => {
      const line = document.createElement("li")
      const button = Object.assign(document.createElement("button"), { type: "button", className: "publish-go", textContent: label })
      button.addEventListener("click", () => {
        this.panels.close()
        go()
      })
      line.append(button)
      return line
    })
    this.field("unsettled").replaceChildren(...list)
    this.field("words").replaceChildren(...(sentences ?? []).map((sentence) => Object.assign(document.createElement("li"), { textContent: sentence })))
  }

  async publish() {
    const button = this.panel.querySelector("button")
    button.disabled = true
    const saved = await this.saving.save()
    const { note, small, due_at } = this.panel
    const answer = saved && await post(this.address, { version: this.saving.version, note: note.value, small: small.checked ? "1" : "0", due_at: due_at.value }).catch(() => null)
    button.disabled = false
    if (answer?.ok) return location.assign(answer.body.location)

    this.field("error").textContent = answer?.body?.error ?? this.words.failed
    this.field("error").hidden = false
    return null
  }
}
