// Rows with a box to tick: a box for all of them, and how many are ticked.
export default () => ({
  init() {
    this.all = this.$root.querySelector("[data-all]")
    this.all.hidden = false
    this.changed({ target: null })
  },

  changed(event) {
    const boxes = [...this.$root.querySelectorAll("tbody input[type=checkbox]")]
    if (event.target === this.all) boxes.forEach((box) => { box.checked = this.all.checked })
    const count = boxes.filter((box) => box.checked).length
    this.all.checked = count > 0 && count === boxes.length
    this.all.indeterminate = count > 0 && count < boxes.length
    const words = this.$root.querySelector("[data-count]")
    this.lead ??= words.textContent
    words.textContent = count ? words.dataset.words.replace("%{count}", count) : this.lead
    this.$root.querySelectorAll("[data-acts] button").forEach((button) => { button.disabled = count === 0 })
  }
})
