import { defaultKeymap, history, historyKeymap } from "@codemirror/commands"
import { markdown } from "@codemirror/lang-markdown"
import { HighlightStyle, syntaxHighlighting } from "@codemirror/language"
import { highlightSelectionMatches, searchKeymap } from "@codemirror/search"
import { RangeSet, StateEffect, StateField } from "@codemirror/state"
import { Decoration, EditorView, GutterMarker, gutter, keymap, lineNumbers } from "@codemirror/view"
import { tags } from "@lezer/highlight"
import { del, get, set } from "idb-keyval"
import { post } from "./http"
import start from "./start"
import { pause } from "./pause"

const PAUSE = 600
const SENT = "source-sent" // what was kept of it is forgotten by the page that shows it saved
const REMEMBERED = 150 // milliseconds after a key until the browser's own store has it

const colours = HighlightStyle.define([
  { tag: tags.heading, class: "source-heading" }, { tag: tags.strong, class: "source-strong" }, { tag: tags.emphasis, class: "source-emphasis" },
  { tag: [tags.link, tags.url], class: "source-link" }, { tag: tags.monospace, class: "source-code" }, { tag: [tags.processingInstruction, tags.meta, tags.contentSeparator], class: "source-sign" }
])

// Lines that are kept otherwise than they are written: marked in the text, and by a sign beside it.
const mark = StateEffect.define()

class Sign extends GutterMarker {
  toDOM() {
    return Object.assign(document.createElement("span"), { className: "source-sign-unread", textContent: "!" })
  }
}

const sign = new Sign()
const starts = (doc, found) => [...new Set(found.map(({ line }) => doc.line(Math.min(Math.max(line, 1), doc.lines)).from))].sort((one, other) => one - other)

const unread = StateField.define({
  create: () => ({ lines: Decoration.none, signs: RangeSet.empty }),
  update(value, tr) {
    const set = tr.effects.find((effect) => effect.is(mark))
    if (!set) return { lines: value.lines.map(tr.changes), signs: value.signs.map(tr.changes) }
    const at = starts(tr.state.doc, set.value)
    return { lines: Decoration.set(at.map((from) => Decoration.line({ class: "source-unread" }).range(from))), signs: RangeSet.of(at.map((from) => sign.range(from))) }
  },
  provide: (field) => EditorView.decorations.from(field, ({ lines }) => lines)
})

// The draft as Markdown. The plain field stays where it is and takes part in the form; an editor stands in front of it.
const source = () => {
  let root, field, view, address, reports, timer, remembering, local, unsaved = false

  async function check() {
    const { doc } = view.state
    const answer = await post(address, { text: doc.toString() }).catch(() => null)
    if (!answer?.ok || doc !== view.state.doc) return
    tell(answer.body)
    view.dispatch({ effects: mark.of(answer.body) })
  }

  function tell(found) {
    const said = found.map(({ line, words }) => Object.assign(document.createElement("li"), { textContent: `${reports.dataset.line.replace("%{line}", line)} ${words}` }))
    const list = document.createElement("ul")
    list.append(...said)
    reports.replaceChildren(said.length ? list : Object.assign(document.createElement("p"), { className: "quiet", textContent: reports.dataset.none }))
  }

  function remember() {
    clearTimeout(remembering)
    remembering = null
    return set(root.dataset.key, { text: view.state.doc.toString(), title: root.querySelector("#title").value, base: root.dataset.version }).catch(() => {})
  }

  // What this browser still holds of an earlier visit. What was refused comes back in the field and stays kept.
  async function offer() {
    local = await get(root.dataset.key).catch(() => null)
    if (!local) return
    if (local.text !== field.value) root.querySelector("[data-local]").hidden = false
    else if (!root.querySelector("[data-problem]")) del(root.dataset.key)
  }

  return {
    init() {
      root = this.$root
      field = root.querySelector("textarea")
      reports = root.querySelector("[data-reports]")
      address = root.dataset.check
      view = new EditorView({
        doc: field.value,
        extensions: [
          EditorView.cspNonce.of(root.dataset.nonce),
          lineNumbers(), history(), markdown(), syntaxHighlighting(colours), highlightSelectionMatches(), EditorView.lineWrapping,
          unread, gutter({ class: "source-signs", markers: ({ state }) => state.field(unread).signs }),
          keymap.of([...searchKeymap, ...historyKeymap, ...defaultKeymap]),
          EditorView.contentAttributes.of({ "aria-labelledby": "source-label", spellcheck: "true" }),
          EditorView.updateListener.of((update) => {
            if (!update.docChanged) return
            field.value = view.state.doc.toString()
            unsaved = true
            remembering ??= setTimeout(remember, pause(REMEMBERED))
            clearTimeout(timer)
            timer = setTimeout(check, pause(PAUSE))
          })
        ]
      })
      root.querySelector("label[for=text]").id = "source-label"
      field.before(view.dom)
      field.hidden = true
      check()
      window.addEventListener("beforeunload", (event) => unsaved && event.preventDefault())
      view.focus()
      offer().then(() => { root.dataset.ready = "true" })
    },

    // It stays in the browser until the page comes back with it.
    submit() {
      unsaved = false
      remember()
      sessionStorage.setItem(SENT, root.dataset.key)
    },

    keep() {
      if (remembering) remember()
    },

    takeLocal() {
      view.dispatch({ changes: { from: 0, to: view.state.doc.length, insert: local.text } })
      root.querySelector("#title").value = local.title
      root.querySelector("[data-local]").hidden = true
      view.focus()
    },

    dropLocal() {
      del(root.dataset.key)
      root.querySelector("[data-local]").hidden = true
      view.focus()
    },

    save(event) {
      event.currentTarget.requestSubmit()
    }
  }
}

start({ source })
