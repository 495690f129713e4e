// How well choices fit what is typed: names stand before other words for the same, and those before what is noted of them.

export const plain = (text) => text.normalize("NFD").replace(/\p{M}/gu, "").toLowerCase()

const begins = (text, typed) => text.startsWith(typed) || new RegExp(`[\\s,/-]${typed.replace(/[.*+?^${}()|[\]\\]/g, "\\$&")}`).test(text)

// @return [Number] 0 fits best; Infinity does not fit at all
export function rank({ words, also = "", note = "" }, typed) {
  const [name, other, noted] = [words, also, note].map(plain)
  if (name === typed) return 0
  if (name.startsWith(typed)) return 1
  if (begins(name, typed)) return 2
  if (other.split(/,\s*/).includes(typed)) return 3
  if (begins(other, typed)) return 4
  if (name.includes(typed)) return 5
  return begins(noted, typed) ? 6 : Infinity
}

// Those that fit, best first, in their own order where they fit alike; all of them where nothing is typed.
export function fitting(choices, text) {
  const typed = plain(text.trim())
  if (!typed) return choices
  return choices.map((choice) => ({ choice, rank: rank(choice, typed) })).filter((each) => each.rank < Infinity)
    .sort((one, other) => one.rank - other.rank).map(({ choice }) => ({ ...choice, group: null }))
}
