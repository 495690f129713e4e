import { Editor } from "@tiptap/core"
import { Dropcursor, Gapcursor, Placeholder, UndoRedo } from "@tiptap/extensions"
import asking from "./asking"
import blanks from "./blanks"
import blockIds from "./block_ids"
import blocks from "./blocks"
import chosen from "./chosen"
import clipboard from "./clipboard"
import dropping from "./dropping"
import edge from "./edge"
import inView from "./in_view"
import lastLine, { withLastLine } from "./last_line"
import moving from "./moving"
import noted from "./noted"
import marks from "./marks"
import { searching } from "./panels/searching"
import selectionMenu from "./selection_menu"
import stated from "./stated"
import theirs from "./theirs"
import touched from "./touched"
import undoSteps from "./undo_steps"

// @param on [Object] what the editor calls when something is asked for: signs (see asking), onFiles, onProblem, onDay,
//   onEscape, onDescribe
export default function build({ root, element, content, words, names, page, pasteAddress, menu, on, ...events }) {
  const pasting = { address: pasteAddress, onProblem: on.onProblem }
  return new Editor({
    element,
    content: withLastLine(content),
    injectCSS: false, // the policy allows no injected styles; ours are in text.css
    enableContentCheck: true,
    extensions: [
      ...stated(blocks({ words, names, on })),
      ...marks(words, names),
      dropping(on.onFiles, pasting),
      blockIds,
      clipboard.configure(pasting),
      asking(on.signs),
      chosen(on.onEscape),
      moving,
      edge(words),
      blanks,
      searching,
      noted,
      selectionMenu(menu),
      inView(root),
      lastLine,
      touched(element, content),
      theirs,
      UndoRedo,
      undoSteps,
      Gapcursor,
      Dropcursor.configure({ class: "drop-line", color: false, width: 2 }),
      Placeholder.configure({ placeholder: words.placeholder })
    ],
    editorProps: {
      attributes: { "aria-label": words.editor, "aria-multiline": "true", "aria-controls": "link-choices", role: "textbox", "data-page": page, spellcheck: "true" }
    },
    ...events
  })
}
