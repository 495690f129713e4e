import { Extension } from "@tiptap/core"
import { Plugin, PluginKey } from "@tiptap/pm/state"
import { ReplaceStep } from "@tiptap/pm/transform"
import { BLOCKS, newId } from "./ids"

function byId(doc) {
  const found = new Map()
  doc.descendants((node, pos) => {
    if (node.attrs.id && !found.has(node.attrs.id)) found.set(node.attrs.id, { node, pos })
  })
  return found
}

// Every block bears an id, given once. Of blocks that claim the same one, that keeps it which has the text it had; else
// the one that stands where it stood. A block without an id takes that of an equal block that is gone, as the half of a
// split block does that keeps the text.
function mend(transactions, before, after) {
  const old = byId(before.doc)
  const blocks = []
  after.doc.descendants((node, pos) => {
    if (BLOCKS.includes(node.type.name)) blocks.push({ node, pos, id: node.attrs.id })
  })

  const sameText = (id, { node }) => node.textContent !== "" && old.get(id)?.node.type === node.type && old.get(id).node.textContent === node.textContent
  const samePlace = (id, { pos }) => old.has(id) && transactions.reduce((place, tr) => tr.mapping.map(place), old.get(id).pos) === pos
  const claim = (id, block) => (sameText(id, block) ? 2 : 0) + (samePlace(id, block) ? 1 : 0)

  const holders = new Map()
  for (const block of blocks) {
    const holder = block.id && holders.get(block.id)
    if (!block.id) continue
    if (holder && claim(block.id, holder) >= claim(block.id, block)) block.id = null
    else {
      if (holder) holder.id = null
      holders.set(block.id, block)
    }
  }
  for (const block of blocks.filter(({ id }) => !id)) {
    const id = [...old.keys()].find((was) => sameText(was, block) && (!holders.has(was) || holders.get(was).node.textContent === ""))
    if (!id) continue
    if (holders.has(id)) holders.get(id).id = null
    block.id = id
    holders.set(id, block)
  }

  const tr = after.tr
  for (const { node, pos, id } of blocks) {
    if (!id || id !== node.attrs.id) tr.setNodeAttribute(pos, "id", id ?? newId())
  }
  return tr.docChanged ? tr.setMeta("addToHistory", false) : null
}

// Typing within one block's text touches no ids; that is by far most of what happens.
const withinText = (transactions) => transactions.every((tr) => tr.steps.every((step, i) => {
  if (!(step instanceof ReplaceStep) || step.slice.openStart || step.slice.openEnd || step.slice.content.firstChild?.isBlock) return false
  const $from = tr.docs[i].resolve(step.from)
  return $from.parent.isTextblock && step.to <= $from.end()
}))

export default Extension.create({
  name: "block_ids",

  addGlobalAttributes() {
    return [{
      types: BLOCKS,
      attributes: { id: { default: null, keepOnSplit: false, renderHTML: ({ id }) => (id ? { "data-id": id } : {}) } }
    }]
  },

  addProseMirrorPlugins() {
    return [new Plugin({
      key: new PluginKey("block_ids"),
      appendTransaction(transactions, before, after) {
        return transactions.some((tr) => tr.docChanged) && !withinText(transactions) ? mend(transactions, before, after) : null
      }
    })]
  }
})
