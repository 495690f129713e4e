// Fields that stand in a block and are no text of it.

export function control(tag, label, options, onInput) {
  const element = Object.assign(document.createElement(tag), options)
  element.setAttribute("aria-label", label)
  element.addEventListener(tag === "select" ? "change" : "input", () => onInput(element.value))
  return element
}

export const text = (label, value, onInput, options = {}) => control("input", label, { placeholder: label, maxLength: 200, autocomplete: "off", value: value ?? "", ...options }, onInput)

export function choice(label, entries, value, onInput) {
  const select = control("select", label, {}, onInput)
  select.append(...entries.map(([key, words]) => new Option(words, key)))
  select.value = value
  return select
}

export function tick(label, checked, onChange) {
  const element = document.createElement("label")
  const box = Object.assign(document.createElement("input"), { type: "checkbox", checked })
  box.addEventListener("change", () => onChange(box.checked))
  element.append(box, ` ${label}`)
  return element
}

// Shows what the document says, unless somebody is typing there.
export function mirrored(element, value) {
  const field = element.matches("label") ? element.querySelector("input") : element
  if (document.activeElement === field) return
  if (field.type === "checkbox") field.checked = Boolean(value)
  else field.value = value ?? ""
}
