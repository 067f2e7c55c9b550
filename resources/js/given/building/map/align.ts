import type { Point } from '../../../api/building'

/** In one line across or down, in the middle of where they stand; or with the same room between them. */
export type Aligning = 'row' | 'column' | 'even'

const median = (all: number[]) => [...all].sort((a, b) => a - b)[Math.floor((all.length - 1) / 2)]!

export function align(points: Map<string, Point>, how: Aligning): Map<string, Point> {
  const all = [...points]
  if (how !== 'even') {
    const axis = how === 'row' ? 1 : 0
    const at = median(all.map(([, point]) => point[axis]!))
    return new Map(all.map(([key, [x, y]]) => [key, how === 'row' ? [x!, at] : [at, y!]]))
  }
  const span = ([, [x]]: [string, Point]) => x!
  const rise = ([, [, y]]: [string, Point]) => y!
  const wide = Math.max(...all.map(span)) - Math.min(...all.map(span))
  const high = Math.max(...all.map(rise)) - Math.min(...all.map(rise))
  const axis = wide >= high ? 0 : 1
  const sorted = all.sort((a, b) => a[1][axis]! - b[1][axis]! || (a[0] < b[0] ? -1 : 1))
  const [first, last] = [sorted[0]![1][axis]!, sorted.at(-1)![1][axis]!]
  return new Map(
    sorted.map(([key, [x, y]], i) => {
      const at = Math.round((first + ((last - first) * i) / Math.max(1, sorted.length - 1)) * 2) / 2
      return [key, axis === 0 ? [at, y!] : [x!, at]]
    }),
  )
}
