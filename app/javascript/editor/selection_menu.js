import { Extension } from "@tiptap/core"
import { Plugin, PluginKey, TextSelection } from "@tiptap/pm/state"
import { setHidden } from "./after_paint"
import { blankChosen } from "./blanks"

// The small menu that stands above chosen text.
class SelectionMenu {
  constructor(view, menu) {
    Object.assign(this, { view, menu })
    // Choosing in the menu may take the focus from the text without giving it to anything.
    this.hide = ({ relatedTarget }) => { if (relatedTarget && !menu.contains(relatedTarget) && !view.dom.contains(relatedTarget)) menu.hidden = true }
    view.dom.addEventListener("blur", this.hide)
    menu.addEventListener("focusout", this.hide)
  }

  update(view) {
    const { selection } = view.state
    const chosen = selection instanceof TextSelection && !selection.empty && !selection.$from.parent.type.spec.code
    setHidden(this.menu, !chosen || !view.editable || blankChosen(view.state))
    if (this.menu.hidden) return
    const frame = this.menu.offsetParent.getBoundingClientRect()
    const start = view.coordsAtPos(selection.from)
    const left = Math.min(Math.max(start.left - frame.left, 0), frame.width - this.menu.offsetWidth)
    this.menu.style.left = `${left}px`
    this.menu.style.top = `${start.top - frame.top - this.menu.offsetHeight - 8}px`
  }

  destroy() {
    this.view.dom.removeEventListener("blur", this.hide)
    this.menu.removeEventListener("focusout", this.hide)
  }
}

export default (menu) => Extension.create({
  name: "selection_menu",
  addProseMirrorPlugins: () => [new Plugin({ key: new PluginKey("selection_menu"), view: (view) => new SelectionMenu(view, menu) })]
})
