import { ownBlocks } from "./last_line"

// What is made of each block of the text is kept as long as that block stays as it is, so that typing in a long text costs
// no more than the block that is typed in.
function perBlock(make) {
  const kept = new WeakMap()
  return (node) => {
    if (!kept.has(node)) kept.set(node, make(node))
    return kept.get(node)
  }
}

const json = perBlock((node) => JSON.stringify(node.toJSON()))

const WORD = /[\p{L}\p{M}\p{N}]+(?:['’.,-][\p{L}\p{M}\p{N}]+)*/gu
const counts = perBlock((node) => ({ words: node.textBetween(0, node.content.size, " ").match(WORD)?.length ?? 0, characters: node.textContent.length }))

// @return [String] the document as it is saved, in JSON
export const written = (state) => `{"type":"doc","content":[${ownBlocks(state).map(json).join(",")}]}`

// @return [Object] words and characters
export const counted = (doc) => doc.content.content.map(counts).reduce((sum, { words, characters }) => ({ words: sum.words + words, characters: sum.characters + characters }), { words: 0, characters: 0 })
