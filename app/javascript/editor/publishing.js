import { get, post } from "../http"

// Publishing from the workbench. parts() gives what is there once the page is open: root, words and saving, and whether a
// colleague's newer text stands against it.
export default (parts, part) => {
  // What there is to know before publishing; it stands there when it has come.
  async function tellBefore() {
    const list = part("publish-words")
    list.replaceChildren()
    await parts().saving.save()
    const { words: sentences } = await get(`${parts().root.dataset.publish}/new`)
    list.replaceChildren(...(sentences ?? []).map((sentence) => Object.assign(document.createElement("li"), { textContent: sentence })))
  }

  return {
    openPublish() {
      this.closePanels()
      tellBefore()
      part("publish-error").hidden = true
      part("publish-panel").hidden = false
      part("publish-panel").querySelector("#note").focus()
    },

    async publish(event) {
      const form = event.target
      const button = form.querySelector("button")
      button.disabled = true
      const saved = await parts().saving.save()
      const answer = saved && await post(parts().root.dataset.publish, { version: parts().saving.version, note: form.note.value, small: form.small.checked ? "1" : "0" }).catch(() => null)
      button.disabled = false
      if (answer?.ok) return location.assign(answer.body.location)
      if (saved === false && parts().conflict) return this.closePanels()

      part("publish-error").textContent = answer?.body?.error ?? parts().words.failed
      part("publish-error").hidden = false
    }
  }
}
