import { choice } from "../controls"
import schema from "../schema.json"
import { settled } from "../shown/settled"

const fields = (words) => (set, attrs) => ({
  depth: choice(words.contents_depth, schema.headingLevels.map((depth) => [depth, words.contents_depths[depth - 1]]), attrs.depth, (value) => set("depth")(Number(value)))
})

export const nodes = ({ words }) => [
  settled("contents_list", { depth: schema.headingLevels.at(-1) }, "contents-list", fields(words), (dom) => { dom.textContent = words.contents })
]
export const inserts = { building: { contents_list: { type: "contents_list" } } }
