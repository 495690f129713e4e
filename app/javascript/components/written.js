import { rangeOf } from "../talk/places"

// Who wrote what: the stretch whose line is pointed at is marked in the text, where the browser can do that.
export default () => ({
  point(event) {
    const line = event.target.closest("[data-block]")
    if (!line || !("highlights" in CSS)) return
    const { block, start, length } = line.dataset
    const range = start === undefined ? null : rangeOf(this.$root, block, Number(start), Number(length))
    if (range) CSS.highlights.set("written", new Highlight(range))
  },

  still() {
    if ("highlights" in CSS) CSS.highlights.delete("written")
  }
})
