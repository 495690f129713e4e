import acts from "./acts"
import build from "./build"
import { firstSelection, rememberCaret } from "./carets"
import Context from "./context"
import { LONGEST_TITLE } from "./ids"
import Inserting from "./inserting"
import { toEnd, withoutLastLine } from "./last_line"
import Outline from "./outline"
import Conflict from "./panels/conflict"
import Panels from "./panels/panels"
import Publishing from "./panels/publishing"
import { Searching } from "./panels/searching"
import Saving from "./saving"
import { kindOf } from "./turning"
import Writers from "./writers"
import { del } from "idb-keyval"

const COUNTED = 400 // milliseconds after a key until words are counted

// The writing of one page: editor, title, saving, linking, publishing. The editor lives outside what Alpine watches,
// since it must not be wrapped.
export default () => {
  let root, words, editor, saving, panels, inserting, context, outline, conflict, title, local, counting
  const part = (name) => root.querySelector(`[data-${name}]`)
  const caretKey = () => `${root.dataset.person}/${root.dataset.page}`

  const read = () => ({ title, document: withoutLastLine(editor.state) })

  function say(state) {
    part("state").textContent = words[state] ?? state
    part("state").dataset.state = state
  }

  // Something to know, until it is put away or something else is told.
  // @param more [Array<[String, Function]>] what can be done about it
  function tell(text, more = []) {
    part("told-words").textContent = text
    part("told-acts").replaceChildren(...more.map(([label, act]) => {
      const button = Object.assign(document.createElement("button"), { type: "button", className: "button button-small", textContent: label })
      button.addEventListener("click", act)
      return button
    }))
    part("told").hidden = !text
  }

  function countSoon() {
    counting ??= setTimeout(count, COUNTED)
  }

  function count() {
    counting = null
    const found = editor.state.doc.textBetween(0, editor.state.doc.content.size, " ").match(/[\p{L}\p{M}\p{N}]+(?:['’.,-][\p{L}\p{M}\p{N}]+)*/gu)
    const number = found?.length ?? 0
    part("words-count").textContent = number === 1 ? words.one_word : words.words.replace("%{count}", number)
    part("characters").textContent = words.characters.replace("%{count}", editor.state.doc.textContent.length.toLocaleString(document.documentElement.lang))
    outline.draw()
  }

  function mirror() {
    part("block").value = kindOf(editor)
    root.querySelectorAll("[data-mark]").forEach((button) => button.setAttribute("aria-pressed", String(editor.isActive(button.dataset.mark))))
    root.querySelectorAll("[data-list]").forEach((button) => button.setAttribute("aria-pressed", String(editor.isActive(button.dataset.list))))
    part("centre").setAttribute("aria-pressed", String(editor.isActive({ align: "center" })))
    context?.mirror()
  }

  function takeText(text) {
    title = text.title
    root.querySelector("#title").value = title
    editor.commands.setContent(text.document, { emitUpdate: false })
    count()
  }

  // Ids that the server gave hold as long as the text has not changed meanwhile; else the next save mends again.
  function takeIds(ids, sent) {
    if (JSON.stringify(read().document) !== JSON.stringify(sent.document)) return
    const tr = editor.state.tr
    let place = -1
    editor.state.doc.descendants((node, pos) => {
      if (!("id" in node.attrs)) return
      place += 1
      if (ids[place]) tr.setNodeAttribute(pos, "id", ids[place])
    })
    editor.view.dispatch(tr.setMeta("addToHistory", false).setMeta("preventUpdate", true))
  }

  // What colleagues ticked while reading has come into the text.
  function takeTicks(ticks) {
    const { tr } = editor.state
    editor.state.doc.descendants((node, pos) => {
      if (node.type.name === "task" && node.attrs.id in ticks) tr.setNodeAttribute(pos, "done", ticks[node.attrs.id])
    })
    editor.view.dispatch(tr.setMeta("addToHistory", false).setMeta("preventUpdate", true))
  }

  function closeMenus() {
    const menus = [...document.querySelectorAll("details.menu[open]")]
    menus.forEach((menu) => { menu.open = false })
    return menus.length > 0
  }

  // Text, acts beside the table, workbench, and back to the text.
  function goRound() {
    const places = [editor.view.dom, part("table-gutter"), part("context"), part("tools")].filter((place) => !place.hidden)
    const at = places.findIndex((place) => place.contains(document.activeElement))
    const next = places[(at + 1) % places.length]
    if (next === editor.view.dom) editor.commands.focus()
    else [...next.querySelectorAll("button, select, input")].find((tool) => tool.offsetParent)?.focus()
  }

  return {
    ...acts(() => editor),

    async init() {
      root = this.$root
      words = JSON.parse(part("words").textContent)
      const draft = JSON.parse(part("draft").textContent)
      const { page, person, save, paste, inserts } = root.dataset
      title = draft.title
      const names = JSON.parse(part("names").textContent)

      saving = new Saving({
        address: save, key: `${person}/${page}`, version: draft.version, read,
        onState: say, onConflict: (answer) => conflict.show(answer), onNewIds: takeIds, onTicked: takeTicks,
        onRefused: (errors) => say(`${words.refused} ${Object.values(errors).flat().join(" ")}`)
      })
      const signs = Object.fromEntries(["onOpen", "onTyped", "onClosed", "onKey"].map((name) => [name, (...given) => inserting.signs[name](...given)]))
      editor = build({
        root, element: part("editor"), content: draft.document, words, names: { ...names, inserts }, page, pasteAddress: paste, menu: part("selection-menu"),
        on: {
          signs, onFiles: (files, at) => inserting.dropped(files, at), onProblem: (problem) => tell(words[problem]), onDay: (onChoose) => inserting.day(onChoose),
          onEscape: () => { const [shut, menus] = [panels.close(), closeMenus()]; return shut || menus }, onDescribe: () => context.describe()
        },
        onUpdate: () => { saving.changed(); countSoon() },
        onTransaction: () => editor && mirror()
      })
      panels = new Panels(root, () => editor.commands.focus())
      inserting = new Inserting({ root, words, names, editor, panels, say: tell })
      new Searching({ root, panel: part("search-panel"), panels, editor, words })
      new Publishing({ root, panel: part("publish-panel"), panels, words, saving, conflict: () => conflict.answer })
      context = new Context({ row: part("context"), gutter: part("table-gutter"), editor, words, names, address: `${location.origin}${root.dataset.address}`, say: tell })
      outline = new Outline({ list: document.querySelector("[data-outline-list]"), editor, words, say: tell })
      conflict = new Conflict({ part, words, editor, saving, takeText, say })
      new Writers({ place: part("writers"), address: root.dataset.writers }).tell()
      if (sessionStorage.getItem("source-sent")) del(sessionStorage.getItem("source-sent"))
      sessionStorage.removeItem("source-sent")
      count()
      mirror()
      this.begin()
      local = await saving.unsaved()
      if (local && JSON.stringify(local.document) === JSON.stringify(read().document) && local.title === title) saving.forget()
      else if (local) part("local").hidden = false
      root.dataset.ready = "true"
    },

    // The caret is in the text from the first moment.
    begin() {
      editor.view.dispatch(editor.state.tr.setSelection(firstSelection(caretKey(), editor.state.doc)))
      editor.view.focus()
      editor.view.dispatch(editor.state.tr.scrollIntoView())
      document.querySelectorAll("dialog").forEach((dialog) => dialog.addEventListener("close", () => editor.view.focus()))
      if (location.hash === "#publish") panels.open("publish")
    },

    destroy() {
      editor.destroy()
    },

    retitle(event) {
      const typed = event.target.value.replace(/\s+/g, " ").trim()
      const wrong = typed === "" ? "title_blank" : [...typed].length > LONGEST_TITLE ? "title_long" : null
      part("title-error").hidden = !wrong
      part("title-error").textContent = wrong ? words[wrong] : ""
      event.target.setAttribute("aria-invalid", String(Boolean(wrong)))
      if (wrong || typed === title) return
      title = typed
      saving.changed()
    },

    intoText() {
      editor.commands.focus("start")
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
      if (event.key === "F1") this.showKeys(event)
      else if (event.key === "F6") this.goRound(event)
      else if (event.key === "Escape" && !event.defaultPrevented && document.activeElement === document.body) panels.close()
      if (document.activeElement === document.body && event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey && editor?.isEditable) editor.view.focus()
    },

    press(event) {
      if (event.key === "Escape" && !event.defaultPrevented && !editor.view.dom.contains(event.target)) {
        if (!closeMenus()) panels.close()
        event.preventDefault()
        editor.commands.focus()
      }
      if (!(event.ctrlKey || event.metaKey) || event.altKey) return
      if (panels.key(event.key)) event.preventDefault()
    },

    goRound(event) {
      event.preventDefault()
      goRound()
    },

    // Among the tools the arrow keys lead on.
    toolKey(event) {
      const step = { ArrowRight: 1, ArrowLeft: -1 }[event.key]
      if (!step || event.target.matches("select, input:not([type=checkbox])")) return
      const tools = [...event.currentTarget.querySelectorAll("button, select, input")].filter((tool) => tool.offsetParent)
      const at = tools.indexOf(document.activeElement)
      if (at < 0) return
      event.preventDefault()
      tools[(at + step + tools.length) % tools.length].focus()
    },

    showKeys(event) {
      event.preventDefault()
      document.querySelector("#keys").showModal()
    },

    untell() {
      tell("")
      editor.commands.focus()
    },

    takeBoth() {
      conflict.takeBoth()
    },

    takeTheirs() {
      conflict.takeTheirs()
    },

    keepMine() {
      conflict.keepMine()
    },

    takeLocal() {
      takeText(local)
      saving.version = local.base // if somebody saved since, both texts are shown
      part("local").hidden = true
      saving.changed()
      editor.commands.focus("end")
    },

    dropLocal() {
      saving.forget()
      part("local").hidden = true
      editor.commands.focus()
    },

    async close(event) {
      rememberCaret(caretKey(), editor.state)
      if (!saving.unfinished || saving.stopped) return
      event.preventDefault()
      const { href } = event.currentTarget
      if (await saving.save()) location.assign(href)
    },

    leave(event) {
      if (saving?.unfinished) event.preventDefault()
    },

    flush() {
      if (editor) rememberCaret(caretKey(), editor.state)
      saving?.flush()
    }
  }
}
