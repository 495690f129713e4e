import { named } from "../shown/headed"
import { holding } from "./content"

export const nodes = ({ words }) => [named("passage", "name", words)]
export const inserts = { building: { passage: holding("passage") } }
export const frames = { passage: { type: "passage", attrs: {} } }
