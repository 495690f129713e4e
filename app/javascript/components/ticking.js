import { patch } from "../http"

// Tasks are ticked where they are read.
export default () => ({
  async tick(event) {
    const box = event.target.closest("[data-tick]")
    if (!box) return
    const done = box.getAttribute("aria-pressed") !== "true"
    const answer = await patch(box.dataset.tick, { done: done ? "1" : "0" }).catch(() => null)
    if (!answer?.ok) return
    box.setAttribute("aria-pressed", String(answer.body.done))
    box.classList.toggle("task-ticked", answer.body.done)
  }
})
