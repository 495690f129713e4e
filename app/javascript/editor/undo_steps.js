import { Extension } from "@tiptap/core"
import { closeHistory } from "@tiptap/pm/history"
import { Plugin } from "@tiptap/pm/state"

// What is typed without a pause would be undone as a whole: a step ends with the first word that makes it long enough.

const LETTERS = 20

export default Extension.create({
  name: "undo_steps",
  addProseMirrorPlugins() {
    let typed = 0
    return [new Plugin({
      props: {
        handleTextInput(view, _from, _to, text) {
          typed += text.length
          if (typed < LETTERS || !/\s$/.test(text)) return false
          typed = 0
          view.dispatch(closeHistory(view.state.tr).setMeta("preventUpdate", true))
          return false
        }
      }
    })]
  }
})
