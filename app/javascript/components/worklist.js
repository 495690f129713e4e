// A list that is worked through: what is done to one thing leaves it in its place, with what takes it back, and goes on to the next.
export default () => ({
  done: null,

  async submit(event) {
    const form = event.target.closest("form[data-worked]")
    if (!form) return
    event.preventDefault()
    const row = form.closest("[data-item]")
    const answer = await this.send(form.action, new FormData(form))
    if (!answer) return form.submit()
    if (answer.error) return this.refuse(row, answer.error)

    this.finish(row, answer)
    this.next(row)
  },

  // Why it could not be done stands in its place, and what was offered stays.
  refuse(row, words) {
    const said = row.querySelector(".worked-problem") || row.querySelector(".row-acts").appendChild(document.createElement("span"))
    said.className = "worked-problem"
    said.textContent = words
    this.say(words)
  },

  // Takes back what was done last, wherever one has gone since.
  async undo() {
    const row = this.done?.find((one) => one.isConnected && one.undoing)
    if (row) await this.takeBack(row)
  },

  finish(row, answer) {
    const acts = row.querySelector(".row-acts")
    row.before_ = [...acts.childNodes]
    row.undoing = answer.undo
    row.classList.add("worked")
    const said = document.createElement("span")
    said.className = "worked-said"
    said.textContent = answer.said
    acts.replaceChildren(said)
    this.say(answer.said)
    if (answer.undo) {
      const button = this.$root.querySelector("template[data-work-undo]").content.firstElementChild.cloneNode(true)
      button.addEventListener("click", () => this.takeBack(row))
      acts.append(button)
    }
    this.done = [row, ...(this.done || []).filter((one) => one !== row)]
  },

  async takeBack(row) {
    const body = new FormData()
    body.append("_method", "delete")
    body.append("back", location.pathname + location.search)
    const answer = await this.send(row.undoing, body)
    if (!answer) return this.say(this.$root.dataset.failed)

    row.undoing = null
    row.classList.remove("worked")
    row.querySelector(".row-acts").replaceChildren(...row.before_)
    this.say(answer.said)
    this.focus(row)
  },

  // The next that nothing has been done to, else the one before.
  next(row) {
    const rows = [...this.$root.querySelectorAll("[data-item]")]
    const at = rows.indexOf(row)
    const left = [...rows.slice(at + 1), ...rows.slice(0, at).reverse()].find((one) => !one.classList.contains("worked"))
    this.focus(left || row)
  },

  focus(row) {
    this.$root.querySelectorAll(".change-here").forEach((one) => one.classList.remove("change-here"))
    row.classList.add("change-here")
    row.setAttribute("tabindex", "-1")
    row.focus()
  },

  say(words) {
    this.$root.querySelector("[data-work-said]").textContent = words
  },

  async send(address, body) {
    const token = document.querySelector("meta[name=csrf-token]")?.content ?? ""
    const response = await fetch(address, { method: "POST", body, headers: { Accept: "application/json", "X-CSRF-Token": token } }).catch(() => null)
    return response && (response.ok || response.status === 422) && response.headers.get("Content-Type")?.includes("json") ? response.json() : null
  }
})
