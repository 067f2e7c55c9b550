import Papa from 'papaparse'
import { describe, expect, test } from 'vitest'
import type { Row, ScheduleView } from '../../resources/js/api/types'
import { breadth, COLUMNS, KEYS, template, USUAL } from '../../resources/js/plan/schedule/columns'
import { copied } from '../../resources/js/plan/schedule/copied'
import { cutOf, entries } from '../../resources/js/plan/schedule/groups'
import { pressed, sorted } from '../../resources/js/plan/schedule/order'

const PLACES = ['Hall', 'Comms rack 2', 'Comms rack 10', '=SUM(A1)']
/** Rows that are spread by a walk through prime steps, so that hardly two are alike in several columns. */
const ROWS = Array.from({ length: 60 }, (_, i): Row => ({
  id: `r${i}`,
  version: 1,
  code: `C-${(i * 37) % 61}`,
  family: 'audio',
  cable: ['24-pair multicore', '8-pair multicore'][(i * 7) % 2]!,
  build: 'shop',
  loom: ['', 'L2', 'L10'][(i * 11) % 3]!,
  from: PLACES[(i * 13) % 4]!,
  to: PLACES[(i * 17 + 1) % 4]!,
  endA: 'XLR 3 female',
  endB: 'XLR 3 male',
  signals: i % 5 ? ['Balanced analogue audio'] : [],
  way: ['Riser A', 'Rack void'],
  tailA: `${(i * 19) % 7}00 mm`,
  tailB: '0 mm',
  note: i % 9 ? '' : 'two\nlines\tand a tab',
  cut: `${1000 + ((i * 23) % 5) * 250} mm`,
  strand: (['cut', 'end-a', 'test'] as const).map((stage, at) => ({ stage, state: at < i % 4 ? 'done' : 'to-do' })),
  withdrawn: i % 10 === 3,
  who: [],
  findings: [],
}))
const codes = (rows: Row[]) => rows.map(row => row.code)

describe('the order of a schedule', () => {
  test('of several columns is what sorting by each from the last to the first comes to, sorting being stable', () => {
    for (const [one, other] of [
      ['loom', 'cut'],
      ['next', 'places'],
      ['tail-a', 'cable'],
    ] as const)
      for (const down of [false, true]) {
        const step = (rows: Row[], key: (typeof KEYS)[number], turned: boolean) => {
          const { text, below, weight } = COLUMNS[key]
          const by = (row: Row) => (weight ? weight(row) : `${text(row)}\u0000${below?.(row) ?? ''}`)
          const order = (a: Row, b: Row) => {
            const [x, y] = [by(a), by(b)]
            return typeof x === 'number' ? x - (y as number) : x.localeCompare(y as string, 'en', { numeric: true })
          }
          return [...rows].sort((a, b) => (turned ? -order(a, b) : order(a, b)))
        }
        const slow = step(step(step(ROWS, 'code', false), other, !down), one, down)
        const fast = sorted(ROWS, [
          { key: one, down },
          { key: other, down: !down },
        ])
        expect(codes(fast)).toEqual(codes(slow))
      }
  })

  test('a heading orders, turns, joins with Shift, turns again, and leaves', () => {
    const cut = pressed(USUAL.sort, 'cut', false)
    expect(cut).toEqual([{ key: 'cut', down: false }])
    expect(pressed(cut, 'cut', false)).toEqual([{ key: 'cut', down: true }])
    const both = pressed(cut, 'loom', true)
    expect(both.map(each => each.key)).toEqual(['cut', 'loom'])
    const turned = pressed(both, 'loom', true)
    expect(turned[1]).toEqual({ key: 'loom', down: true })
    expect(pressed(turned, 'loom', true)).toEqual(cut)
    expect(pressed(both, 'loom', false)).toEqual([{ key: 'loom', down: false }])
    const most = KEYS.reduce<ScheduleView['sort']>((sort, key) => pressed(sort, key, true), [])
    expect(most).toHaveLength(6)
  })
})

describe('groups', () => {
  test('hold every row once, in the order they had, with what has none at the end', () => {
    for (const by of ['loom', 'from', 'to', 'cable', 'signal', 'next'] as const) {
      const lines = entries(ROWS, by, new Set())
      const rows = lines.flatMap(each => each.row ?? [])
      expect([...codes(rows)].sort()).toEqual([...codes(ROWS)].sort())
      for (const { group } of lines) {
        if (!group) continue
        const own = new Set(group.rows)
        expect(codes(ROWS.filter(row => own.has(row)))).toEqual(codes(group.rows))
      }
      expect(lines.filter(each => each.group).reduce((sum, each) => sum + each.group!.rows.length, 0)).toBe(60)
    }
    const looms = entries(ROWS, 'loom', new Set(['L2'])).flatMap(each => each.group ?? [])
    expect(looms.map(group => [group.words, group.isOpen])).toEqual([
      ['L2', false],
      ['L10', true],
      ['In no loom', true],
    ])
    // By how far the work is, not by the alphabet.
    const next = entries(ROWS, 'next', new Set()).flatMap(each => each.group?.words ?? [])
    expect(next).toEqual(['cut', 'end A', 'test', 'All done'])
  })

  test('cable is summed without what is withdrawn', () => {
    const metres = ROWS.filter(row => !row.withdrawn).map(row => Number(row.cut.replace(' mm', '')))
    expect(cutOf(ROWS)).toBe(metres.reduce((sum, each) => sum + each, 0))
    expect(cutOf(ROWS)).toBeLessThan(ROWS.reduce((sum, row) => sum + Number(row.cut.replace(' mm', '')), 0))
  })
})

describe('rows that are copied', () => {
  test('are a table to a spreadsheet: as many cells in each line, and none of them a formula', () => {
    const columns = KEYS.map(key => ({ key, width: 0 }))
    const { data, errors } = Papa.parse<string[]>(copied(ROWS, columns), { delimiter: '\t' })
    expect(errors).toEqual([])
    expect(data).toHaveLength(ROWS.length + 1)
    // A cell of two lines is two cells.
    for (const line of data) expect(line).toHaveLength(KEYS.length + 2)
    for (const text of data.slice(1).flat()) expect(text).not.toMatch(/^[=+@-]/)
    expect(data[1]![data[0]!.indexOf('Note')]).toBe('two lines and a tab')
  })
})

test('a column is as wide as somebody made it, else no narrower than it can be', () => {
  expect(
    template([
      { key: 'code', width: 0 },
      { key: 'places', width: 0 },
      { key: 'cut', width: 90 },
    ]),
  ).toBe('70px minmax(110px, 1fr) 90px')
  expect(
    breadth([
      { key: 'code', width: 0 },
      { key: 'cut', width: 90 },
    ]),
  ).toBe(70 + 90 + 2 * 10 + 18)
})
