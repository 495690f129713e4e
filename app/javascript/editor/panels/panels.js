// The panels above the workbench. Each registers itself under a name, with its element, how it is opened and put away, and
// its keys (those with a name of their own, as F1, pressed alone; others with Ctrl). One stands open at a time; buttons open them by name (data-opens) or put them away (data-closes).
export default class Panels {
  // onClosed is told when a panel is put away by a button.
  constructor(root, onClosed) {
    this.panels = new Map()
    root.addEventListener("click", ({ target }) => {
      const opener = target.closest("[data-opens]")
      if (opener) this.open(opener.dataset.opens)
      else if (target.closest("[data-closes]")) {
        this.close()
        onClosed()
      }
    })
  }

  // @param open [Function] takes what a key gives
  // @param close [Function] puts away what the panel holds besides its element
  // @param keys [Object] what each key gives to open
  // @param isOpen [Function] for what is not hidden when it is put away
  add(name, { element, open, close = () => {}, keys = {}, isOpen = () => !element.hidden }) {
    this.panels.set(name, { element, open, close, keys, isOpen })
  }

  open(name, given) {
    this.close()
    this.panels.get(name).open(given)
  }

  // Answers whether one was open.
  close() {
    const open = [...this.panels.values()].filter(({ isOpen }) => isOpen())
    for (const { element, close, isOpen } of open) {
      if (!isOpen()) continue // put away with one before
      close()
      if (isOpen()) element.hidden = true
    }
    return open.length > 0
  }

  // Answers whether the key is a panel's.
  key({ key, ctrlKey, metaKey, altKey }) {
    if (altKey || (ctrlKey || metaKey) === /^F\d+$/.test(key)) return false
    const found = [...this.panels].find(([, { keys }]) => key in keys)
    if (found) this.open(found[0], found[1].keys[key])
    return Boolean(found)
  }
}
