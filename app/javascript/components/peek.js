import { fragment } from "../http"

// What stands in a section is fetched when it is first looked into.
export default () => ({
  async open() {
    const place = this.$root.querySelector("[data-peeked]")
    if (!this.$root.open || place.childElementCount > 0) return
    const told = await fragment(this.$root.dataset.src)
    if (told) place.replaceChildren(...told.children)
  },
})
