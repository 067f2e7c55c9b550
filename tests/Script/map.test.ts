import { describe, expect, test } from 'vitest'
import type { Point } from '../../resources/js/api/building'
import { align } from '../../resources/js/given/building/map/align'
import { lay } from '../../resources/js/given/building/map/lay'
import { placeNames, type Spot } from '../../resources/js/given/building/map/names'

/** A generator of the test's own (Park and Miller, "Random number generators: good ones are hard to find", 1988). */
function dice(seed: number) {
  let state = seed
  return () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647
}
const far = (a: Point, b: Point) => Math.hypot(a[0]! - b[0]!, a[1]! - b[1]!)

/** A spine of junctions, with rooms that hang on it. */
function building(rooms: number) {
  const spine = Array.from({ length: 6 }, (_, i) => `j${i}`)
  const hung = Array.from({ length: rooms }, (_, i) => ({ id: `room${i}`, on: spine[i % 6]! }))
  return {
    places: [...spine, ...hung.map(each => each.id)].map(id => ({ id })),
    ways: [
      ...spine.slice(1).map((id, i) => ({ from: spine[i]!, to: id, length: 10 })),
      ...hung.map(each => ({ from: each.on, to: each.id, length: 4 })),
    ],
  }
}

describe('places that nobody put anywhere', () => {
  test('stand apart, near what a way joins them to, and fill a plane rather than a line', () => {
    const { places, ways } = building(48)
    const at = lay(places, ways)
    const all = places.map(place => at.get(place.id)!)
    for (const [i, a] of all.entries()) {
      for (const b of all.slice(i + 1)) expect(far(a, b)).toBeGreaterThan(1)
    }
    const joined = ways.map(way => far(at.get(way.from)!, at.get(way.to)!))
    expect(Math.max(...joined)).toBeLessThan(14)
    const [xs, ys] = [0, 1].map(axis => all.map(each => each[axis]!)) as [number[], number[]]
    const [wide, high] = [xs, ys].map(of => Math.max(...of) - Math.min(...of)) as [number, number]
    expect(wide).toBeGreaterThanOrEqual(high)
    expect(high).toBeGreaterThan(wide / 6)
  })

  test('are laid out in the same way each time, and leave what was put somewhere where it is', () => {
    const { places, ways } = building(20)
    expect([...lay(places, ways)]).toEqual([...lay(places, ways)])
    const put = places.map(place => (place.id === 'j0' ? { ...place, at: [40, -7] as Point } : place))
    const at = lay(put, ways)
    expect(at.get('j0')).toEqual([40, -7])
    expect(far(at.get('j0')!, at.get('j1')!)).toBeLessThan(14)
    expect(lay([{ id: 'alone' }], []).size).toBe(1)
  })
})

test('names stand over no other name and no sign, and what matters most is named', () => {
  const next = dice(7)
  const spots: Spot[] = Array.from({ length: 160 }, (_, i) => ({
    key: `place ${i}`,
    x: next() * 1200,
    y: next() * 700,
    name: 'Room '.repeat(1 + Math.floor(next() * 3)) + i,
    radius: 9,
    rank: i === 77 ? 1e6 : next(),
  }))
  const { named } = placeNames(spots, 600)
  expect(named.has('place 77')).toBe(true)
  expect(named.size).toBeGreaterThan(60)
  const boxes = spots.flatMap(spot => {
    const at = named.get(spot.key)
    if (!at) return []
    const wide = spot.name.length * 6
    const left = at.anchor === 'start' ? at.x : at.anchor === 'end' ? at.x - wide : at.x - wide / 2
    return [{ key: spot.key, left, right: left + wide, top: at.y - 9, bottom: at.y + 2 }]
  })
  for (const [i, a] of boxes.entries()) {
    for (const b of boxes.slice(i + 1)) {
      const isOver = a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom
      expect(isOver, `${a.key} over ${b.key}`).toBe(false)
    }
  }
})

test('a way is named where there is room along it, and not over a place', () => {
  const spot = (key: string, x: number, y: number): Spot => ({ key, x, y, name: 'Rack room', radius: 9, rank: 1 })
  const way = { key: 'tray', angle: 0, name: 'Tray', at: [[300, 100] as const, [200, 100] as const].map(at => [...at]) }
  const along = [way as { key: string; angle: number; name: string; at: [number, number][] }]
  expect(placeNames([], 300, along).written.get('tray')).toEqual([300, 100])
  expect(placeNames([spot('a', 300, 100)], 300, along).written.get('tray')).toEqual([200, 100])
  expect(placeNames([spot('a', 300, 100), spot('b', 200, 100)], 300, along).written.has('tray')).toBe(false)
})

test('several are put in a row, in a column, or evenly apart', () => {
  const at = new Map<string, Point>([
    ['a', [0, 0]],
    ['b', [3, 5]],
    ['c', [10, 1]],
  ])
  expect([...align(at, 'row').values()].map(each => each[1])).toEqual([1, 1, 1])
  expect([...align(at, 'column').values()].map(each => each[0])).toEqual([3, 3, 3])
  expect([...align(at, 'even')]).toEqual([
    ['a', [0, 0]],
    ['b', [5, 5]],
    ['c', [10, 1]],
  ])
})
