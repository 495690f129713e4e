import { NodeSelection, Selection, TextSelection } from "@tiptap/pm/state"
import Arrived from "./arrived"
import { answer, leave, take } from "./asking"
import * as choices from "./choices"
import { upload } from "./files"
import Opening from "./opening"
import { headings } from "./outline"
import Citing from "./panels/citing"
import Picker from "./panels/picker"
import { get, post } from "../http"
import { focusText } from "./focus"

const TEXT = /\.(md|markdown|html?|xhtml|txt|text|docx|odt)$/i
const LARGEST_TABLE = 1_000_000 // bytes

// All that comes into a text otherwise than by typing it: links, blocks, people, pages shown live, files.
export default class Inserting {
  constructor(bench) {
    const { root, words, names, editor, panels, tell } = bench
    Object.assign(this, { root, words, names, editor, panels, say: tell, part: bench.part })
    const element = this.part("link-panel")
    this.picker = new Picker({ panel: element, words, onClose: (inText) => this.left(inText), onActive: (id) => this.mark(id) })
    this.citing = new Citing({ root, words, names, panels, say: tell, inserting: this })
    panels.add("link", { element, open: () => this.link(), close: () => this.picker.close(), keys: { k: null } })
    panels.add("insert", { element, open: () => this.anything(), close: () => this.picker.close() })
    this.part("file").addEventListener("change", ({ target }) => this.chosenFiles(target))
    root.addEventListener("mousedown", ({ target }) => this.pressedElsewhere(target))
    this.opening = new Opening({ root, words, names, say: tell })
    this.arrived = new Arrived({ root, words, names, editor, say: tell, asFile: (file, at) => this.files([file], at) })
    bench.hear("files", (files, at) => this.dropped(files, at))
    bench.hear("day", (onChoose) => this.day(onChoose))
    for (const [name, act] of Object.entries(this.signsHeard())) bench.hear(name, act)
  }

  // What the plugin that watches for signs is told.
  signsHeard() {
    const ask = { "->": () => this.link(true), "/": () => this.anything(true), "@": () => this.mention(true) }
    return {
      onOpen: (sign) => ask[sign](),
      onTyped: (text) => this.picker.typed(text),
      onClosed: () => this.picker.inText && this.picker.hide(),
      onKey: (name) => this.picker.isOpen && this.picker.take(name)
    }
  }

  // Opens the list for one kind of choice. What is chosen comes in the place of the sign that asked for it.
  ask(label, find, onChoose, { text = "", inText = false } = {}) {
    this.panels.close()
    const chosen = inText ? (choice) => this.answered(choice, onChoose) : async (choice) => this.chosen(await choice, onChoose)
    this.picker.open({ label: this.words.asks[label], find, text, inText, onChoose: chosen })
  }

  chosen(choice, onChoose) {
    if (choice) onChoose(choice)
    else focusText(this.editor)
  }

  async answered(choice, onChoose) {
    const { view } = this.editor
    const place = take(view)
    const found = choice instanceof Promise ? await choice : choice
    answer(view, place, found && (() => onChoose(found)))
  }

  left(inText) {
    if (inText) leave(this.editor.view)
    else focusText(this.editor)
  }

  // The text has the focus; a screen reader is told which choice is marked.
  mark(id) {
    const { dom } = this.editor.view
    if (id) dom.setAttribute("aria-activedescendant", id)
    else dom.removeAttribute("aria-activedescendant")
  }

  anything(inText = false) {
    this.ask("insert", choices.inserts(this.words), (choice) => this.insert(choice), { inText })
  }

  insert({ content, ask }) {
    if (content) return this.block(content)
    const asks = {
      link: () => this.link(), file: () => this.chooseFiles(false), gallery: () => this.chooseFiles(true), mention: () => this.mention(), sign: () => this.character(),
      date: () => this.day(({ date }) => this.inline({ type: "date", attrs: { date } })), cite: () => this.cite(), blank: () => this.blank(), footnote: () => this.footnote(),
      title: () => this.choosePage(({ id }) => this.inline({ type: "page_title", attrs: { page: id } })), live: () => this.choosePage((page) => this.live(page)), passage: () => this.choosePassage()
    }
    return asks[ask]()
  }

  choosePage(onChoose) {
    this.ask("page", choices.pages(this.root.dataset.choices, this.words), (page) => {
      this.know(page.page)
      onChoose(page)
    })
  }

  choosePassage() {
    this.ask("any_passage", choices.passages(this.root.dataset.anyPassage), ({ id, block }) => {
      this.block({ type: "live_insert", attrs: { page: id, passage: block } })
      this.tellWithheld(id)
    })
  }

  know({ id, title, state }) {
    this.names.pages[id] = title
    this.names.states[id] = state
  }

  // Within a link the whole of it is meant.
  link(inText = false) {
    if (!inText && this.editor.state.selection.empty && this.editor.isActive("link")) this.editor.commands.extendMarkRange("link")
    const { from, to } = this.editor.state.selection
    const text = inText ? "" : this.editor.state.doc.textBetween(from, to, " ")
    const own = () => headings(this.editor.state.doc).map(({ text: heading, id }) => ({ id: this.root.dataset.page, block: id, heading }))
    this.ask("link", choices.links(this.root.dataset.choices, this.words, own), (choice) => this.setLink(choice), { text, inText })
  }

  setLink({ target, title: label, page }) {
    if (page?.state) this.know(page)
    const link = { type: "link", attrs: { target } }
    const { empty, from, to } = this.editor.state.selection
    if (empty) return this.inline({ type: "text", text: label, marks: [link] })
    return this.editor.chain().focus().setTextSelection({ from, to }).setMark("link", link.attrs).setTextSelection(to).run()
  }

  mention(inText = false) {
    const named = ({ id }) => {
      this.inline([{ type: "mention", attrs: { person: id } }, { type: "text", text: " " }])
      if (this.names.outside?.includes(id)) this.opening.offer(id)
    }
    this.ask("mention", choices.people(this.names, this.words), named, { inText })
  }

  day(onChoose) {
    this.ask("day", choices.days(this.root.dataset.days), onChoose)
  }

  async character() {
    const { default: find } = await import(this.root.dataset.signs)
    this.ask("sign", find, ({ sign }) => this.inline(sign))
  }

  cite() {
    this.citing.ask()
  }

  // Behind what is chosen, to be written at once.
  footnote() {
    const { $to, to } = this.editor.state.selection
    const { footnote } = this.editor.schema.nodes
    if (!$to.parent.isTextblock || !$to.parent.canReplaceWith($to.index(), $to.index(), footnote)) return this.say(this.words.no_footnote_here)
    return this.editor.chain().focus().command(({ tr }) => Boolean(tr.insert(to, footnote.create()).setSelection(TextSelection.create(tr.doc, to + 1)))).scrollIntoView().run()
  }

  // What is chosen becomes a blank; else one is set and chosen, to be worded.
  blank() {
    const { from, empty } = this.editor.state.selection
    if (!empty) return this.editor.chain().focus().toggleMark("blank").run()
    const text = this.words.blank
    return this.editor.chain().focus().insertContent({ type: "text", text, marks: [{ type: "blank" }] }).setTextSelection({ from, to: from + text.length }).run()
  }

  // A block that is chosen whole is not written over: the line goes behind it. A mark ends with what it came with.
  inline(content) {
    const { selection } = this.editor.state
    const line = [typeof content === "string" ? { type: "text", text: content } : content].flat()
    const chain = this.editor.chain().focus()
    if (selection instanceof NodeSelection && selection.node.isBlock) chain.insertContentAt(selection.to, { type: "paragraph", content: line }).run()
    else chain.insertContent(line).unsetMark("link").run()
  }

  // In place of an empty paragraph, else behind the block that the cursor is in; further out where that cannot hold it.
  // @param content [Object, Array] one block, or several
  // @param at [Number, null] between which blocks, if the pointer says so
  block(content, at = null) {
    this.editor.chain().focus(null, { scrollIntoView: false }).command(({ tr, state }) => {
      const nodes = [content].flat().map((each) => state.schema.nodeFromJSON(each))
      const [node] = nodes
      const place = at === null ? this.placeFor(node.type, state) : { from: at, to: at }
      if (!place) return false
      tr.replaceWith(place.from, place.to, nodes)
      const inside = Selection.findFrom(tr.doc.resolve(place.from), 1)
      tr.setSelection(node.isAtom && NodeSelection.isSelectable(node) ? NodeSelection.create(tr.doc, place.from) : inside ?? Selection.near(tr.doc.resolve(place.from + 1)))
      return true
    }).scrollIntoView().run()
  }

  placeFor(type, { selection, doc }) {
    const whole = selection instanceof NodeSelection && selection.node.isBlock
    const $from = whole ? doc.resolve(selection.to) : selection.$from
    if (whole && $from.parent.canReplaceWith($from.index(), $from.index(), type)) return { from: selection.to, to: selection.to }
    for (let depth = $from.depth; depth > 0; depth -= 1) {
      const index = $from.indexAfter(depth - 1)
      if (!$from.node(depth - 1).canReplaceWith(index, index, type)) continue
      const replaced = depth === $from.depth && $from.parent.type.name === "paragraph" && $from.parent.content.size === 0
      return { from: replaced ? $from.before(depth) : $from.after(depth), to: $from.after(depth) }
    }
    return null
  }

  async live(page) {
    const passages = await get(this.root.dataset.passages.replace("PAGE", page.id))
    const insert = (passage) => {
      this.block({ type: "live_insert", attrs: { page: page.id, passage } })
      this.tellWithheld(page.id)
    }
    if (!passages.length) return insert(null)
    const all = [{ id: null, words: this.words.whole_page }, ...passages.map(({ id, name }) => ({ id, words: name }))]
    return this.ask("passage", choices.among(all), ({ id }) => insert(id))
  }

  async tellWithheld(page) {
    const { words } = await get(`${this.root.dataset.withheld}?page=${page}`)
    this.say(words ?? "")
  }

  chosenFiles(field) {
    this.files([...field.files])
    field.value = ""
  }

  // Pressed elsewhere, a list of choices closes.
  pressedElsewhere(target) {
    if (this.picker.isOpen && !this.picker.inText && !target.closest("[data-link-panel]")) this.picker.hide()
  }

  // What is dropped or pasted: one text alone comes in as text, all else as files.
  dropped(files, at) {
    return files.length === 1 && TEXT.test(files[0].name) ? this.arrived.take(files[0], at) : this.files(files, at)
  }

  chooseFiles(together) {
    this.together = together
    this.part("file").click()
  }

  // One after the other, so that they stand in their order; what is refused is told, and the rest goes on.
  // @param at [Number, null] between which blocks they were dropped
  async files(files, at = null) {
    const problems = []
    const pictures = []
    const together = this.together
    this.together = false
    const put = this.placing(at)
    for (const [i, file] of files.entries()) {
      if (/\.(csv|tsv)$/i.test(file.name) && await this.table(file, put)) continue
      const tell = (share) => this.say(this.words.uploading.replace("%{name}", file.name).replace("%{place}", `${i + 1}/${files.length}`).replace("%{share}", Math.round(share * 100)))
      tell(0)
      const { ok, body } = await upload(this.root.dataset.files, file, tell)
      if (!ok) {
        problems.push(`${file.name}: ${body.error ?? this.words.upload_failed}`)
        continue
      }
      this.names.files[body.id] = body.name
      const picture = ["picture", "drawing"].includes(body.kind)
      const block = { type: picture ? "figure" : "embed", attrs: { file: body.id } }
      if (together && picture) pictures.push(block)
      else put(block)
    }
    if (pictures.length) put({ type: "gallery", content: pictures })
    this.say(problems.join(" "))
  }

  // Puts blocks one behind the other: where they came down, though the text changes meanwhile, or where the caret is.
  placing(at) {
    if (at === null) return (block) => this.block(block)
    let place = at
    const follow = ({ transaction }) => { place = transaction.mapping.map(place) }
    this.editor.on("transaction", follow)
    return (block) => this.block(block, place)
  }

  // A file of rows becomes a table, if it is one.
  async table(file, put) {
    if (file.size > LARGEST_TABLE) return false
    const answer = await post(this.root.dataset.paste, { grid: await file.text() }).catch(() => null)
    const block = answer?.ok && answer.body.content.find(({ type }) => type === "table")
    if (block) put(block)
    return Boolean(block)
  }
}
