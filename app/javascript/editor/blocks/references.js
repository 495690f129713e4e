import { choice } from "../controls"
import { settled } from "../shown/settled"

const fields = (words) => (set, attrs) => ({
  columns: choice(words.references_columns, [1, 2].map((count) => [count, words.references_columns_of[count - 1]]), attrs.columns, (value) => set("columns")(Number(value)))
})

export const nodes = ({ words }) => [settled("references", { columns: 1 }, "references", fields(words), (dom) => { dom.textContent = words.references })]
export const inserts = { building: { references: { type: "references" } } }
