// The list of all keys.
export default class Keys {
  constructor({ panels }) {
    const element = document.querySelector("#keys")
    panels.add("keys", { element, open: () => element.showModal(), close: () => element.close(), isOpen: () => element.open, keys: { F1: null } })
  }
}
