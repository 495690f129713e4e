// A drawn map is walked by arrow keys, from door to door; the threads of the door that has the focus stand out.
export default () => ({
  init() {
    this.doors = [...this.$root.querySelectorAll(".map-door")]
    this.doors.forEach((door) => {
      for (const name of ["focus", "mouseenter"]) door.addEventListener(name, () => this.stress(door.dataset.key))
      for (const name of ["blur", "mouseleave"]) door.addEventListener(name, () => this.stress(null))
    })
    const here = this.$root.querySelector(".map-here")
    if (here) this.$root.scrollLeft = Math.max(0, here.getBoundingClientRect().left - this.$root.getBoundingClientRect().left - this.$root.clientWidth / 2)
  },

  stress(key) {
    this.$root.querySelectorAll(".map-strands path").forEach((strand) => strand.classList.toggle("strand-here", key !== null && [strand.dataset.from, strand.dataset.to].includes(key)))
  },

  key(event) {
    const [across, down] = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key] ?? []
    const door = document.activeElement.closest(".map-door")
    if (across === undefined || !door) return
    const next = this.next(door, across, down)
    if (!next) return
    event.preventDefault()
    next.focus()
    next.scrollIntoView({ block: "nearest", inline: "nearest" })
  },

  // In a column the next row; across, the door of the next column that stands nearest.
  next(door, across, down) {
    const column = Number(door.dataset.column), row = Number(door.dataset.row)
    if (down) return this.doors.find((other) => Number(other.dataset.column) === column && Number(other.dataset.row) === row + down)
    const top = door.getBoundingClientRect().top
    const there = this.doors.filter((other) => Number(other.dataset.column) === column + across)
    return there.sort((one, other) => Math.abs(one.getBoundingClientRect().top - top) - Math.abs(other.getBoundingClientRect().top - top))[0]
  }
})
