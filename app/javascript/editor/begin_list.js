import { InputRule } from "@tiptap/core"
import { bulletListInputRegex, orderedListInputRegex } from "@tiptap/extension-list"

// What begins a list at the head of a line. In an item whose list is of that sort already it is left out, as whoever goes on by
// the sign means just the next item; in an item of another sort this item alone becomes what is meant.

export const BULLET = bulletListInputRegex
export const NUMBER = orderedListInputRegex
export const BOX = /^\s*\[([ xX]?)\]\s$/

// @param list [String] type of the list
// @param item [String] type of its items
// @param attrs [Function] of the list, and of its first item, from what was typed
export const beginList = (find, list, item, attrs = () => ({})) => new InputRule({
  find,
  handler: ({ state, range, match, chain }) => {
    const { $from } = state.selection
    if ($from.parent.type.name !== "paragraph") return null

    const within = $from.depth > 2 && $from.index(-1) === 0 && $from.node(-2).type.spec.group === "block" && $from.node(-1).type.name
    const inItem = within === "list_item" || within === "task"
    const given = attrs(match)
    const tick = (begun) => void begun.updateAttributes(item, given.item ?? {}).run()
    const begin = (line) => tick(line.toggleList(list, item, false, given.list))
    if (!inItem) return begin(chain().deleteRange(range))
    if ($from.node(-2).type.name === list) return tick(chain().deleteRange(range))
    if ($from.depth > 3 && $from.node(-3).type.name === within) return null // in a list within a list it stays as typed
    // Lifting reckons with a document in which nothing was changed before.
    return begin(chain().liftListItem(within).command(({ tr }) => Boolean(tr.delete(tr.selection.$from.start(), tr.selection.from))))
  }
})
