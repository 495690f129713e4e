import HorizontalRule from "@tiptap/extension-horizontal-rule"

export const nodes = () => [HorizontalRule.extend({ name: "divider" })]
export const inserts = { writing: { divider: { type: "divider" } } }
