import schema from "./schema.json"

// What a node type holds and where it stands is stated once, by the core (Zuhause::Document::Schema), which writes
// schema.json: bin/rails editor:schema.
export default (extensions) => extensions.map((extension) => {
  const stated = extension.type === "node" && schema.nodes[extension.name]
  return stated ? extension.extend({ content: stated.content, ...(stated.group ? { group: stated.group } : {}), ...(stated.marks ? {} : { marks: "" }) }) : extension
})
