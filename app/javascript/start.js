import Alpine from "@alpinejs/csp"
import arriving from "./components/arriving"
import chosen from "./components/chosen"
import find from "./components/find"
import helped from "./components/helped"
import giving from "./components/giving"
import keys from "./components/keys"
import likely from "./components/likely"
import map from "./components/map"
import notes, { namings } from "./components/notes"
import panel from "./components/panel"
import peek from "./components/peek"
import places from "./components/places"
import plan from "./components/plan"
import printing from "./components/printing"
import reading from "./components/reading"
import rows from "./components/rows"
import selection from "./components/selection"
import pageNames from "./components/page_names"
import since from "./components/since"
import sending from "./components/sending"
import tags from "./components/tags"
import telling from "./components/telling"
import ticking from "./components/ticking"
import worklist from "./components/worklist"
import working from "./components/working"
import written from "./components/written"

// Every screen starts the same components; a screen with more of them names those.
export default function start(more = {}) {
  Object.entries({ arriving, chosen, find, giving, helped, keys, likely, map, namings, notes, pageNames, panel, peek, places, plan, printing, reading, rows, selection, sending, since, tags, telling, ticking, working, worklist, written, ...more }).forEach(([name, component]) => Alpine.data(name, component))
  Alpine.start()
}
