import { fittingOf } from './names'
import type { AssemblyFitting, AssemblyPage } from './useAssembly'

/** Something that can be pressed: a connector, a cable, or an end that has none. */
export interface Box {
  key: string
  label: string
  /** As much of the label as there is room for. */
  short: string
  x: number
  y: number
  wide: number
  /** Left and right edge of all that it stands among. */
  edges: [number, number]
  end?: string
  fitting?: string
}
export interface Copy {
  width: number
  height: number
  boxes: Box[]
  strands: { key: string; path: string; dashed: boolean; end: string }[]
  jumpers: { key: string; path: string }[]
}

export const HIGH = 17
const STEP = HIGH + 3
const WIDE = 150
const SMALL = 23
const IN_A_ROW = 6
/** So many alike stand in rows, as numbers. */
const MANY = 4
const GAP = 56
const TRUNK = 64

type Column = 'beside' | 'a' | 'b'
interface Item {
  fittings: AssemblyFitting[]
  /** What it stands for where there is no connector. */
  bare?: { end: string; label: string }
}

/** What tells one of many alike from the next: the end of its name. */
const tail = (label: string) => /(\d+)\D*$/.exec(label)?.[1] ?? label.slice(-2)
const cut = (label: string, wide: number) => {
  const room = Math.floor((wide - 10) / 5.6)
  return label.length > room ? `${label.slice(0, room - 1)}…` : label
}

/** Connectors in their order; many of one kind in a row are one bank. */
function items(fittings: AssemblyFitting[]): Item[] {
  const found: Item[] = []
  for (const fitting of fittings) {
    const last = found.at(-1)
    if (last?.fittings[0]?.connector === fitting.connector) last.fittings.push(fitting)
    else found.push({ fittings: [fitting] })
  }
  return found.flatMap(item => (item.fittings.length < MANY ? item.fittings.map(one => ({ fittings: [one] })) : [item]))
}

/**
 * Where everything is drawn: connectors of ends A left, of ends B right, each cable between them; what only jumpers
 * lead to stands outermost. What comes first in the assembly stands highest.
 */
export function fairCopy(page: AssemblyPage): Copy {
  const byId = new Map(page.fittings.map(fitting => [fitting.id, fitting]))
  const columns: Record<Column, Item[]> = { beside: [], a: [], b: [] }
  const taken = new Set<string>()
  for (const run of page.runs)
    for (const end of run.ends) {
      const ids = [...new Set(end.legs.map(leg => leg.fitting).filter(Boolean))]
      const mine = ids.filter(id => !taken.has(id)).flatMap(id => byId.get(id) ?? [])
      mine.forEach(fitting => taken.add(fitting.id))
      const column = end.side === 'B' ? columns.b : columns.a
      if (ids.length) column.push(...items(mine))
      else
        column.push({
          fittings: [],
          bare: { end: `${run.id} ${end.side}`, label: end.bare?.words || 'no connector' },
        })
    }
  columns.beside = items(page.fittings.filter(fitting => !taken.has(fitting.id)))

  const left = columns.beside.length ? WIDE + GAP : 0
  const x: Record<Column, number> = { beside: 0, a: left, b: left + WIDE + 2 * GAP + TRUNK }
  const boxes: Box[] = []
  const at = new Map<string, Box>()
  let height = 0
  for (const column of ['beside', 'a', 'b'] as const) {
    let y = 0
    for (const item of columns[column]) {
      if (item.bare) {
        const box = {
          key: item.bare.end,
          short: cut(item.bare.label, WIDE),
          x: x[column],
          y,
          wide: WIDE,
          edges: [x[column], x[column] + WIDE] as [number, number],
          ...item.bare,
        }
        boxes.push(box)
        at.set(item.bare.end, box)
        y += STEP
        continue
      }
      const isBank = item.fittings.length >= MANY
      const across = Math.min(item.fittings.length, IN_A_ROW) * (SMALL + 2) - 2
      item.fittings.forEach((fitting, i) => {
        const box: Box = {
          key: fitting.id,
          fitting: fitting.id,
          label: fitting.label,
          short: isBank ? tail(fitting.label) : cut(fitting.label, WIDE),
          x: x[column] + (isBank ? (i % IN_A_ROW) * (SMALL + 2) : 0),
          y: y + (isBank ? Math.floor(i / IN_A_ROW) * STEP : 0),
          wide: isBank ? SMALL : WIDE,
          edges: [x[column], x[column] + (isBank ? across : WIDE)],
        }
        boxes.push(box)
        at.set(fitting.id, box)
      })
      y += STEP * (isBank ? Math.ceil(item.fittings.length / IN_A_ROW) : 1) + 3
    }
    height = Math.max(height, y)
  }

  const strands: Copy['strands'] = []
  let lowest = 0
  for (const run of page.runs) {
    const ends = run.ends.flatMap(end => {
      const key = `${run.id} ${end.side}`
      const ids = [...new Set(end.legs.map(leg => leg.fitting).filter(Boolean))]
      return (ids.length ? ids : [key]).flatMap(id => {
        const box = at.get(id)
        return box ? [{ box, key, dashed: ids.length === 0, isB: end.side === 'B' }] : []
      })
    })
    const mean = ends.reduce((sum, each) => sum + each.box.y, 0) / Math.max(1, ends.length)
    const y = Math.max(lowest, mean)
    lowest = y + STEP
    const trunk = left + WIDE + GAP
    boxes.push({
      key: `run ${run.id}`,
      end: `${run.id} A`,
      label: run.code,
      short: run.code,
      x: trunk,
      y,
      wide: TRUNK,
      edges: [trunk, trunk + TRUNK],
    })
    for (const { box, key, dashed, isB } of ends) {
      const from = box.x < trunk ? box.edges[1] : box.edges[0]
      const to = isB ? trunk + TRUNK : trunk
      strands.push({
        key: `${key} ${box.key}`,
        path: curve(from, box.y + HIGH / 2, to, y + HIGH / 2),
        dashed,
        end: key,
      })
    }
  }
  const jumpers = new Map<string, string>()
  for (const between of [...page.jumpers, ...page.switches]) {
    const [from, to] = [between.from, between.to].map(place => at.get(fittingOf(place)))
    if (!from || !to || from === to) continue
    const [one, other] = from.x <= to.x ? [from, to] : [to, from]
    const x1 = one.edges[0] === other.edges[0] ? one.edges[0] : one.edges[1]
    jumpers.set(`${one.key} ${other.key}`, curve(x1, one.y + HIGH / 2, other.edges[0], other.y + HIGH / 2))
  }
  return {
    width: x.b + WIDE,
    height: Math.max(height, lowest, STEP),
    boxes,
    strands,
    jumpers: [...jumpers].map(([key, path]) => ({ key, path })),
  }
}

const curve = (x1: number, y1: number, x2: number, y2: number) => {
  const bend = (x1 + x2) / 2
  return `M${x1} ${y1}C${bend} ${y1} ${bend} ${y2} ${x2} ${y2}`
}
