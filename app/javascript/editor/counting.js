import { counted } from "./written"
import { pause } from "../pause"

const COUNTED = 400 // milliseconds after a key until words are counted

// How long the text is.
export default class Counting {
  constructor({ part, words, editor }) {
    Object.assign(this, { part, words, editor })
    editor.on("transaction", ({ transaction }) => { if (transaction.docChanged) this.soon ??= setTimeout(() => this.count(), pause(COUNTED)) }) // what others write, too
    this.count()
  }

  count() {
    this.soon = null
    const { words, characters } = counted(this.editor.state.doc)
    this.part("words-count").textContent = words === 1 ? this.words.one_word : this.words.words.replace("%{count}", words)
    this.part("characters").textContent = this.words.characters.replace("%{count}", characters.toLocaleString(document.documentElement.lang))
  }
}
