import { Editor, Extension, InputRule } from "@tiptap/core"
import { Dropcursor, Gapcursor, Placeholder, UndoRedo } from "@tiptap/extensions"
import nodes from "./nodes"
import blockIds from "./block_ids"
import clipboard from "./clipboard"

// Typing "->" asks for a page to link to.
const arrow = (onArrow) => Extension.create({
  name: "arrow",
  addInputRules: () => [new InputRule({
    find: /->$/,
    handler({ range, commands, state }) {
      if (state.selection.$from.parent.type.spec.code) return null
      commands.deleteRange(range)
      setTimeout(onArrow)
    }
  })]
})

export default function build({ element, content, words, page, pasteAddress, onArrow, onProblem, ...events }) {
  return new Editor({
    element,
    content,
    injectCSS: false, // the policy allows no injected styles; ours are in text.css
    enableContentCheck: true,
    extensions: [
      ...nodes(words.tones),
      blockIds,
      clipboard.configure({ address: pasteAddress, onProblem }),
      arrow(onArrow),
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
