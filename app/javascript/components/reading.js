// What a reader can do with a page's text: copy a heading's address, sort a table, take one away as CSV.

const button = (className, label, html = "") => {
  const element = Object.assign(document.createElement("button"), { type: "button", className, textContent: html, title: label })
  element.setAttribute("aria-label", label)
  return element
}

const collator = () => new Intl.Collator(document.documentElement.lang, { numeric: true, sensitivity: "base" })

// Numbers as people write them in tables, with what they measure behind them.
function number(text) {
  const digits = text.replace(/[\s\u00a0\u202f]/g, "").match(/^[^\d+-]*([+-]?\d+(?:[.,]\d+)*)/)
  return digits ? Number(digits[1].replace(/,(?=\d{3}(?:\D|$))/g, "").replace(",", ".")) : NaN
}

function compare(one, other) {
  const [a, b] = [number(one), number(other)]
  return Number.isNaN(a) || Number.isNaN(b) ? collator().compare(one, other) : a - b
}

const sortable = ([head, ...rows]) => head && rows.length > 1 && [...head.cells].every((cell) => cell.tagName === "TH" && cell.colSpan === 1) &&
  rows.every((row) => row.cells.length === head.cells.length && [...row.cells].every((cell) => cell.colSpan === 1 && cell.rowSpan === 1))

export default () => ({
  init() {
    this.words = this.$root.dataset
    this.$root.querySelectorAll(".text > :is(h2, h3, h4, h5)[id^='b-']").forEach((heading) => this.address(heading))
    this.$root.querySelectorAll(".text table").forEach((table) => this.table(table))
    this.arrived()
    this.onHash = () => this.arrived()
    window.addEventListener("hashchange", this.onHash)
    this.$root.addEventListener("click", ({ target }) => this.place(target.closest("[data-place]")))
    window.addEventListener("beforeprint", () => this.unfold())
    window.addEventListener("afterprint", () => this.fold())
  },

  // Browsers open few places that are no sites: the address is taken along, and that is said.
  async place(link) {
    if (!link) return
    const copied = await navigator.clipboard?.writeText(link.getAttribute("href")).then(() => true, () => false)
    const said = this.$root.querySelector("[data-place-said]")
    said.querySelector("span").textContent = (copied ? this.words.placeCopied : this.words.placeShown).replace("%{address}", link.getAttribute("href"))
    said.hidden = false
  },

  // On paper nothing can be opened: what is folded is printed open.
  unfold() {
    this.folded = [...this.$root.querySelectorAll("details:not([open])")]
    this.folded.forEach((fold) => { fold.open = true })
  },

  fold() {
    this.folded?.forEach((fold) => { fold.open = false })
  },

  destroy() {
    window.removeEventListener("hashchange", this.onHash)
  },

  // A link to a part that is a page of its own now leads there; to one that has gone it opens the page and says so.
  arrived() {
    const id = decodeURIComponent(location.hash.slice(1))
    const gone = /^b-[a-z0-9]{8}$/.test(id) && !document.getElementById(id)
    const moved = gone && JSON.parse(this.$root.dataset.moved ?? "{}")[id]
    if (moved) return location.replace(moved)
    this.$root.querySelector("[data-part-gone]").hidden = !gone
  },

  address(heading) {
    const copy = button("heading-link", this.words.copy)
    copy.append(this.$root.querySelector("[data-link-icon]").content.cloneNode(true))
    copy.addEventListener("click", async () => {
      const address = `${location.origin}${location.pathname}#${heading.id}`
      history.replaceState(null, "", address)
      this.arrived()
      await navigator.clipboard?.writeText(address).catch(() => {})
      copy.dataset.said = this.words.copied
      this.$root.querySelector("[data-said]").textContent = this.words.copied
      setTimeout(() => { delete copy.dataset.said }, 2000)
    })
    heading.append(copy)
  },

  table(table) {
    const rows = [...table.rows]
    if (sortable(rows)) [...rows[0].cells].forEach((cell, column) => this.sorting(table, cell, column))
    if (!table.id.startsWith("b-") || table.id.length !== 10 || !this.words.tables) return
    const link = Object.assign(document.createElement("a"), { className: "table-csv", href: `${this.words.tables}/${table.id.slice(2)}`, textContent: this.words.csv, download: "" })
    table.closest(".table").after(link)
  },

  sorting(table, cell, column) {
    const sort = button("table-sort", this.words.sort.replace("%{column}", cell.textContent.trim()))
    const [, ...unsorted] = [...table.rows]
    sort.addEventListener("click", () => {
      const order = { ascending: "descending", descending: null }[cell.getAttribute("aria-sort")] ?? (cell.hasAttribute("aria-sort") ? null : "ascending")
      for (const other of table.rows[0].cells) other.removeAttribute("aria-sort")
      const sign = order === "descending" ? -1 : 1
      const rows = order ? [...unsorted].sort((one, other) => sign * compare(one.cells[column].textContent.trim(), other.cells[column].textContent.trim())) : unsorted
      if (order) cell.setAttribute("aria-sort", order)
      table.tBodies[0].append(...rows)
    })
    cell.classList.add("sortable")
    cell.append(sort)
  }
})
