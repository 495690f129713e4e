// The types of nodes, each with what it brings along: nodes(given), and where there is something of it inserts (by group of the
// insert menu), frames (what can be put around blocks, by kind), lists (by type, with the type of their items), turned (what
// can be made something else) and centred (the attribute that says so).
import * as paragraph from "./paragraph"
import * as heading from "./heading"
import * as lists from "./lists"
import * as tasks from "./tasks"
import * as definition_list from "./definition_list"
import * as table from "./table"
import * as quote from "./quote"
import * as code_block from "./code_block"
import * as divider from "./divider"
import * as notice from "./notice"
import * as live_insert from "./live_insert"
import * as leaves from "./leaves"
import * as footnote from "./footnote"
import * as figure from "./figure"
import * as gallery from "./gallery"
import * as embed from "./embed"
import * as contents_list from "./contents_list"
import * as fold from "./fold"
import * as columns from "./columns"
import * as passage from "./passage"
import * as references from "./references"

const BLOCKS = [
  paragraph, heading, lists, tasks, definition_list, table, quote, code_block,
  divider, notice, live_insert, leaves, footnote, figure, gallery, embed,
  contents_list, fold, columns, passage, references
]

const together = (name) => Object.assign({}, ...BLOCKS.map((block) => block[name] ?? {}))

// @param given [Object] words, names, and on: what the editor calls when something is asked for
export default (given) => BLOCKS.flatMap((block) => block.nodes(given))

export const INSERTS = BLOCKS.flatMap((block) => Object.entries(block.inserts ?? {})).reduce((groups, [group, entries]) => ({ ...groups, [group]: { ...groups[group], ...entries } }), {})
export const FRAMES = together("frames")
export const LISTS = together("lists")
export const CENTRED = together("centred")
export const TURNED = [...BLOCKS.flatMap((block) => block.turned ?? []), ...new Set(Object.values(FRAMES).map(({ type }) => type))]
