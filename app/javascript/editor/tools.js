import { setAttribute } from "./after_paint"
import { mirrored } from "./controls"
import { kindOf } from "./turning"
import { focusText } from "./focus"

// The tools below the text show what the text is where the caret stands, and are walked by keys.
export default class Tools {
  constructor(bench) {
    const { root, part, editor } = bench
    Object.assign(this, { part, editor })
    this.marks = [...root.querySelectorAll("[data-mark]")]
    this.lists = [...root.querySelectorAll("[data-list]")]
    root.addEventListener("keydown", (event) => this.key(event))
    window.addEventListener("keydown", (event) => event.key === "F6" && this.goRound(event))
    bench.hear("escape", () => this.closeMenus())
    bench.whenPainted(() => this.mirror())
  }

  mirror() {
    const { editor } = this
    mirrored(this.part("block"), kindOf(editor))
    for (const button of this.marks) setAttribute(button, "aria-pressed", String(editor.isActive(button.dataset.mark)))
    for (const button of this.lists) setAttribute(button, "aria-pressed", String(editor.isActive(button.dataset.list)))
    setAttribute(this.part("centre"), "aria-pressed", String(editor.isActive({ align: "center" })))
  }

  // Answers whether one was open.
  closeMenus() {
    const menus = [...document.querySelectorAll("details.menu[open]")]
    menus.forEach((menu) => { menu.open = false })
    return menus.length > 0
  }

  // Text, acts beside the table, workbench, and back to the text.
  goRound(event) {
    event.preventDefault()
    const places = [this.editor.view.dom, this.part("table-gutter"), this.part("context"), this.part("tools")].filter((place) => !place.hidden)
    const at = places.findIndex((place) => place.contains(document.activeElement))
    const next = places[(at + 1) % places.length]
    if (next === this.editor.view.dom) focusText(this.editor)
    else [...next.querySelectorAll("button, select, input")].find((tool) => tool.offsetParent)?.focus()
  }

  // Among the tools the arrow keys lead on.
  key(event) {
    const bar = event.target.closest("[role=toolbar]")
    const step = { ArrowRight: 1, ArrowLeft: -1 }[event.key]
    if (!bar || !step || event.target.matches("select, input:not([type=checkbox])")) return
    const tools = [...bar.querySelectorAll("button, select, input")].filter((tool) => tool.offsetParent)
    const at = tools.indexOf(document.activeElement)
    if (at < 0) return
    event.preventDefault()
    tools[(at + step + tools.length) % tools.length].focus()
  }
}
