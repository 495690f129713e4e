// Links marked data-panel open what they lead to in a dialog over the page; without script they simply lead there.
export default () => ({
  init() {
    document.addEventListener("click", (event) => {
      const link = event.target.closest("a[data-panel]")
      if (!link || event.ctrlKey || event.metaKey || event.shiftKey || event.button !== 0) return

      event.preventDefault()
      this.open(link.href)
    })
  },

  async open(address) {
    const response = await fetch(address, { headers: { "X-Fragment": "1", Accept: "text/html" } }).catch(() => null)
    if (!response?.ok) return location.assign(address)

    const dialog = this.$root
    const content = dialog.querySelector("[data-panel-content]")
    const parsed = new DOMParser().parseFromString(await response.text(), "text/html")
    content.replaceChildren(this.closing(), ...parsed.body.childNodes)
    dialog.showModal()
  },

  closing() {
    const form = document.createElement("form")
    form.method = "dialog"
    form.className = "panel-close"
    const button = document.createElement("button")
    button.className = "button button-small"
    button.textContent = this.$root.dataset.close
    form.append(button)
    return form
  }
})
