import { getSchema } from "@tiptap/core"
import blockIds from "../../app/javascript/editor/block_ids"
import blocks from "../../app/javascript/editor/blocks"
import marks from "../../app/javascript/editor/marks"
import stated from "../../app/javascript/editor/stated"

const given = { words: { tones: {} }, names: { people: {}, files: {}, pages: {}, sources: {} }, on: {} }

// The editor's schema, as far as it needs no browser.
export default getSchema([...stated(blocks(given)), ...marks({}, {})])

// The same, its blocks with ids.
export const withIds = getSchema([...stated(blocks(given)), ...marks({}, {}), blockIds])
