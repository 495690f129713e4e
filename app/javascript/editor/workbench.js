import { del } from "idb-keyval"
import acts from "./acts"
import Bench from "./bench"
import build from "./build"
import { firstSelection, rememberCaret } from "./carets"
import { toEnd } from "./last_line"
import parts from "./parts"
import Saving from "./saving"
import Text from "./text"
import { focusText } from "./focus"

const SIGNS = ["onOpen", "onTyped", "onClosed", "onKey"]

// The writing of one page: it holds the editor, what is saved, and the parts around them together. The editor lives outside
// what Alpine watches, since it must not be wrapped.
export default () => {
  let bench, editor, saving

  function begin(draft) {
    const { root, words, names, part, ask, say } = bench
    bench.text = new Text(root, draft.title)
    bench.saving = saving = new Saving({
      address: root.dataset.save, key: bench.key, version: draft.version, from: JSON.stringify(draft.document), read: () => bench.text.read(), onState: say,
      onJoined: (body, from) => {
        const all = bench.text.join(body, from)
        ask("joined", body)
        return all
      },
      onAnswer: (body) => ask("answered", body),
      onNewIds: (ids, sent) => bench.text.takeIds(ids, sent), onTicked: (ticks) => bench.text.takeTicks(ticks),
      onRefused: (errors) => say(`${words.refused} ${Object.values(errors).flat().join(" ")}`)
    })
    saving.look()
    bench.editor = bench.text.editor = editor = build({
      root, element: part("editor"), content: draft.document, words, names, page: bench.page, pasteAddress: root.dataset.paste, menu: part("selection-menu"),
      on: {
        signs: Object.fromEntries(SIGNS.map((name) => [name, (...given) => ask(name, ...given)])), onFiles: (files, at) => ask("files", files, at),
        onProblem: (problem) => bench.tell(words[problem] ?? problem), onDay: (onChoose) => ask("day", onChoose), onEscape: () => ask("escape"), onDescribe: () => ask("describe")
      },
      onUpdate: () => saving.changed()
    })
    bench.hear("escape", () => bench.panels.close())
  }

  // The caret is in the text from the first moment.
  function intoText() {
    editor.view.dispatch(editor.state.tr.setSelection(firstSelection(bench.key, editor.state.doc, location.hash.match(/^#b-([a-z0-9]{8})$/)?.[1])))
    editor.view.focus()
    editor.view.dispatch(editor.state.tr.scrollIntoView())
    document.querySelectorAll("dialog").forEach((dialog) => dialog.addEventListener("close", () => editor.view.focus()))
    if (location.hash === "#publish") bench.panels.open("publish")
  }

  return {
    ...acts(() => editor),

    async init() {
      bench = new Bench(this.$root)
      begin(JSON.parse(bench.part("draft").textContent))
      const made = parts.map((Part) => new Part(bench))
      if (sessionStorage.getItem("source-sent")) del(sessionStorage.getItem("source-sent"))
      sessionStorage.removeItem("source-sent")
      intoText()
      await Promise.all(made.map(({ looked }) => looked))
      bench.root.dataset.ready = "true"
    },

    destroy() {
      editor.destroy()
    },

    // On the sheet, but on nothing of it: the text goes on at its end.
    pressSheet(event) {
      if (event.button !== 0 || event.target.closest("a, button, input, select, label, .ProseMirror, .facts, .path")) return
      if (event.clientY < editor.view.dom.getBoundingClientRect().top) return
      event.preventDefault()
      toEnd(editor.view)
    },

    // A letter that is typed while nothing has the focus is meant for the text.
    pressAnywhere(event) {
      if (event.key === "Escape" && !event.defaultPrevented && document.activeElement === document.body) bench?.panels.close()
      else if (bench?.panels.key(event)) event.preventDefault()
      else if (document.activeElement === document.body && event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey && editor?.isEditable) editor.view.focus()
    },

    press(event) {
      if (event.key !== "Escape" || event.defaultPrevented || editor.view.dom.contains(event.target)) return
      bench.ask("escape")
      event.preventDefault()
      focusText(editor)
    },

    async close(event) {
      rememberCaret(bench.key, editor.state)
      if (!saving.unfinished || saving.stopped) return
      event.preventDefault()
      const { href } = event.currentTarget
      if (await saving.save()) location.assign(href)
    },

    leave(event) {
      if (saving?.unfinished) event.preventDefault()
    },

    flush() {
      if (editor) rememberCaret(bench.key, editor.state)
      saving?.flush()
    }
  }
}
