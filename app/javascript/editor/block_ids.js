import { Extension } from "@tiptap/core"
import { Plugin, PluginKey } from "@tiptap/pm/state"

const LETTERS = "abcdefghijklmnopqrstuvwxyz0123456789"

// 252 is the largest multiple of 36 in a byte; larger bytes are skipped, so that all letters are equally likely.
export function newId() {
  let id = ""
  while (id.length < 8) {
    for (const byte of crypto.getRandomValues(new Uint8Array(12))) if (byte < 252 && id.length < 8) id += LETTERS[byte % 36]
  }
  return id
}

const TYPES = ["paragraph", "heading", "bullet_list", "ordered_list", "list_item", "quote", "code_block", "divider", "notice"]

function byId(doc) {
  const found = new Map()
  doc.descendants((node, pos) => {
    if (node.attrs.id && !found.has(node.attrs.id)) found.set(node.attrs.id, { node, pos })
  })
  return found
}

// Every block bears an id, given once. The half of a split block that keeps the old text keeps the id; of two blocks with
// one id the one that was there before keeps it.
function mend(transactions, before, after) {
  const old = byId(before.doc)
  const place = (id) => transactions.reduce((pos, tr) => tr.mapping.map(pos), old.get(id).pos)
  const blocks = []
  after.doc.descendants((node, pos, parent, index) => {
    if (TYPES.includes(node.type.name)) blocks.push({ node, pos, previous: index > 0 ? parent.child(index - 1) : null })
  })

  const ids = blocks.map(({ node }) => node.attrs.id)
  blocks.forEach(({ node, previous }, i) => {
    if (ids[i] || !previous?.attrs.id || previous.type !== node.type || previous.textContent !== "" || node.textContent === "") return
    if (old.get(previous.attrs.id)?.node.textContent !== node.textContent) return

    const from = blocks.findIndex((block) => block.node === previous)
    ids[i] = ids[from]
    ids[from] = null
  })

  // Splitting at the very start may leave neither half an id: the text tells which one was there.
  const gone = [...old].filter(([id]) => !ids.includes(id))
  blocks.forEach(({ node }, i) => {
    if (ids[i] || node.textContent === "") return
    const index = gone.findIndex(([, was]) => was.node.type === node.type && was.node.textContent === node.textContent)
    if (index >= 0) ids[i] = gone.splice(index, 1)[0][0]
  })

  const holders = new Map()
  ids.forEach((id, i) => {
    if (!id) return
    const other = holders.get(id)
    const wins = other === undefined || (old.has(id) && place(id) === blocks[i].pos)
    if (other !== undefined) ids[wins ? other : i] = null
    if (wins) holders.set(id, i)
  })

  const tr = after.tr
  blocks.forEach(({ node, pos }, i) => {
    const id = ids[i] ?? newId()
    if (id !== node.attrs.id) tr.setNodeAttribute(pos, "id", id)
  })
  return tr.docChanged ? tr.setMeta("addToHistory", false) : null
}

export default Extension.create({
  name: "block_ids",

  addGlobalAttributes() {
    return [{
      types: TYPES,
      attributes: { id: { default: null, keepOnSplit: false, renderHTML: ({ id }) => (id ? { "data-id": id } : {}) } }
    }]
  },

  addProseMirrorPlugins() {
    return [new Plugin({
      key: new PluginKey("block_ids"),
      appendTransaction(transactions, before, after) {
        return transactions.some((tr) => tr.docChanged) ? mend(transactions, before, after) : null
      }
    })]
  }
})
