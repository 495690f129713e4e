import Blockquote from "@tiptap/extension-blockquote"
import { holding } from "./content"

export const nodes = () => [Blockquote.extend({ name: "quote" })]
export const inserts = { writing: { quote: holding("quote") } }
export const frames = { quote: { type: "quote", attrs: {} } }
