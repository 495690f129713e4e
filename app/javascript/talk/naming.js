import { get } from "../http"

const ASKED = /(?:^|[\s(])@([\p{L}][^\n@]{0,40})$/u

// While a name is typed behind an @, those who are called so are offered; what is chosen stands in the text as it is.
export function naming(field) {
  if (field.dataset.named) return
  field.dataset.named = "true"
  const list = Object.assign(document.createElement("ul"), { className: "names", hidden: true, id: `${field.id}-names` })
  list.setAttribute("role", "listbox")
  field.setAttribute("aria-controls", list.id)
  field.after(list)
  let asked = 0
  const close = () => { list.hidden = true }
  const here = () => list.querySelector("[aria-selected=true]")
  const choose = (option) => {
    const before = field.value.slice(0, field.selectionStart), typed = before.match(ASKED)
    const rest = field.value.slice(field.selectionStart)
    const kept = before.slice(0, before.length - typed[1].length) + option.textContent + " "
    field.value = kept + rest.replace(/^ /, "")
    field.setSelectionRange(kept.length, kept.length)
    close()
    field.dispatchEvent(new Event("input", { bubbles: true }))
  }
  const show = (people) => {
    list.replaceChildren(...people.map(({ name }, i) => {
      const option = Object.assign(document.createElement("li"), { textContent: name })
      option.setAttribute("role", "option")
      option.setAttribute("aria-selected", String(i === 0))
      return option
    }))
    list.hidden = people.length === 0
  }
  field.addEventListener("input", async () => {
    const typed = field.value.slice(0, field.selectionStart).match(ASKED)?.[1]
    const mine = ++asked
    if (!typed) return close()
    const people = await get(`/person_choices?q=${encodeURIComponent(typed)}`).catch(() => [])
    if (mine === asked) show(people)
  })
  field.addEventListener("keydown", (event) => {
    if (list.hidden) return
    const by = { ArrowDown: "nextElementSibling", ArrowUp: "previousElementSibling" }[event.key]
    if (by) {
      event.preventDefault()
      const next = here()?.[by]
      if (next) { here().setAttribute("aria-selected", "false"); next.setAttribute("aria-selected", "true") }
    } else if (event.key === "Enter" || event.key === "Tab") {
      event.preventDefault()
      choose(here())
    } else if (event.key === "Escape") {
      event.preventDefault()
      close()
    }
  })
  list.addEventListener("mousedown", (event) => {
    event.preventDefault()
    const option = event.target.closest("[role=option]")
    if (option) choose(option)
  })
  field.addEventListener("blur", close)
}
