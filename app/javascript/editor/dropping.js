import { Extension } from "@tiptap/core"
import { Plugin, PluginKey, TextSelection } from "@tiptap/pm/state"
import { read } from "./clipboard"
import { PlaceLine, placeAt } from "./place_line"

// Files and text that are dropped come in where the pointer shows, and take no other's place: files between blocks, where
// a line is drawn, text where the drop cursor stands. Files that are pasted come in at the caret. What is dragged within
// the text is moved by the editor itself.

const filesOf = (data) => [...(data?.files ?? [])]
const bringsFiles = (event) => [...(event.dataTransfer?.types ?? [])].includes("Files")

const fitsFile = (view) => (parent, index) => parent.canReplaceWith(index, index, view.state.schema.nodes.embed)

export default (onFiles, options) => Extension.create({
  name: "dropping",
  addProseMirrorPlugins: () => [new Plugin({
    key: new PluginKey("dropping"),
    view(view) {
      const line = new PlaceLine(view.dom.parentElement)
      const over = (event) => {
        if (!bringsFiles(event)) return
        event.preventDefault()
        line.show(placeAt(view, event, fitsFile(view)))
      }
      const leave = () => line.hide()
      // Beside the text and below it too: a file that missed it must not open in the page's place.
      const drop = (event) => {
        line.hide()
        const files = filesOf(event.dataTransfer)
        if (!files.length || event.defaultPrevented) return
        event.preventDefault()
        onFiles(files, placeAt(view, event, fitsFile(view))?.pos ?? view.state.doc.content.size)
      }
      document.addEventListener("dragover", over)
      document.addEventListener("dragleave", leave)
      document.addEventListener("drop", drop)
      return {
        destroy() {
          line.remove()
          document.removeEventListener("dragover", over)
          document.removeEventListener("dragleave", leave)
          document.removeEventListener("drop", drop)
        }
      }
    },
    props: {
      handleDOMEvents: {
        paste(_view, event) {
          const files = filesOf(event.clipboardData)
          if (!files.length || event.clipboardData.getData("text/plain").trim()) return false
          event.preventDefault()
          onFiles(files, null)
          return true
        },
        drop(view, event) {
          if (view.dragging) return false
          if (filesOf(event.dataTransfer).length) return true // taken above, with those that come down beside the text
          event.preventDefault()
          const at = view.posAtCoords({ left: event.clientX, top: event.clientY })
          if (!at) return true
          view.focus()
          view.dispatch(view.state.tr.setSelection(TextSelection.near(view.state.doc.resolve(at.pos))))
          read(view, event.dataTransfer, options)
          return true
        }
      }
    }
  })]
})
