// Names with commas between them: the browser's own suggestions complete the last one.
export default () => ({
  init() {
    this.list = document.getElementById(this.$el.dataset.names)
    this.names = [...this.list.options].map((option) => option.value)
    this.$el.setAttribute("list", this.list.id)
    this.typed()
  },

  typed() {
    const parts = this.$el.value.split(",")
    const last = parts.pop().trim().toLowerCase()
    const before = parts.map((part) => part.trim()).filter(Boolean)
    const had = new Set(before.map((name) => name.toLowerCase()))
    const offered = this.names.filter((name) => !had.has(name.toLowerCase()) && name.toLowerCase().startsWith(last))
    this.list.replaceChildren(...offered.slice(0, 20).map((name) => new Option("", [...before, name].join(", "))))
  }
})
