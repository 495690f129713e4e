import { get } from "../http"

// The button says what giving opens, where that is all there is to say; what has more to it is looked at first.
export default () => ({
  button: null, plain: "", asked: null, // named here: what is not would be kept by the page's outermost component

  init() {
    this.button = this.$root.querySelector("button")
    this.plain = this.button.textContent
  },

  async chosen() {
    const chosen = new URLSearchParams([...new FormData(this.$root)].filter(([name]) => ["holders[]", "level", "ends_on"].includes(name)))
    const asked = this.asked = Symbol("asked")
    const { said, look } = chosen.has("holders[]") ? await get(`${this.$root.dataset.preview}?${chosen}`) : {}
    if (asked !== this.asked) return

    this.$root.querySelector("[name=said]").value = said ?? ""
    this.button.textContent = said ?? (look ? (this.button.dataset.look ?? this.plain) : this.plain)
    const spoken = this.$root.querySelector("[data-spoken]")
    if (spoken) spoken.textContent = said ?? ""
  },

  narrow(event) {
    const words = event.target.value.toLowerCase().split(/\s+/)
    this.$root.querySelectorAll(".whom label").forEach((label) => {
      label.hidden = !label.querySelector("input").checked && !words.every((word) => label.textContent.toLowerCase().includes(word))
    })
  }
})
