// What stands in a section is fetched when it is first looked into.
export default () => ({
  async open() {
    const place = this.$root.querySelector("[data-peeked]")
    if (!this.$root.open || place.childElementCount > 0) return
    const answer = await fetch(this.$root.dataset.src).catch(() => null)
    if (!answer?.ok) return
    const parsed = new DOMParser().parseFromString(await answer.text(), "text/html")
    place.replaceChildren(...parsed.body.children)
  },
})
