import { computed, ref, shallowRef, watch, type Ref } from 'vue'
import type { Building, PlacePart, Point, Way } from '../../../api/building'
import { lay } from './lay'
import { placeNames, type Spot } from './names'
import type { useView } from './useView'

export interface MapNode {
  key: string
  kind: 'location' | 'junction'
  part: PlacePart
  at: Point
  /** Nobody put it there: it stands where its ways suggest. */
  loose: boolean
  /** On another level than the one that is looked at. */
  away: boolean
}
/** px */
const SIGN = { location: 9, junction: 6 }
/** From so close on signs are as large as they get; and so much of that they are from far away. */
const [CLOSE, LEAST] = [0.8, 0.5]

/** Parts of a way, from its middle, where its name is tried. */
const ALONG = [0, -0.15, 0.15]

/** Names lean along their way, never upside down. */
function leant(x1: number, y1: number, x2: number, y2: number): number {
  const angle = (Math.atan2(y2 - y1, x2 - x1) * 180) / Math.PI
  return angle > 90 ? angle - 180 : angle < -90 ? angle + 180 : angle
}
const halves = (at: Point): Point => [Math.round(at[0]! * 2) / 2, Math.round(at[1]! * 2) / 2]
const metres = (way: Way) => Number.parseFloat(way.part.length) / 1000

export const levelsOf = (building: Building) =>
  [...new Set([...building.locations, ...building.junctions].map(each => each.part.level ?? ''))]
    .filter(Boolean)
    .sort((a, b) => a.localeCompare(b, undefined, { numeric: true }))

interface Asked {
  building: Building
  chosen: string
  level: string
}

/** The places and ways of a building as they are seen. */
export function useMap(props: Asked, eye: ReturnType<typeof useView>, moving: Ref<Map<string, Point>>) {
  const places = computed(() => [
    ...props.building.locations.map(each => ({ kind: 'location' as const, part: each.part, ends: each.ends })),
    ...props.building.junctions.map(each => ({ kind: 'junction' as const, part: each.part, ends: 0 })),
  ])
  const joined = (building: Building) =>
    building.ways.map(way => ({ from: way.part.from ?? '', to: way.part.to ?? '', length: metres(way) }))
  /** By ways alone, wherever anybody put them. */
  const anew = () => {
    const all = lay(
      places.value.map(({ part }) => ({ id: part.id })),
      joined(props.building),
    )
    return new Map(places.value.map(({ kind, part }) => [`${kind}:${part.id}`, halves(all.get(part.id)!)]))
  }
  const laid = shallowRef(new Map<string, Point>())
  watch(
    () => props.building,
    building => {
      laid.value = lay(
        places.value.map(({ part }) => ({ id: part.id, ...(part.at ? { at: part.at } : {}) })),
        joined(building),
      )
    },
    { immediate: true },
  )

  /** Places that nobody put anywhere, on whatever level, where their ways suggest. */
  const loose = computed(
    () =>
      new Map(
        places.value.flatMap(({ kind, part }): [string, Point][] =>
          part.at ? [] : [[`${kind}:${part.id}`, halves(laid.value.get(part.id)!)]],
        ),
      ),
  )

  /** Of a level: what is on it, and where its ways lead to. */
  const near = computed(() => {
    if (!props.level) return null
    const on = new Set(places.value.filter(({ part }) => (part.level ?? '') === props.level).map(({ part }) => part.id))
    const beside = new Set<string>()
    for (const { part } of props.building.ways) {
      if (on.has(part.from ?? '') && part.to) beside.add(part.to)
      if (on.has(part.to ?? '') && part.from) beside.add(part.from)
    }
    return { on, beside }
  })
  const nodes = computed<MapNode[]>(() =>
    places.value.flatMap(({ kind, part }) => {
      const key = `${kind}:${part.id}`
      const away = near.value !== null && !near.value.on.has(part.id)
      if (away && !near.value!.beside.has(part.id)) return []
      const at = moving.value.get(key) ?? laid.value.get(part.id) ?? [0, 0]
      return [{ key, kind, part, at, loose: !part.at, away }]
    }),
  )
  const seen = computed(() =>
    nodes.value.map(node => {
      const [x, y] = eye.seen(node.at)
      return { ...node, x, y }
    }),
  )
  const spots = computed(() => new Map(seen.value.map(node => [node.part.id, node])))

  /** How large signs are, and how thick ways. */
  const size = computed(() => Math.max(LEAST, Math.min(1, eye.view.value.k / CLOSE)))
  const lines = computed(() => {
    const twins = new Map<string, Way[]>()
    const pair = (way: Way) => [way.part.from, way.part.to].sort().join(' ')
    for (const way of props.building.ways) twins.set(pair(way), [...(twins.get(pair(way)) ?? []), way])
    return props.building.ways.flatMap(way => {
      const [a, b] = [spots.value.get(way.part.from ?? ''), spots.value.get(way.part.to ?? '')]
      if (!a || !b || (a.away && b.away)) return []
      const [x1, y1, x2, y2] = [a.x, a.y, b.x, b.y]
      const far = Math.max(1, Math.hypot(x2 - x1, y2 - y1))
      // Ways between the same places hang beside each other.
      const beside = twins.get(pair(way))!
      const off = (beside.indexOf(way) - (beside.length - 1) / 2) * 16
      const [mx, my] = [(x1 + x2) / 2 - ((y2 - y1) / far) * off, (y1 + y2) / 2 + ((x2 - x1) / far) * off]
      return [
        {
          way,
          key: `way:${way.part.id}`,
          d: `M${x1} ${y1}Q${mx * 2 - (x1 + x2) / 2} ${my * 2 - (y1 + y2) / 2} ${x2} ${y2}`,
          from: [x1, y1] as const,
          to: [x2, y2] as const,
          x: mx,
          y: my,
          thick: (2 + Math.min(9, Math.sqrt(way.runs.length) * 1.4)) * size.value,
          angle: leant(x1, y1, x2, y2),
          roomy: far > way.part.name.length * 7 + 24,
          main: metres(way) > 5 || way.part.kind !== 'free air',
        },
      ]
    })
  })
  const names = computed(() => {
    const ends = new Map(places.value.map(({ part, ends }) => [part.id, ends]))
    const all: Spot[] = seen.value.map(node => ({
      key: node.key,
      x: node.x,
      y: node.y,
      name: node.part.name,
      radius: SIGN[node.kind] * size.value,
      rank:
        (node.key === props.chosen ? 1e6 : 0) +
        (node.away ? -1e5 : 0) +
        (node.kind === 'location' ? 1e4 + (ends.get(node.part.id) ?? 0) : 0),
    }))
    const along = lines.value
      .filter(line => line.main && line.roomy && line.way.part.kind !== 'free air')
      .sort((a, b) => b.way.runs.length - a.way.runs.length || (a.key < b.key ? -1 : 1))
      .map(({ key, from, to, x, y, angle, thick, way }) => {
        // Where it is written: beside the line, on its upper side; in the middle, or nearer to an end.
        const [turn, off] = [(angle * Math.PI) / 180, thick / 2 + 9]
        const [dx, dy] = [to[0] - from[0], to[1] - from[1]]
        const at = ALONG.map((part): [number, number] => [
          x + dx * part + off * Math.sin(turn),
          y + dy * part - off * Math.cos(turn),
        ])
        return { key, angle, name: way.part.name, at }
      })
    return placeNames(all, eye.width.value / 2, along)
  })
  const pointed = ref('')
  return { nodes, seen, lines, names, pointed, anew, loose, size }
}
