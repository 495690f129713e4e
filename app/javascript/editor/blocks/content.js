// Content as it is inserted.

export const paragraph = { type: "paragraph" }

export const holding = (type, attrs = {}) => ({ type, attrs, content: [paragraph] })
