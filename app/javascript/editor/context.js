import { NodeSelection, TextSelection } from "@tiptap/pm/state"
import * as tableActs from "@tiptap/pm/tables"
import { setHidden } from "./after_paint"
import { CENTRED, TURNED } from "./blocks"
import { choose, chosenBlock, chosenRange, setAlong, takesAlong } from "./chosen"
import { withoutIds } from "./clipboard"
import { mirrored } from "./controls"
import { ADDRESS } from "./ids"
import { move, moveSection, remove } from "./moving"
import { isHeading } from "./sections"
import { addressOf, told } from "./told_links"
import { kindOf, turn } from "./turning"
import { focusText } from "./focus"

// A page's address of this house, as documents name it.
function target(typed) {
  const own = typed.startsWith(`${location.origin}/p/`) && typed.match(ADDRESS)
  return own ? ["page:" + own[1], own[2]].filter(Boolean).join("#") : typed.trim() || null
}

// The picture that is chosen, or whose caption is written.
function figureAt({ selection }) {
  if (selection instanceof NodeSelection) return selection.node.type.name === "figure" ? { pos: selection.from, node: selection.node } : null
  const { $from } = selection
  return $from.parent.type.name === "figure" ? { pos: $from.before(), node: $from.parent } : null
}

// What can be done with what is chosen, or with what the caret is in, on a line of its own above the tools.
export default class Context {
  constructor(bench) {
    const { part, root, editor, words, names, tell } = bench
    const [row, gutter] = [part("context"), part("table-gutter")]
    Object.assign(this, { row, gutter, editor, words, names, say: tell, linkedFrom: root.dataset.linkedFrom, promise: root.dataset.promise, address: `${location.origin}${root.dataset.address}` })
    this.groups = new Map([...row.querySelectorAll("[data-for]")].map((group) => [group.dataset.for, group]))
    row.addEventListener("click", (event) => this.act(event.target.closest("[data-block-act]")))
    row.addEventListener("change", (event) => this.set(event.target))
    row.addEventListener("input", (event) => event.target.matches("input[data-figure]") && this.setFigure(event.target))
    for (const place of [row, gutter]) place.addEventListener("click", (event) => this.changeTable(event.target.closest("[data-table-act]")?.dataset.tableAct))
    bench.hear("describe", () => this.describe())
    bench.whenPainted(() => this.mirror())
  }

  group(name) {
    return this.groups.get(name)
  }

  mirror() {
    const { state } = this.editor
    const chosen = chosenBlock(state)
    const figure = figureAt(state)
    const table = tableActs.isInTable(state)
    const ledTo = this.ledTo(chosen)
    const link = !chosen && this.editor.isActive("link") ? this.editor.getAttributes("link").target : null
    const shown = { block: Boolean(chosen), figure: Boolean(figure), led: Boolean(ledTo), link: Boolean(link), table, columns: this.editor.isActive("columns") && !table }
    for (const [name, here] of Object.entries(shown)) setHidden(this.group(name), !here)
    setHidden(this.row, !Object.values(shown).includes(true))
    if (chosen) this.mirrorBlock(chosen)
    if (figure) for (const field of this.group("figure").querySelectorAll("[data-figure]")) mirrored(field, figure.node.attrs[field.dataset.figure] ?? "")
    if (link) this.mirrorLink(link)
    if (ledTo) this.mirrorLed(ledTo)
    this.beside(table)
  }

  // What others lead to by itself: the block that is chosen, or what the caret stands in.
  ledTo(chosen) {
    const { $from } = this.editor.state.selection
    const nodes = chosen ? [chosen.node] : Array.from({ length: $from.depth }, (_, i) => $from.node($from.depth - i))
    return nodes.map(({ attrs }) => attrs.id).find((id) => this.names.led_to[id])
  }

  mirrorLed(id) {
    const group = this.group("led")
    group.querySelector("[data-led-told]").textContent = this.names.led_to[id]
    group.querySelector("a").href = `${this.linkedFrom}?section=${id}`
  }

  mirrorLink(target) {
    const group = this.group("link")
    group.querySelector("[data-link-told]").textContent = told(target, this.names, this.words)
    const write = group.querySelector("[data-link-write]")
    write.hidden = !target.startsWith("promise:")
    write.href = write.hidden ? "#" : `${this.promise}?title=${encodeURIComponent(target.slice("promise:".length))}`
    const open = group.querySelector("[data-link-open]")
    open.hidden = !addressOf(target)
    open.href = addressOf(target) ?? "#"
  }

  mirrorBlock({ node }) {
    const turn = this.group("block").querySelector("[data-turn]")
    turn.hidden = !TURNED.includes(node.type.name)
    mirrored(turn, kindOf(this.editor))
    const along = this.group("block").querySelector("[data-along]")
    along.hidden = !isHeading(node)
    mirrored(along, takesAlong(this.editor.state))
    const centre = this.group("block").querySelector("[data-block-act=centre]")
    centre.hidden = !CENTRED[node.type.name]
    centre.setAttribute("aria-pressed", String(node.attrs[CENTRED[node.type.name]] === "center"))
  }

  // The commonest acts on a table stand beside the row that the caret is in.
  beside(table) {
    setHidden(this.gutter, !table)
    if (!table) return
    const cell = tableActs.cellAround(this.editor.state.selection.$head) ?? tableActs.selectionCell(this.editor.state)
    const dom = cell && this.editor.view.nodeDOM(cell.pos)
    if (!dom) return
    const [box, frame] = [dom.getBoundingClientRect(), this.gutter.parentElement.getBoundingClientRect()]
    this.gutter.style.top = `${box.top - frame.top}px`
  }

  act(button) {
    if (!button) return
    const chain = this.editor.chain().focus()
    const along = isHeading(chosenBlock(this.editor.state)?.node) && takesAlong(this.editor.state)
    const acts = {
      up: () => chain.command(along ? moveSection(-1) : move(-1)).run(), down: () => chain.command(along ? moveSection(1) : move(1)).run(),
      outer: () => chain.command(choose).run(), copy: () => this.copy(), address: () => this.copyAddress(), passage: () => this.passage(), centre: () => this.centre(), remove: () => this.remove(along)
    }
    acts[button.dataset.blockAct]()
  }

  set(field) {
    if (field.matches("[data-turn]")) turn(this.editor, field.value)
    else if (field.closest("[data-along]")) setAlong(this.editor.view, field.checked)
    else if (field.matches("select[data-figure]")) this.setFigure(field)
    else if (field.matches("[data-table-acts]")) {
      const act = field.value
      field.value = ""
      this.changeTable(act)
    }
  }

  setFigure(field) {
    const figure = figureAt(this.editor.state)
    const { figure: name } = field.dataset
    const value = { width: Number, target, side: (text) => text || null }[name]?.(field.value) ?? (name === "alt" ? field.value : null)
    if (figure && figure.node.attrs[name] !== value) this.editor.view.dispatch(this.keeping(figure, this.editor.state.tr.setNodeAttribute(figure.pos, name, value)))
  }

  // Setting an attribute of what is chosen would let go of it.
  keeping({ pos }, tr) {
    return this.editor.state.selection instanceof NodeSelection ? tr.setSelection(NodeSelection.create(tr.doc, pos)) : tr
  }

  describe() {
    this.group("figure").querySelector("[data-figure=alt]").focus()
  }

  centre() {
    const chosen = chosenBlock(this.editor.state)
    const name = CENTRED[chosen.node.type.name]
    const tr = this.editor.state.tr.setNodeAttribute(chosen.from, name, chosen.node.attrs[name] === "center" ? null : "center")
    this.editor.view.dispatch(this.keeping({ pos: chosen.from }, tr))
    focusText(this.editor)
  }

  // What is chosen once more, behind itself; the copy is chosen.
  copy() {
    const { state, view } = this.editor
    const { from, to } = chosenRange(state)
    const tr = state.tr.insert(to, withoutIds(state.doc.slice(from, to).content))
    view.dispatch(tr.setSelection(NodeSelection.create(tr.doc, to)).scrollIntoView())
    view.focus()
  }

  async copyAddress() {
    const { node } = chosenBlock(this.editor.state)
    await navigator.clipboard?.writeText(`${this.address}#b-${node.attrs.id}`).catch(() => {})
    this.say(this.words.address_copied)
    focusText(this.editor)
  }

  // Becomes a passage, whose name is asked for at once.
  passage() {
    const { state, view } = this.editor
    const range = chosenRange(state)
    const { passage } = state.schema.nodes
    const content = state.doc.slice(range.from, range.to).content
    const $from = state.doc.resolve(range.from)
    if (!$from.parent.canReplaceWith($from.index(), $from.index(), passage) || !passage.validContent(content)) return this.say(this.words.no_passage_here)
    const tr = state.tr.replaceWith(range.from, range.to, passage.create(null, content))
    view.dispatch(tr.setSelection(NodeSelection.create(tr.doc, range.from)).scrollIntoView())
    view.nodeDOM(range.from)?.querySelector("input")?.focus()
    return null
  }

  remove(along) {
    if (!along) return this.editor.chain().focus().command(remove).run()
    const { from, to } = chosenRange(this.editor.state)
    const { tr } = this.editor.state
    tr.delete(from, to)
    this.editor.view.dispatch(tr.setSelection(TextSelection.near(tr.doc.resolve(Math.min(from, tr.doc.content.size)))))
    return focusText(this.editor)
  }

  // Acts on the table in which the caret stands, by the name the library gives them.
  changeTable(act) {
    if (!act) return
    const { state, view } = this.editor
    const step = { rowUp: ["row", -1], rowDown: ["row", 1], columnLeft: ["column", -1], columnRight: ["column", 1] }[act]
    if (step) this.moveInTable(...step)
    else if (["left", "center", "right"].includes(act)) tableActs.setCellAttr("align", act === "left" ? null : act)(state, view.dispatch)
    else tableActs[act](state, view.dispatch)
    focusText(this.editor)
  }

  // The row or column of the caret changes places with its neighbour.
  moveInTable(what, step) {
    const { state, view } = this.editor
    const { map, left, top } = tableActs.selectedRect(state)
    const from = what === "row" ? top : left
    const to = from + step
    if (to < 0 || to >= (what === "row" ? map.height : map.width)) return
    const command = what === "row" ? tableActs.moveTableRow : tableActs.moveTableColumn
    command({ from, to })(state, view.dispatch)
  }
}
