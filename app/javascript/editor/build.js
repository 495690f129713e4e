import { Editor, Extension, InputRule } from "@tiptap/core"
import { Dropcursor, Gapcursor, Placeholder, UndoRedo } from "@tiptap/extensions"
import nodes from "./nodes"
import blockIds from "./block_ids"
import blanks from "./blanks"
import clipboard from "./clipboard"
import figures from "./figures"
import files from "./files"
import moving from "./moving"
import { searching } from "./searching"
import selectionMenu from "./selection_menu"

// Typing "->" asks for a page to link to, "/" for something to insert, "@" for a person: at the beginning of a word. The
// sign is taken out again once it stands there.
const asking = (find, sign, ask) => (editor) => new InputRule({
  find,
  handler({ state }) {
    if (state.selection.$from.parent.type.spec.code) return null
    setTimeout(() => {
      const { from } = editor.state.selection
      if (editor.state.doc.textBetween(Math.max(0, from - sign.length), from) !== sign) return
      editor.commands.deleteRange({ from: from - sign.length, to: from })
      ask()
    })
  }
})

const signs = ({ onArrow, onSlash, onMention }) => Extension.create({
  name: "signs",
  addInputRules() {
    return [asking(/->$/, "->", onArrow), asking(/(?:^|\s)\/$/, "/", onSlash), asking(/(?:^|\s)@$/, "@", onMention)].map((rule) => rule(this.editor))
  }
})

export default function build({ element, content, words, names, page, pasteAddress, menu, onArrow, onSlash, onMention, onFiles, onProblem, onHandle, onDay, ...events }) {
  return new Editor({
    element,
    content,
    injectCSS: false, // the policy allows no injected styles; ours are in text.css
    enableContentCheck: true,
    extensions: [
      ...nodes(words, names, onDay),
      ...figures(words, names.files),
      files(onFiles),
      blockIds,
      clipboard.configure({ address: pasteAddress, onProblem }),
      signs({ onArrow, onSlash, onMention }),
      moving(words, onHandle),
      blanks,
      searching,
      selectionMenu(menu),
      UndoRedo,
      Gapcursor,
      Dropcursor.configure({ class: "drop-line", color: false, width: 2 }),
      Placeholder.configure({ placeholder: words.placeholder })
    ],
    editorProps: {
      attributes: { "aria-label": words.editor, "aria-multiline": "true", role: "textbox", "data-page": page, spellcheck: "true" }
    },
    ...events
  })
}
