import { TableMap } from "@tiptap/pm/tables"

// A table as a grid: boxes, each a cell with the rows and columns it takes. Putting boxes over others parts those that are
// overlapped; a table is made of it again, in which every place is taken once.
export default class Grid {
  constructor(width, height, boxes) {
    Object.assign(this, { width, height, boxes })
  }

  // Places that no cell takes are taken by none; cells that overlap keep what the library gives them.
  static of(table) {
    const { map, width, height } = TableMap.get(table)
    const boxes = []
    const seen = new Set()
    map.forEach((pos, place) => {
      if (pos === 0 || seen.has(pos)) return
      seen.add(pos)
      const [x, y] = [place % width, Math.floor(place / width)]
      let [w, h] = [1, 1]
      while (x + w < width && map[place + w] === pos) w += 1
      while (y + h < height && map[place + h * width] === pos) h += 1
      boxes.push({ x, y, w, h, cell: table.nodeAt(pos) })
    })
    return new Grid(width, height, boxes)
  }

  at(y, x) {
    return this.places[y]?.[x] ?? null
  }

  // Which box takes which place.
  get places() {
    if (this.laid) return this.laid
    this.laid = Array.from({ length: this.height }, () => Array(this.width).fill(null))
    for (const box of this.boxes) for (let y = box.y; y < box.y + box.h; y += 1) for (let x = box.x; x < box.x + box.w; x += 1) this.laid[y][x] ??= box
    return this.laid
  }

  // The same again and again, until it is so wide and high at least; what reaches beyond is cut off.
  repeated(width, height) {
    if (width <= this.width && height <= this.height) return this
    const [wide, high] = [Math.max(width, this.width), Math.max(height, this.height)]
    const boxes = []
    for (let y = 0; y < high; y += this.height) {
      for (let x = 0; x < wide; x += this.width) {
        for (const box of this.boxes) {
          const moved = { ...box, x: box.x + x, y: box.y + y }
          if (moved.x < wide && moved.y < high) boxes.push({ ...moved, w: Math.min(moved.w, wide - moved.x), h: Math.min(moved.h, high - moved.y) })
        }
      }
    }
    return new Grid(wide, high, boxes)
  }

  // @param other [Grid] is put over this one with its first place at row top, column left
  // @param typed [Function] (cell, y, x) gives a cell of the other as it is to be there
  // @return [Grid]
  under(other, top, left, typed) {
    const area = { x: left, y: top, w: other.width, h: other.height }
    const kept = this.boxes.flatMap((box) => parts(box, area))
    const put = other.boxes.map((box) => ({ ...box, x: box.x + left, y: box.y + top, cell: typed(box.cell, box.y + top, box.x + left) }))
    return new Grid(Math.max(this.width, left + other.width), Math.max(this.height, top + other.height), [...kept, ...put])
  }

  // @param empty [Function] (y, x) gives a cell for a place that nothing takes
  // @return [Array<Node>] the cells of each row; rows that hold none of their own are left out
  rows(empty) {
    const rows = this.places.map((row, y) => row.map((box, x) => (box ? (box.x === x && box.y === y ? box : null) : { x, y, w: 1, h: 1, cell: empty(y, x) })).filter(Boolean))
    const bare = rows.map((cells) => cells.length === 0)
    return rows.map((boxes) => boxes.map((box) => spanning(box, bare.slice(box.y, box.y + box.h).filter(Boolean).length))).filter((cells) => cells.length)
  }
}

// What of a box is beside an area: up to four boxes, of which that with the first place keeps the words.
function parts(box, area) {
  const [right, bottom] = [box.x + box.w, box.y + box.h]
  const [inLeft, inTop, inRight, inBottom] = [Math.max(box.x, area.x), Math.max(box.y, area.y), Math.min(right, area.x + area.w), Math.min(bottom, area.y + area.h)]
  if (inLeft >= inRight || inTop >= inBottom) return [box]
  const pieces = [
    { x: box.x, y: box.y, w: box.w, h: inTop - box.y }, { x: box.x, y: inTop, w: inLeft - box.x, h: inBottom - inTop },
    { x: inRight, y: inTop, w: right - inRight, h: inBottom - inTop }, { x: box.x, y: inBottom, w: box.w, h: bottom - inBottom }
  ].filter(({ w, h }) => w > 0 && h > 0)
  return pieces.map((piece) => ({ ...piece, cell: piece.x === box.x && piece.y === box.y ? box.cell : box.cell.type.createAndFill({ ...box.cell.attrs, id: null }) }))
}

function spanning({ w, h, cell }, without) {
  const { colwidth } = cell.attrs
  return cell.type.create({ ...cell.attrs, colspan: w, rowspan: h - without, colwidth: colwidth && colwidth.length === w ? colwidth : null }, cell.content, cell.marks)
}
