// Back into the text, at once: the next key is meant for it. The editor's own command waits for the next frame.
export function focusText(editor) {
  editor.view.focus()
  editor.commands.scrollIntoView()
}
