import compact from "emojibase-data/en/compact.json"

// Emoji and special characters by their names. Loaded when somebody first asks for one.
const CHARACTERS = {
  "–": "en dash", "—": "em dash", "…": "ellipsis, dots", "•": "bullet", "·": "middle dot", "†": "dagger", "‡": "double dagger", "§": "section, paragraph sign", "¶": "pilcrow, paragraph",
  "“": "opening quote, quotation mark", "”": "closing quote, quotation mark", "„": "low quote, quotation mark", "‘": "opening single quote", "’": "apostrophe, closing single quote", "«": "left guillemet, quotation mark", "»": "right guillemet, quotation mark",
  "→": "arrow right", "←": "arrow left", "↑": "arrow up", "↓": "arrow down", "↔": "arrow both ways", "⇒": "double arrow right, follows", "⇔": "double arrow, equivalent",
  "×": "times, multiplication", "÷": "division", "±": "plus minus", "−": "minus", "≈": "about, almost equal", "≠": "not equal", "≤": "less or equal", "≥": "greater or equal", "∞": "infinity", "√": "square root", "∑": "sum", "∆": "delta, difference", "π": "pi", "µ": "micro",
  "°": "degree", "′": "minute, foot, prime", "″": "second, inch, double prime", "‰": "per mille", "½": "one half", "⅓": "one third", "⅔": "two thirds", "¼": "one quarter", "¾": "three quarters", "⅛": "one eighth",
  "¹": "superscript one", "²": "superscript two, squared", "³": "superscript three, cubed", "€": "euro", "£": "pound", "¥": "yen", "¢": "cent", "©": "copyright", "®": "registered", "™": "trade mark", "№": "number sign", "℃": "degrees celsius",
  "✓": "check, tick", "✗": "cross", "☐": "box", "☑": "ticked box", "★": "star", "☆": "empty star", "⌘": "command key", "⌥": "option key", "⇧": "shift key", "⏎": "enter, return key", "⌫": "backspace key", "⎋": "escape key", "␣": "space key",
  "ä": "a with two dots", "ö": "o with two dots", "ü": "u with two dots", "ß": "sharp s", "å": "a with ring", "æ": "ae ligature", "ø": "o with stroke", "é": "e with acute", "è": "e with grave", "ê": "e with circumflex", "ñ": "n with tilde", "ç": "c with cedilla", "ł": "l with stroke", "ð": "eth", "þ": "thorn",
  "\u00a0": "no-break space", "\u202f": "narrow no-break space", "\u00ad": "soft hyphen", "\u2011": "no-break hyphen", "\u200f": "right-to-left mark", "\u200e": "left-to-right mark"
}

const all = [
  ...Object.entries(CHARACTERS).map(([sign, name]) => ({ sign, name, words: name })),
  ...compact.filter(({ hexcode }) => !/^1F1[EF]/.test(hexcode) || hexcode.includes("-")).map(({ unicode, label, tags }) => ({ sign: unicode, name: label, words: `${label} ${(tags ?? []).join(" ")}`.toLowerCase() }))
]

const MOST = 40
const visible = (sign) => (/^[\s\u00ad\u200e\u200f]$/u.test(sign) ? "␣" : sign)

// Those whose name begins with what was typed stand first.
export default function find(typed) {
  const wanted = typed.toLowerCase().split(/\s+/).filter(Boolean)
  const found = all.filter(({ sign, words }) => sign === typed || wanted.every((word) => words.includes(word)))
  const rank = ({ name }) => (name === typed ? 0 : name.startsWith(typed) ? 1 : 2)
  return (typed ? found.sort((one, other) => rank(one) - rank(other)) : found).slice(0, MOST).map(({ sign, name }) => ({ sign, words: `${visible(sign)}  ${name}` }))
}
