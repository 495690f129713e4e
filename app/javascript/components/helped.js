// Whether a page helped is said without leaving it: what is answered takes the place of what was asked.
export default () => ({
  async submit(event) {
    event.preventDefault()
    const form = event.target
    const response = await fetch(form.action, { method: "POST", body: new FormData(form, event.submitter), headers: { "X-Fragment": "1", Accept: "text/html" } }).catch(() => null)
    const told = response && [200, 422].includes(response.status) && new DOMParser().parseFromString(await response.text(), "text/html").querySelector("#helped")
    if (!told) return form.submit()

    const place = this.$root
    place.replaceChildren(...told.childNodes)
    const next = place.querySelector("[aria-invalid=true], [data-told]")
    next?.focus()
  }
})
