// What need not be seen with the letter that was typed is done when that has been painted, once for all that came meanwhile.
export function afterPaint(act) {
  let waiting = false
  return () => {
    if (waiting) return
    waiting = true
    requestAnimationFrame(() => {
      const { port1, port2 } = new MessageChannel()
      port1.onmessage = () => {
        waiting = false
        act()
      }
      port2.postMessage(null)
    })
  }
}

// Writes only what differs, since the browser looks again at whatever is written.
export function setAttribute(element, name, value) {
  if (element.getAttribute(name) !== value) element.setAttribute(name, value)
}

export function setHidden(element, hidden) {
  if (element.hidden !== hidden) element.hidden = hidden
}
