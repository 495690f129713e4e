import { NodeSelection } from "@tiptap/pm/state"
import { FRAMES, LISTS } from "./blocks"

// Turning a block into another, with all that is in it.

const FRAME_TYPES = Object.values(FRAMES).map(({ type }) => type)

// The nearest block around the selection that holds others and can become another of its sort.
function frameAround({ selection }) {
  if (selection instanceof NodeSelection && FRAME_TYPES.includes(selection.node.type.name)) return { pos: selection.from, node: selection.node }
  const { $from } = selection
  for (let depth = $from.depth; depth > 0; depth -= 1) {
    if (FRAME_TYPES.includes($from.node(depth).type.name)) return { pos: $from.before(depth), node: $from.node(depth) }
  }
  return null
}

const isKind = (node, { type, attrs }) => node.type.name === type && Object.entries(attrs).every(([name, value]) => node.attrs[name] === value)

export function kindOf(editor) {
  if (editor.isActive("heading")) return `heading${editor.getAttributes("heading").level}`
  if (editor.isActive("code_block")) return "code_block"
  const frame = frameAround(editor.state)
  if (frame) return Object.keys(FRAMES).find((kind) => isKind(frame.node, FRAMES[kind]))
  return Object.keys(LISTS).find((list) => editor.isActive(list)) ?? "paragraph"
}

export function turn(editor, kind) {
  const chain = editor.chain().focus()
  if (LISTS[kind]) return chain.toggleList(kind, LISTS[kind]).run()

  if (!FRAMES[kind]) {
    if (kind === "paragraph") return chain.clearNodes().run()
    if (kind === "code_block") return chain.clearNodes().setCodeBlock().run()
    return (Object.keys(LISTS).some((list) => editor.isActive(list)) ? chain.clearNodes() : chain).setHeading({ level: Number(kind.at(-1)) }).run()
  }
  const { type, attrs } = FRAMES[kind]
  const frame = frameAround(editor.state)
  if (!frame) return chain.wrapIn(type, attrs).run()
  return chain.command(({ tr, state }) => Boolean(tr.setNodeMarkup(frame.pos, state.schema.nodes[type], { ...attrs, id: frame.node.attrs.id }))).run()
}
