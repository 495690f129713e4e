import { Selection } from "@tiptap/pm/state"
import * as choices from "./choices"
import { upload } from "./files"
import Picker from "./picker"
import { get } from "../http"

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

  insert({ content, inline, ask }) {
    if (content) this.block(content)
    else if (inline) this.inline(inline())
    else if (ask === "link") this.link()
    else if (ask === "file") this.part("file").click()
    else if (ask === "mention") this.mention()
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

  inline(content) {
    this.editor.chain().focus().insertContent(content).run()
  }

  // In place of an empty paragraph, else behind the block that the cursor is in; further out where that cannot hold it.
  block(content) {
    this.editor.chain().focus().command(({ tr, state }) => {
      const node = state.schema.nodeFromJSON(content)
      const { $from } = state.selection
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

  // One after the other, so that they stand in their order; what is refused is told, and the rest goes on.
  async files(files) {
    const problems = []
    for (const [i, file] of files.entries()) {
      const tell = (share) => this.say(this.words.uploading.replace("%{name}", file.name).replace("%{place}", `${i + 1}/${files.length}`).replace("%{share}", Math.round(share * 100)))
      tell(0)
      const { ok, body } = await upload(this.root.dataset.files, file, tell)
      if (!ok) {
        problems.push(`${file.name}: ${body.error ?? this.words.upload_failed}`)
        continue
      }
      this.names.files[body.id] = body.name
      this.block({ type: ["picture", "drawing"].includes(body.kind) ? "figure" : "embed", attrs: { file: body.id } })
    }
    this.say(problems.join(" "))
  }

  say(text) {
    this.part("insert-said").textContent = text
    this.part("insert-said").hidden = !text
  }
}
