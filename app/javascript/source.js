import { defaultKeymap, history, historyKeymap } from "@codemirror/commands"
import { markdown } from "@codemirror/lang-markdown"
import { HighlightStyle, syntaxHighlighting } from "@codemirror/language"
import { linter, lintGutter } from "@codemirror/lint"
import { highlightSelectionMatches, searchKeymap } from "@codemirror/search"
import { EditorView, keymap, lineNumbers } from "@codemirror/view"
import { tags } from "@lezer/highlight"
import { post } from "./http"
import start from "./start"

const PAUSE = 600

const colours = HighlightStyle.define([
  { tag: tags.heading, class: "source-heading" }, { tag: tags.strong, class: "source-strong" }, { tag: tags.emphasis, class: "source-emphasis" },
  { tag: [tags.link, tags.url], class: "source-link" }, { tag: tags.monospace, class: "source-code" }, { tag: [tags.processingInstruction, tags.meta, tags.contentSeparator], class: "source-sign" }
])

// The draft as Markdown. The plain field stays where it is and takes part in the form; an editor stands in front of it.
const source = () => {
  let field, view, address, reports, unsaved = false

  async function check({ state }) {
    const answer = await post(address, { text: state.doc.toString() }).catch(() => null)
    if (!answer?.ok) return []
    tell(answer.body)
    return answer.body.map(({ line, words }) => {
      const { from, to } = state.doc.line(Math.min(Math.max(line, 1), state.doc.lines))
      return { from, to, severity: "warning", message: words }
    })
  }

  function tell(found) {
    const said = found.map(({ line, words }) => Object.assign(document.createElement("li"), { textContent: `${reports.dataset.line.replace("%{line}", line)} ${words}` }))
    const list = document.createElement("ul")
    list.append(...said)
    reports.replaceChildren(said.length ? list : Object.assign(document.createElement("p"), { className: "quiet", textContent: reports.dataset.none }))
  }

  return {
    init() {
      const root = this.$root
      field = root.querySelector("textarea")
      reports = root.querySelector("[data-reports]")
      address = root.dataset.check
      view = new EditorView({
        doc: field.value,
        extensions: [
          EditorView.cspNonce.of(root.dataset.nonce),
          lineNumbers(), history(), markdown(), syntaxHighlighting(colours), highlightSelectionMatches(), EditorView.lineWrapping,
          linter(check, { delay: PAUSE }), lintGutter(),
          keymap.of([...searchKeymap, ...historyKeymap, ...defaultKeymap]),
          EditorView.contentAttributes.of({ "aria-labelledby": "source-label", spellcheck: "true" }),
          EditorView.updateListener.of((update) => {
            if (!update.docChanged) return
            field.value = view.state.doc.toString()
            unsaved = true
          })
        ]
      })
      root.querySelector("label[for=text]").id = "source-label"
      field.before(view.dom)
      field.hidden = true
      window.addEventListener("beforeunload", (event) => unsaved && event.preventDefault())
      root.dataset.ready = "true"
    },

    submit() {
      unsaved = false
    },

    save(event) {
      event.currentTarget.requestSubmit()
    }
  }
}

start({ source })
