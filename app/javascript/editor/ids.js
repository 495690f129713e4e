import schema from "./schema.json"

const { letters, block, public: longer } = schema.ids
const ONE = `[${letters.replace("abcdefghijklmnopqrstuvwxyz", "a-z").replace("0123456789", "0-9")}]`

// The larger bytes are skipped, so that all letters are equally likely.
const EVEN = 256 - (256 % letters.length)

export function newId() {
  let id = ""
  while (id.length < block) {
    for (const byte of crypto.getRandomValues(new Uint8Array(12))) if (byte < EVEN && id.length < block) id += letters[byte % letters.length]
  }
  return id
}

// A page's address, with or without its title, and what it leads to there; and a link's target that is a page.
export const ADDRESS = new RegExp(`(?:-|/p/)(${ONE}{${longer}})(?:#b-(${ONE}{${block}}))?$`)
export const TARGET = new RegExp(`^page:(${ONE}{${longer}})(?:#(${ONE}{${block}}))?$`)

export const BLOCKS = Object.keys(schema.nodes).filter((name) => "id" in schema.nodes[name].attrs)
export const LONGEST_TITLE = schema.longestTitle
