import Heading from "@tiptap/extension-heading"
import schema from "../schema.json"
import { aligned } from "./paragraph"

const heading = Heading.extend({
  addAttributes() {
    return { ...this.parent?.(), ...aligned }
  },
  // Below the page's title, which is the h1.
  renderHTML({ node, HTMLAttributes }) {
    return [`h${node.attrs.level + 1}`, HTMLAttributes, 0]
  }
}).configure({ levels: schema.headingLevels })

export const nodes = () => [heading]
export const inserts = { writing: Object.fromEntries([1, 2, 3].map((level) => [`heading${level}`, { type: "heading", attrs: { level } }])) }
export const turned = ["heading"]
export const centred = { heading: "align" }
