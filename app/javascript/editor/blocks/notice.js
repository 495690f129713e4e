import { Node, mergeAttributes } from "@tiptap/core"
import schema from "../schema.json"
import { holding } from "./content"

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

const perTone = (make) => Object.fromEntries(schema.tones.map((tone) => [tone, make({ tone })]))

export const nodes = ({ words }) => [notice.configure({ tones: words.tones })]
export const inserts = { notices: perTone((attrs) => holding("notice", attrs)) }
export const frames = perTone((attrs) => ({ type: "notice", attrs }))
