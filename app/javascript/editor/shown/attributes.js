// Attributes that are no part of what the editor shows; by name, each with its default.
export const attributes = (attrs) => () => Object.fromEntries(Object.entries(attrs).map(([name, value]) => [name, { default: value, rendered: false }]))
