import { getSchema } from "@tiptap/core"
import figures from "../../app/javascript/editor/figures"
import nodes from "../../app/javascript/editor/nodes"
import stated from "../../app/javascript/editor/stated"

// The editor's schema, as far as it needs no browser.
export default getSchema(stated([...nodes({ tones: {} }, { people: {} }, () => {}), ...figures({}, {}, () => {})]))
