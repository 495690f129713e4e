import { NodeSelection, Selection } from "@tiptap/pm/state"
import * as choices from "./choices"
import { upload } from "./files"
import Picker from "./picker"
import { get, post } from "../http"

const LARGEST_TABLE = 1_000_000 // bytes

// All that comes into a text otherwise than by typing it: links, blocks, people, pages shown live, files.
export default class Inserting {
  constructor({ root, words, names, editor }) {
    Object.assign(this, { root, words, names, editor })
    this.picker = new Picker({ panel: this.part("link-panel"), onClose: () => this.closed() })
  }

  part(name) {
    return this.root.querySelector(`[data-${name}]`)
  }

  // Opens the field for one kind of choice. Closed without one, the sign that opened it comes back.
  ask(label, find, onChoose, { text = "", sign = null } = {}) {
    this.part("publish-panel").hidden = true
    this.sign = sign
    this.picker.open({ label: this.words.asks[label], find, text, onChoose: (choice) => { this.sign = null; onChoose(choice) } })
  }

  closed() {
    const chain = this.editor.chain().focus()
    ;(this.sign ? chain.insertContent(this.sign, { applyInputRules: false }) : chain).run()
    this.sign = null
  }

  anything(sign = null) {
    this.ask("insert", choices.inserts(this.words), (choice) => this.insert(choice), { sign })
  }

  insert({ content, ask }) {
    if (content) this.block(content)
    else if (ask === "link") this.link()
    else if (ask === "file" || ask === "gallery") this.chooseFiles(ask === "gallery")
    else if (ask === "mention") this.mention()
    else if (ask === "date") this.day(({ date }) => this.inline({ type: "date", attrs: { date } }))
    else if (ask === "sign") this.character()
    else if (ask === "cite") this.cite()
    else if (ask === "blank") this.blank()
    else if (ask === "title") this.choosePage(({ id }) => this.inline({ type: "page_title", attrs: { page: id } }))
    else this.choosePage((page) => this.live(page))
  }

  choosePage(onChoose) {
    this.ask("page", choices.pages(this.root.dataset.choices), (page) => {
      this.names.pages[page.id] = page.title
      onChoose(page)
    })
  }

  link(sign = null) {
    const { from, to } = this.editor.state.selection
    const text = this.editor.state.doc.textBetween(from, to, " ")
    this.ask("link", choices.links(this.root.dataset.choices, this.words), (choice) => this.setLink(choice), { text, sign })
  }

  setLink({ target, title: label }) {
    const link = { type: "link", attrs: { target } }
    const { empty, from, to } = this.editor.state.selection
    const chain = this.editor.chain().focus()
    if (empty) chain.insertContent({ type: "text", text: label, marks: [link] }).unsetMark("link").run()
    else chain.setTextSelection({ from, to }).setMark("link", link.attrs).setTextSelection(to).run()
  }

  mention(sign = null) {
    this.ask("mention", choices.people(this.names.people), ({ id }) => this.inline([{ type: "mention", attrs: { person: id } }, { type: "text", text: " " }]), { sign })
  }

  day(onChoose) {
    this.ask("day", choices.days(this.root.dataset.days), onChoose)
  }

  async character() {
    const { default: find } = await import(this.root.dataset.signs)
    this.ask("sign", async (text) => find(text), ({ sign }) => this.inline(sign))
  }

  cite() {
    this.ask("cite", choices.sources(this.root.dataset.sources, this.words), (choice) => (choice.id ? this.citeSource(choice) : this.newSource(choice.typed)))
  }

  citeSource({ id, title }) {
    this.names.sources[id] = title
    this.inline({ type: "cite", attrs: { source: id, place: this.part("source-place").value.trim() } })
    this.part("source-place").value = ""
  }

  newSource(typed) {
    const form = this.part("source-panel")
    form.reset()
    const field = /^https?:/.test(typed) ? "address" : "title"
    form.elements[`source[${field}]`].value = typed
    form.elements["source[accessed_on]"].value = field === "address" ? new Date().toLocaleDateString("sv") : ""
    this.part("source-error").hidden = true
    form.hidden = false
    form.elements["source[title]"].focus()
  }

  async keepSource() {
    const form = this.part("source-panel")
    const fields = ["title", "author", "publisher", "address", "date", "accessed_on"]
    const answer = await post(this.root.dataset.sources, { source: Object.fromEntries(fields.map((name) => [name, form.elements[`source[${name}]`].value])) }).catch(() => null)
    if (!answer?.ok) {
      this.part("source-error").textContent = Object.values(answer?.body?.errors ?? {}).flat().join(" ") || this.words.upload_failed
      this.part("source-error").hidden = false
      return
    }
    form.hidden = true
    if (answer.body.known) this.say(this.words.source_known.replace("%{title}", answer.body.title))
    this.citeSource(answer.body)
  }

  // What is chosen becomes a blank; else one is set and chosen, to be worded.
  blank() {
    const { from, empty } = this.editor.state.selection
    if (!empty) return this.editor.chain().focus().toggleMark("blank").run()
    const text = this.words.blank
    this.editor.chain().focus().insertContent({ type: "text", text, marks: [{ type: "blank" }] }).setTextSelection({ from, to: from + text.length }).run()
  }

  // A block that is chosen whole is not written over: the line goes behind it.
  inline(content) {
    const { selection } = this.editor.state
    const chain = this.editor.chain().focus()
    if (selection instanceof NodeSelection && selection.node.isBlock) {
      const line = typeof content === "string" ? { type: "text", text: content } : content
      chain.insertContentAt(selection.to, { type: "paragraph", content: [line].flat() }).run()
    } else chain.insertContent(content).run()
  }

  // In place of an empty paragraph, else behind the block that the cursor is in; further out where that cannot hold it.
  block(content) {
    this.editor.chain().focus().command(({ tr, state }) => {
      const node = state.schema.nodeFromJSON(content)
      const whole = state.selection instanceof NodeSelection && state.selection.node.isBlock ? state.selection : null
      const $from = whole ? state.doc.resolve(whole.to) : state.selection.$from
      if (whole && $from.parent.canReplaceWith($from.index(), $from.index(), node.type)) {
        tr.insert(whole.to, node)
        tr.setSelection(Selection.near(tr.doc.resolve(whole.to + 1)))
        return true
      }
      const depth = this.depthFor(node.type, $from)
      if (depth === null) return false
      const replaced = depth === $from.depth && $from.parent.type.name === "paragraph" && $from.parent.content.size === 0
      const at = replaced ? $from.before(depth) : $from.after(depth)
      tr.replaceWith(at, $from.after(depth), node)
      tr.setSelection(Selection.near(tr.doc.resolve(at + 1)))
      return true
    }).scrollIntoView().run()
  }

  depthFor(type, $from) {
    for (let depth = $from.depth; depth > 0; depth -= 1) {
      const index = $from.indexAfter(depth - 1)
      if ($from.node(depth - 1).canReplaceWith(index, index, type)) return depth
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
    this.ask("passage", async (text) => all.filter((choice) => choice.words.toLowerCase().includes(text.toLowerCase())), ({ id }) => insert(id))
  }

  async tellWithheld(page) {
    const { words } = await get(`${this.root.dataset.withheld}?page=${page}`)
    this.say(words ?? "")
  }

  chooseFiles(together) {
    this.together = together
    this.part("file").click()
  }

  // One after the other, so that they stand in their order; what is refused is told, and the rest goes on.
  async files(files) {
    const problems = []
    const pictures = []
    const together = this.together
    this.together = false
    for (const [i, file] of files.entries()) {
      if (/\.(csv|tsv)$/i.test(file.name) && await this.table(file)) continue
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
      else this.block(block)
    }
    if (pictures.length) this.block({ type: "gallery", content: pictures })
    this.say(problems.join(" "))
  }

  // A file of rows becomes a table, if it is one.
  async table(file) {
    if (file.size > LARGEST_TABLE) return false
    const answer = await post(this.root.dataset.paste, { grid: await file.text() }).catch(() => null)
    const block = answer?.ok && answer.body.content.find(({ type }) => type === "table")
    if (block) this.block(block)
    return Boolean(block)
  }

  say(text) {
    this.part("insert-said").textContent = text
    this.part("insert-said").hidden = !text
  }
}
