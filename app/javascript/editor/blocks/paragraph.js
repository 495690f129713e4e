import Document from "@tiptap/extension-document"
import HardBreak from "@tiptap/extension-hard-break"
import Paragraph from "@tiptap/extension-paragraph"
import Text from "@tiptap/extension-text"

// What every text is made of.

export const aligned = { align: { default: null, renderHTML: ({ align }) => (align ? { class: `align-${align}` } : {}) } }

const hardBreak = HardBreak.extend({
  name: "hard_break",
  addKeyboardShortcuts() {
    return { "Shift-Enter": () => this.editor.commands.setHardBreak() }
  }
})

export const nodes = () => [Document, Text, Paragraph.extend({ addAttributes: () => aligned }), hardBreak]
export const turned = ["paragraph"]
export const centred = { paragraph: "align" }
