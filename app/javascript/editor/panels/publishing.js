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
    if (!this.field("own").hidden) this.panel.note.focus()
  }

  // It stands there when it has come.
  async tellBefore() {
    this.field("words").replaceChildren()
    await this.saving.save()
    const { words: sentences, review } = await get(`${this.address}/new`)
    this.lead(review)
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

  // Where the draft has to be looked over, the panel leads there; what is said to be small may go through if the rules let it.
  lead(review) {
    const link = this.field("review")
    link.hidden = !review
    Object.assign(link, review ? { textContent: review.words, href: review.address } : {})
    const open = !review || review.small
    this.field("own").hidden = !open
    this.field("later").hidden = Boolean(review)
    this.field("go").hidden = !open
    this.field("go").classList.toggle("button-main", !review)
    this.panel.small.checked = Boolean(review?.small) || this.panel.small.checked
    if (!this.panel.hidden && this.panel.contains(document.activeElement) === false) (open ? this.panel.note : link).focus()
  }

  async publish() {
    const button = this.field("go")
    if (button.hidden) return this.field("review").focus()

    button.disabled = true
    const saved = await this.saving.save()
    const { note, small, follow, due_at, up_to_date } = this.panel
    const answer = saved && await post(this.address, { version: this.saving.version, note: note.value, small: small.checked ? "1" : "0", follow: follow.checked ? "1" : "0", up_to_date: up_to_date?.checked ? "1" : "0", due_at: due_at.value }).catch(() => null)
    button.disabled = false
    if (answer?.ok) return location.assign(answer.body.location)

    this.field("error").textContent = answer?.body?.error ?? this.words.failed
    this.field("error").hidden = false
    return null
  }
}
