import { Mark, Node, mergeAttributes } from "@tiptap/core"
import Blockquote from "@tiptap/extension-blockquote"
import Bold from "@tiptap/extension-bold"
import Code from "@tiptap/extension-code"
import CodeBlock from "@tiptap/extension-code-block"
import Document from "@tiptap/extension-document"
import HardBreak from "@tiptap/extension-hard-break"
import Heading from "@tiptap/extension-heading"
import HorizontalRule from "@tiptap/extension-horizontal-rule"
import Italic from "@tiptap/extension-italic"
import Paragraph from "@tiptap/extension-paragraph"
import Strike from "@tiptap/extension-strike"
import Text from "@tiptap/extension-text"
import containers from "./containers"
import leaves from "./leaves"
import marks from "./marks"
import tables from "./tables"
import { BulletList, ListItem, ListKeymap, OrderedList } from "@tiptap/extension-list"
import schema from "./schema.json"
import { told } from "./told_links"

// The document tree's node types and marks under the names that the core gives them. A test holds this schema against
// the core's (Zuhause::Document::Schema).

const aligned = { align: { default: null, renderHTML: ({ align }) => (align ? { class: `align-${align}` } : {}) } }

const heading = Heading.extend({
  addAttributes() {
    return { ...this.parent?.(), ...aligned }
  },
  // Below the page's title, which is the h1.
  renderHTML({ node, HTMLAttributes }) {
    return [`h${node.attrs.level + 1}`, HTMLAttributes, 0]
  }
}).configure({ levels: schema.headingLevels })

const bulletList = BulletList.extend({ name: "bullet_list" }).configure({ itemTypeName: "list_item" })

const orderedList = OrderedList.extend({
  name: "ordered_list",
  addAttributes: () => ({ start: { default: 1 } })
}).configure({ itemTypeName: "list_item" })

const listItem = ListItem.extend({ name: "list_item" })
  .configure({ bulletListTypeName: "bullet_list", orderedListTypeName: "ordered_list" })

const listKeymap = ListKeymap.configure({ listTypes: [{ itemName: "list_item", wrapperNames: ["bullet_list", "ordered_list"] }] })

const codeBlock = CodeBlock.extend({ name: "code_block" })

const hardBreak = HardBreak.extend({
  name: "hard_break",
  addKeyboardShortcuts() {
    return { "Shift-Enter": () => this.editor.commands.setHardBreak() }
  }
})

const notice = Node.create({
  name: "notice",
  addOptions: () => ({ tones: {} }),
  defining: true,
  addAttributes: () => ({ tone: { default: "note", rendered: false } }),
  renderHTML({ node, HTMLAttributes }) {
    const { tone } = node.attrs
    return ["div", mergeAttributes(HTMLAttributes, { class: `notice notice-${tone}`, role: "note", "data-name": this.options.tones[tone] ?? tone }), 0]
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

const [underline, highlight, colour, blank, sub, sup] = marks

export default (words, names, askDay) => [
  Document,
  Text,
  Paragraph.extend({ addAttributes: () => aligned }),
  heading,
  bulletList,
  orderedList,
  listItem,
  listKeymap,
  Blockquote.extend({ name: "quote" }),
  codeBlock,
  HorizontalRule.extend({ name: "divider" }),
  notice.configure({ tones: words.tones }),
  ...containers(words, names.people, askDay),
  ...leaves(words, names),
  ...tables,
  hardBreak,
  link.configure({ names, words }),
  Bold.extend({ name: "strong" }),
  Italic.extend({ name: "emphasis" }),
  underline,
  Strike.extend({ name: "strike" }),
  highlight,
  colour,
  blank,
  sub,
  sup,
  Code.extend({ excludes: "code" })
]
