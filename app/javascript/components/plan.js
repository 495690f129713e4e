import { restoreFolding } from "./folding"

// Branches of the plan fold; without script the way to the open page is unfolded, and every page opens its own branch.
export default () => ({
  init() {
    restoreFolding()
  },

  fold(event) {
    const button = event.currentTarget
    const folded = button.closest("li").classList.toggle("folded")
    button.setAttribute("aria-expanded", String(!folded))
  }
})
