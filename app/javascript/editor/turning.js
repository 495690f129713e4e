import { NodeSelection } from "@tiptap/pm/state"

// Turning a block into another, with all that is in it.

const TONES = ["note", "tip", "caution", "danger"]
const FRAMES = ["quote", "notice", "fold", "passage"]
const LISTS = ["bullet_list", "ordered_list", "task_list"]

const frameOf = (kind) => (TONES.includes(kind) ? { type: "notice", attrs: { tone: kind } } : { type: kind, attrs: {} })

// The nearest block around the selection that holds others and can become another of its sort.
function frameAround({ selection }) {
  if (selection instanceof NodeSelection && FRAMES.includes(selection.node.type.name)) return { pos: selection.from, node: selection.node }
  const { $from } = selection
  for (let depth = $from.depth; depth > 0; depth -= 1) {
    if (FRAMES.includes($from.node(depth).type.name)) return { pos: $from.before(depth), node: $from.node(depth) }
  }
  return null
}

export function kindOf(editor) {
  if (editor.isActive("heading")) return `heading${editor.getAttributes("heading").level}`
  if (editor.isActive("code_block")) return "code_block"
  const frame = frameAround(editor.state)
  if (frame) return frame.node.type.name === "notice" ? frame.node.attrs.tone : frame.node.type.name
  return LISTS.find((list) => editor.isActive(list)) ?? "paragraph"
}

export function turn(editor, kind) {
  const chain = editor.chain().focus()
  if (LISTS.includes(kind)) return chain.toggleList(kind, kind === "task_list" ? "task" : "list_item").run()

  const { type, attrs } = frameOf(kind)
  if (!FRAMES.includes(type)) {
    if (kind === "paragraph") return chain.clearNodes().run()
    if (kind === "code_block") return chain.clearNodes().setCodeBlock().run()
    return (LISTS.some((list) => editor.isActive(list)) ? chain.clearNodes() : chain).setHeading({ level: Number(kind.at(-1)) }).run()
  }
  const frame = frameAround(editor.state)
  if (!frame) return chain.wrapIn(type, attrs).run()
  return chain.command(({ tr, state }) => Boolean(tr.setNodeMarkup(frame.pos, state.schema.nodes[type], { ...attrs, id: frame.node.attrs.id }))).run()
}
