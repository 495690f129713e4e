import { named } from "../shown/headed"
import { holding } from "./content"

export const nodes = ({ words }) => [named("fold", "title", words, { open: { default: false, rendered: false } })]
export const inserts = { building: { fold: holding("fold") } }
export const frames = { fold: { type: "fold", attrs: {} } }
