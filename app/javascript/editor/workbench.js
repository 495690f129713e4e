import acts from "./acts"
import build from "./build"
import Inserting from "./inserting"
import publishing from "./publishing"
import Saving from "./saving"
import { Searching } from "./searching"
import { kindOf } from "./turning"

const LONGEST_TITLE = 200
const COUNTED = 400 // milliseconds after a key until words are counted

// The writing of one page: editor, title, saving, linking, publishing. The editor lives outside what Alpine watches,
// since it must not be wrapped.
export default () => {
  let root, words, editor, saving, inserting, searching, title, conflict, local, counting
  const part = (name) => root.querySelector(`[data-${name}]`)

  const read = () => ({ title, document: editor.getJSON() })

  function say(state) {
    part("state").textContent = words[state] ?? state
    part("state").dataset.state = state
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
  }

  function mirror() {
    part("block").value = kindOf(editor)
    root.querySelectorAll("[data-mark]").forEach((button) => button.setAttribute("aria-pressed", String(editor.isActive(button.dataset.mark))))
    part("table-acts").hidden = !editor.isActive("table")
    part("column-acts").hidden = !editor.isActive("columns")
    root.querySelectorAll("[data-list]").forEach((button) => button.setAttribute("aria-pressed", String(editor.isActive(button.dataset.list))))
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

  function showConflict(answer) {
    conflict = answer
    part("conflict-lead").textContent = words.conflict_lead.replace("%{author}", answer.author)
    part("conflict-theirs").textContent = words.theirs.replace("%{author}", answer.author)
    for (const [name, html] of [["theirs", answer.html], ["mine", answer.kept_html]]) {
      part(name).replaceChildren(...new DOMParser().parseFromString(html, "text/html").body.childNodes)
    }
    editor.setEditable(false)
    part("conflict").hidden = false
    part("conflict").scrollIntoView()
  }

  function endConflict() {
    part("conflict").hidden = true
    editor.setEditable(true)
    editor.commands.focus()
  }

  // Beside the block whose handle was pressed.
  function openHandle(button) {
    const menu = part("handle-menu")
    menu.hidden = !menu.hidden
    menu.style.top = `${button.offsetTop + button.offsetHeight + 4}px`
    if (!menu.hidden) menu.querySelector("select, button").focus()
  }

  return {
    ...acts(() => editor, part),
    ...publishing(() => ({ root, words, saving, conflict }), part),

    async init() {
      root = this.$root
      words = JSON.parse(part("words").textContent)
      const draft = JSON.parse(part("draft").textContent)
      const { page, person, save, paste, inserts } = root.dataset
      title = draft.title
      const names = JSON.parse(part("names").textContent)

      saving = new Saving({
        address: save, key: `${person}/${page}`, version: draft.version, read,
        onState: say, onConflict: showConflict, onNewIds: takeIds, onTicked: takeTicks,
        onRefused: (errors) => say(`${words.refused} ${Object.values(errors).flat().join(" ")}`)
      })
      editor = build({
        element: part("editor"), content: draft.document, words, names: { ...names, inserts }, page, pasteAddress: paste,
        onArrow: () => inserting.link("->"),
        onSlash: () => inserting.anything("/"),
        onMention: () => inserting.mention("@"),
        onFiles: (files) => inserting.files(files),
        onProblem: () => say("pasted_too_long"),
        onHandle: (button) => openHandle(button),
        onDay: (onChoose) => inserting.day(onChoose),
        menu: part("selection-menu"),
        onUpdate: () => { saving.changed(); countSoon() },
        onTransaction: () => editor && mirror()
      })
      inserting = new Inserting({ root, words, names, editor })
      searching = new Searching({ panel: part("search-panel"), editor, words })
      count()
      mirror()
      local = await saving.unsaved()
      if (local && JSON.stringify(local.document) === JSON.stringify(read().document) && local.title === title) saving.forget()
      else if (local) part("local").hidden = false
      root.dataset.ready = "true"
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

    press(event) {
      if (!(event.ctrlKey || event.metaKey)) {
        if (event.key === "Escape") this.closePanels()
        if (event.key !== "F1") return
        event.preventDefault()
        this.showKeys()
        return
      }
      if (event.key === "Enter") this.openPublish()
      else if (event.key === "k") this.openLink()
      else if (event.key === "s") saving.save()
      else if (event.key === "f") this.openSearch()
      else if (event.key === "h") searching.open({ replacing: true })
      else return
      event.preventDefault()
    },

    openSearch() {
      this.closePanels()
      searching.open()
    },

    search() {
      searching.ask()
    },

    searchKey(event) {
      if (event.key !== "Enter") return
      event.preventDefault()
      if (event.shiftKey) searching.previous()
      else searching.next()
    },

    searchAct(event) {
      searching[event.currentTarget.dataset.act]()
    },

    showKeys() {
      part("keys").showModal()
    },

    hideKeys() {
      part("keys").close()
    },

    keepSource() {
      inserting.keepSource()
    },

    openLink() {
      inserting.link()
    },

    openInsert() {
      inserting.anything()
    },

    chooseFiles(event) {
      inserting.files([...event.target.files])
      event.target.value = ""
    },

    choosing() {
      inserting.picker.typed()
    },

    chooseKey(event) {
      inserting.picker.key(event)
    },

    pick(event) {
      inserting.picker.pick(event)
    },

    closePanels() {
      inserting.picker.close()
      searching.close()
      for (const name of ["publish-panel", "source-panel", "handle-menu"]) part(name).hidden = true
    },

    takeTheirs() {
      takeText(conflict)
      saving.dirty = false
      saving.stopped = false
      saving.version = conflict.version
      saving.forget()
      conflict = null
      endConflict()
      say("saved")
    },

    keepMine() {
      const { version } = conflict
      conflict = null
      endConflict()
      saving.goOn(version)
    },

    takeLocal() {
      takeText(local)
      saving.version = local.base // if somebody saved since, both texts are shown
      part("local").hidden = true
      saving.changed()
    },

    dropLocal() {
      saving.forget()
      part("local").hidden = true
    },

    async close(event) {
      if (!saving.unfinished || saving.stopped) return
      event.preventDefault()
      const { href } = event.currentTarget
      if (await saving.save()) location.assign(href)
    },

    leave(event) {
      if (saving?.unfinished) event.preventDefault()
    },

    flush() {
      saving?.flush()
    }
  }
}
