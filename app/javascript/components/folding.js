const root = document.documentElement

function fold(part) {
  const folded = root.dataset[part] === "folded"
  root.dataset[part] = folded ? "open" : "folded"
  localStorage.setItem(part, root.dataset[part])
}

export const foldPlan = () => fold("plan")
export const foldMargin = () => fold("margin")

export function restoreFolding() {
  for (const part of ["plan", "margin"]) root.dataset[part] = localStorage.getItem(part) ?? "open"
}
