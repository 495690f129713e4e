import CodeBlock from "@tiptap/extension-code-block"

export const nodes = () => [CodeBlock.extend({ name: "code_block" })]
export const inserts = { writing: { code_block: { type: "code_block" } } }
export const turned = ["code_block"]
