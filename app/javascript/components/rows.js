// Rows of a form that can be added, moved and taken out; without script the last, empty one is for the next.
export default () => ({
  init() {
    this.rows = this.$el.querySelector("[data-rows]")
    this.row = this.$el.querySelector("template[data-row]")
    const last = this.rows.lastElementChild
    if (last && !last.querySelector("input").value) last.remove()
    this.$el.querySelectorAll("[data-add], [data-act]").forEach((button) => (button.hidden = false))
    this.row.content.querySelectorAll("[data-act]").forEach((button) => (button.hidden = false))
  },

  add() {
    this.rows.append(this.row.content.cloneNode(true))
    this.focus(this.rows.lastElementChild)
  },

  up() {
    const row = this.$el.closest("li")
    if (row.previousElementSibling) row.previousElementSibling.before(row)
    this.$el.focus()
  },

  down() {
    const row = this.$el.closest("li")
    if (row.nextElementSibling) row.nextElementSibling.after(row)
    this.$el.focus()
  },

  remove() {
    const row = this.$el.closest("li")
    const next = row.nextElementSibling || row.previousElementSibling
    row.remove()
    next ? this.focus(next) : this.add()
  },

  focus(row) {
    row.querySelector("input").focus()
  }
})
