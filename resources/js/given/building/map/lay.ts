import { forceCollide, forceLink, forceManyBody, forceSimulation, forceX, forceY } from 'd3-force'
import type { Point } from '../../../api/building'

export interface Placed {
  id: string
  at?: Point
}
export interface Joined {
  from: string
  to: string
  /** m */
  length: number
}
interface Node {
  id: string
  x?: number
  y?: number
  fx?: number
  fy?: number
}

/** Squares between two places that a way joins: a long one is longer on the map, and not as much as in the building. */
const apart = (length: number) => Math.min(9, 2 + Math.sqrt(Math.max(0, length)) * 0.7)
const ROUNDS = 300
/** Squares that are another place's. */
const OWN = 1.4

/**
 * Where places stand that nobody put anywhere, by the ways that join them (d3-force); whoever was put somewhere stays
 * there. The same building is laid out in the same way each time.
 */
export function lay(places: Placed[], ways: Joined[]): Map<string, Point> {
  const nodes: Node[] = places.map(({ id, at }) => ({
    id,
    ...(at ? { x: at[0], y: at[1], fx: at[0], fy: at[1] } : {}),
  }))
  const known = new Map(nodes.map(node => [node.id, node]))
  const links = ways
    .filter(way => known.has(way.from) && known.has(way.to) && way.from !== way.to)
    .map(way => ({ source: way.from, target: way.to, length: way.length }))
  const isAllLoose = places.every(place => !place.at)
  beside(nodes, links)
  forceSimulation(nodes)
    .force(
      'ways',
      forceLink<Node, (typeof links)[number]>(links)
        .id(node => node.id)
        .distance(link => apart(link.length))
        .strength(0.9),
    )
    .force('apart', forceManyBody().strength(-4).distanceMax(40))
    .force('own', forceCollide(OWN))
    .force('x', forceX(middle(places, 0)).strength(0.01))
    .force('y', forceY(middle(places, 1)).strength(0.02))
    .stop()
    .tick(ROUNDS)
  const found = nodes.map(node => [node.x ?? 0, node.y ?? 0] as Point)
  const laid = isAllLoose ? lengthwise(found) : found
  return new Map(nodes.map((node, i) => [node.id, places[i]!.at ?? laid[i]!]))
}

const middle = (places: Placed[], axis: 0 | 1) => {
  const put = places.flatMap(place => (place.at ? [place.at[axis]] : []))
  return put.length ? put.reduce((sum, each) => sum + each, 0) / put.length : 0
}

/**
 * Whoever stands nowhere begins beside a place that a way joins it to, all around it, so that nothing has to come from
 * far; where nobody stands anywhere, around the place where most ways meet.
 */
function beside(nodes: Node[], links: { source: string; target: string }[]) {
  const known = new Map(nodes.map(node => [node.id, node]))
  const joined = new Map<string, string[]>(nodes.map(node => [node.id, []]))
  for (const { source, target } of links) {
    joined.get(source)!.push(target)
    joined.get(target)!.push(source)
  }
  const byWays = [...nodes].sort((a, b) => joined.get(b.id)!.length - joined.get(a.id)!.length)
  const queue = nodes.filter(node => node.x !== undefined)
  for (let begun = 0; queue.length || begun < byWays.length;) {
    const node = queue.shift() ?? byWays[begun++]!
    node.x ??= begun * 20
    node.y ??= 0
    const free = joined.get(node.id)!.filter(id => known.get(id)!.x === undefined)
    for (const [i, id] of free.entries()) {
      const next = known.get(id)!
      const angle = (2 * Math.PI * (i + 0.5)) / free.length
      next.x = node.x + 4 * Math.cos(angle)
      next.y = node.y + 4 * Math.sin(angle)
      queue.push(next)
    }
  }
}

/** Turned so that what is long lies across, as a screen does. */
function lengthwise(points: Point[]): Point[] {
  const n = Math.max(1, points.length)
  const [mx, my] = [0, 1].map(axis => points.reduce((sum, each) => sum + each[axis]!, 0) / n) as [number, number]
  let [xx, xy, yy] = [0, 0, 0]
  for (const [x, y] of points) {
    xx += (x! - mx) ** 2
    xy += (x! - mx) * (y! - my)
    yy += (y! - my) ** 2
  }
  const angle = -0.5 * Math.atan2(2 * xy, xx - yy)
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)]
  return points.map(([x, y]) => [(x! - mx) * cos - (y! - my) * sin, (x! - mx) * sin + (y! - my) * cos])
}
