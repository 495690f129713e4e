import { Extension, Node } from "@tiptap/core"
import { Plugin, PluginKey } from "@tiptap/pm/state"

const address = (id) => `/files/${id}`
const token = () => document.querySelector("meta[name=csrf-token]")?.content ?? ""

// Sends one file and tells how far it is; answers { ok, body }.
export function upload(url, file, onProgress) {
  return new Promise((resolve) => {
    const request = new XMLHttpRequest()
    const data = new FormData()
    data.append("file", file)
    request.open("POST", url)
    request.setRequestHeader("Accept", "application/json")
    request.setRequestHeader("X-CSRF-Token", token())
    request.upload.addEventListener("progress", (event) => event.lengthComputable && onProgress(event.loaded / event.total))
    request.addEventListener("loadend", () => {
      let body = {}
      try { body = JSON.parse(request.responseText) } catch { /* no answer in words */ }
      resolve({ ok: request.status === 201, body })
    })
    request.send(data)
  })
}

function control(tag, label, options, onInput) {
  const element = Object.assign(document.createElement(tag), options)
  element.setAttribute("aria-label", label)
  element.addEventListener(tag === "select" ? "change" : "input", () => onInput(element.value))
  return element
}

const choice = (label, entries, value, onInput) => {
  const select = control("select", label, {}, onInput)
  select.append(...entries.map(([key, words]) => new Option(words, key)))
  select.value = value
  return select
}

const figure = (words) => Node.create({
  name: "figure",
  group: "block",
  content: "inline*",
  draggable: true,
  isolating: true,
  addAttributes: () => Object.fromEntries(Object.entries({ file: null, alt: "", width: 100, side: null, target: null }).map(([name, value]) => [name, { default: value, rendered: false }])),
  renderHTML: ({ HTMLAttributes }) => ["figure", HTMLAttributes, 0],
  addNodeView: () => ({ node, editor, getPos }) => {
    const set = (name) => (value) => editor.view.dispatch(editor.state.tr.setNodeAttribute(getPos(), name, value))
    const dom = document.createElement("figure")
    const image = document.createElement("img")
    const bar = Object.assign(document.createElement("div"), { className: "figure-head", contentEditable: "false" })
    const alt = control("input", words.figure_alt, { placeholder: words.figure_alt, maxLength: 200 }, set("alt"))
    const width = choice(words.figure_width, [100, 80, 60, 50, 40, 30].map((share) => [share, `${share} %`]), node.attrs.width, (value) => set("width")(Number(value)))
    const side = choice(words.figure_side, Object.entries(words.figure_sides), node.attrs.side ?? "", (value) => set("side")(value || null))
    bar.append(alt, width, side)
    const contentDOM = document.createElement("figcaption")
    dom.append(image, bar, contentDOM)
    const update = (next) => {
      if (next.type.name !== "figure") return false
      const { file, side: at, width: share } = next.attrs
      if (file && !image.src.endsWith(file)) image.src = address(file)
      image.alt = next.attrs.alt
      dom.className = ["figure", at && `figure-${at}`, share !== 100 && `width-${Math.round(share / 10) * 10}`].filter(Boolean).join(" ")
      if (document.activeElement !== alt) alt.value = next.attrs.alt
      alt.classList.toggle("figure-wanting", next.attrs.alt === "")
      width.value = share
      side.value = at ?? ""
      contentDOM.dataset.placeholder = next.content.size ? "" : words.figure_caption
      return true
    }
    update(node)
    return { dom, contentDOM, update, stopEvent: (event) => bar.contains(event.target), ignoreMutation: (mutation) => mutation.type !== "selection" && !contentDOM.contains(mutation.target) }
  }
})

const embed = Node.create({
  name: "embed",
  group: "block",
  atom: true,
  addAttributes: () => ({ file: { default: null, rendered: false } }),
  renderHTML: ({ HTMLAttributes }) => ["div", HTMLAttributes],
  addNodeView: () => ({ node, editor }) => {
    const dom = Object.assign(document.createElement("div"), { className: "embed", contentEditable: "false" })
    const link = Object.assign(document.createElement("a"), { href: address(node.attrs.file), textContent: editor.storage.files?.names[node.attrs.file] ?? address(node.attrs.file), target: "_blank" })
    dom.append(link)
    return { dom }
  }
})

// Files that are pasted or dropped are sent, and shown where they came down.
const incoming = (onFiles, names) => Extension.create({
  name: "files",
  addStorage: () => ({ names }),
  addProseMirrorPlugins: () => [new Plugin({
    key: new PluginKey("files"),
    props: {
      handleDOMEvents: {
        paste: (_view, event) => take(event, event.clipboardData, onFiles),
        drop: (_view, event) => take(event, event.dataTransfer, onFiles)
      }
    }
  })]
})

function take(event, data, onFiles) {
  const files = [...(data?.files ?? [])]
  if (!files.length) return false
  event.preventDefault()
  onFiles(files)
  return true
}

export default (words, names, onFiles) => [figure(words), embed, incoming(onFiles, names)]
