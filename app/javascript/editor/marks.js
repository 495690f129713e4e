import { Mark } from "@tiptap/core"
import Bold from "@tiptap/extension-bold"
import Code from "@tiptap/extension-code"
import Italic from "@tiptap/extension-italic"
import Strike from "@tiptap/extension-strike"
import { told } from "./told_links"

const plain = (name, tag, key) => Mark.create({
  name,
  renderHTML: ({ HTMLAttributes }) => [tag, HTMLAttributes, 0],
  addKeyboardShortcuts() {
    return key ? { [key]: () => this.editor.commands.toggleMark(name) } : {}
  }
})

const toned = (name, tag, tone, key) => Mark.create({
  name,
  addAttributes: () => ({ tone: { default: tone, rendered: false } }),
  renderHTML: ({ mark }) => [tag, { class: `${name}-${mark.attrs.tone}` }, 0],
  addKeyboardShortcuts() {
    return key ? { [key]: () => this.editor.commands.toggleMark(name) } : {}
  }
})

const link = Mark.create({
  name: "link",
  inclusive: false,
  priority: 1000,
  addOptions: () => ({ names: { pages: {}, states: {} }, words: {} }),
  addAttributes: () => ({ target: { default: "", rendered: false } }),
  renderHTML({ mark }) {
    const kind = mark.attrs.target.split(":")[0]
    const look = { promise: "link-promise", http: "link-away", https: "link-away" }[kind] ?? "link-page"
    return ["a", { class: look, title: told(mark.attrs.target, this.options.names, this.options.words) }, 0]
  }
})

// Words that are still to be settled say whose they are.
const disputed = (name, names, words) => Mark.create({
  name,
  inclusive: false,
  addAttributes: () => ({ by: { default: null, rendered: false } }),
  renderHTML: ({ mark }) => ["ins", { class: name, "data-by": names.people?.[mark.attrs.by] ?? words.somebody }, 0]
})

// In the order in which they stand within each other.
export default (words, names) => [
  link.configure({ names, words }),
  Bold.extend({ name: "strong" }),
  Italic.extend({ name: "emphasis" }),
  plain("underline", "u", "Mod-u"),
  Strike.extend({ name: "strike" }),
  toned("highlight", "mark", "ochre", "Mod-Shift-h"),
  toned("colour", "span", "brick"),
  plain("blank", "var"),
  disputed("double", names, words),
  disputed("kept", names, words),
  plain("sub", "sub", "Mod-,"),
  plain("sup", "sup", "Mod-."),
  Code.extend({ excludes: "code" })
]
