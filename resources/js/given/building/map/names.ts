/** px */
export interface Spot {
  key: string
  x: number
  y: number
  name: string
  /** Of the sign that stands there. */
  radius: number
  /** What is named first where there is not room for all. */
  rank: number
}
export interface Named {
  x: number
  y: number
  anchor: 'start' | 'middle' | 'end'
}
interface Box {
  left: number
  top: number
  right: number
  bottom: number
}

/** px of a letter and of a line, as the map writes them. */
const LETTER = 6.6
const LINE = 15
const GAP = 4
/** Boxes are looked for among those nearby. */
const CELL = 120

const meets = (a: Box, b: Box) => a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom

class Taken {
  private cells = new Map<string, Box[]>()

  private *around(box: Box) {
    for (let x = Math.floor(box.left / CELL); x <= Math.floor(box.right / CELL); x++)
      for (let y = Math.floor(box.top / CELL); y <= Math.floor(box.bottom / CELL); y++) yield `${x} ${y}`
  }

  take(box: Box) {
    for (const cell of this.around(box)) this.cells.set(cell, [...(this.cells.get(cell) ?? []), box])
  }

  isFree(box: Box) {
    for (const cell of this.around(box)) if (this.cells.get(cell)?.some(each => meets(each, box))) return false
    return true
  }
}

/** The places beside a sign where its name may stand, the usual ones first. */
function sides(spot: Spot, middle: number): { at: Named; box: Box }[] {
  const wide = spot.name.length * LETTER
  const out = spot.radius + GAP
  const right = {
    at: { x: spot.x + out, y: spot.y + 4, anchor: 'start' as const },
    left: spot.x + out,
    top: spot.y - LINE / 2,
  }
  const left = {
    at: { x: spot.x - out, y: spot.y + 4, anchor: 'end' as const },
    left: spot.x - out - wide,
    top: spot.y - LINE / 2,
  }
  const below = {
    at: { x: spot.x, y: spot.y + out + 10, anchor: 'middle' as const },
    left: spot.x - wide / 2,
    top: spot.y + out - 2,
  }
  const above = {
    at: { x: spot.x, y: spot.y - out, anchor: 'middle' as const },
    left: spot.x - wide / 2,
    top: spot.y - out - LINE + 3,
  }
  // Outwards, so that the middle stays free for ways.
  const order = spot.x >= middle ? [right, below, above, left] : [left, below, above, right]
  return order.map(({ at, left, top }) => ({ at, box: { left, top, right: left + wide, bottom: top + LINE } }))
}

export interface Along {
  key: string
  /** Where it may be written, what is best first. */
  at: [number, number][]
  /** ° */
  angle: number
  name: string
}

/** Small boxes along a name that leans. */
function leaning({ angle, name }: Along, [x, y]: [number, number]): Box[] {
  const turn = (angle * Math.PI) / 180
  const half = (name.length * LETTER) / 2
  const boxes: Box[] = []
  for (let at = -half; at <= half; at += LINE) {
    const [cx, cy] = [x + at * Math.cos(turn), y + at * Math.sin(turn)]
    boxes.push({ left: cx - LINE / 2, top: cy - LINE / 2, right: cx + LINE / 2, bottom: cy + LINE / 2 })
  }
  return boxes
}

/**
 * Which names are written, and where: none over another, or over a sign. What has no room is named when it is pointed
 * at.
 */
export function placeNames(
  spots: Spot[],
  middle: number,
  along: Along[] = [],
): { named: Map<string, Named>; written: Map<string, [number, number]> } {
  const taken = new Taken()
  for (const { x, y, radius } of spots)
    taken.take({ left: x - radius, top: y - radius, right: x + radius, bottom: y + radius })
  const named = new Map<string, Named>()
  for (const spot of [...spots].sort((a, b) => b.rank - a.rank || (a.key < b.key ? -1 : 1))) {
    const free = sides(spot, middle).find(({ box }) => taken.isFree(box))
    if (!free) continue
    taken.take(free.box)
    named.set(spot.key, free.at)
  }
  // Ways after places: a way is known by where it leads.
  const written = new Map<string, [number, number]>()
  for (const way of along) {
    const at = way.at.find(each => leaning(way, each).every(box => taken.isFree(box)))
    if (!at) continue
    for (const box of leaning(way, at)) taken.take(box)
    written.set(way.key, at)
  }
  return { named, written }
}
