import { Mark } from "@tiptap/core"

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

export default [
  plain("underline", "u", "Mod-u"),
  toned("highlight", "mark", "ochre", "Mod-Shift-h"),
  toned("colour", "span", "brick"),
  plain("blank", "var"),
  plain("sub", "sub", "Mod-,"),
  plain("sup", "sup", "Mod-.")
]
