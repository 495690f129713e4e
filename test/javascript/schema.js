import { getSchema } from "@tiptap/core"
import figures from "../../app/javascript/editor/figures"
import nodes from "../../app/javascript/editor/nodes"

// The editor's schema, as far as it needs no browser.
export default getSchema([...nodes({ tones: {} }, { people: {} }, () => {}), ...figures({}, {}, () => {})])
