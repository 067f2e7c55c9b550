import Papa from 'papaparse'
import { expect, test } from 'vitest'
import { cell, oneText, typed } from '../../resources/js/plan/schedule/import/cells'

/** As the server takes a guard off a cell that was read (app/Formats/Csv/CsvCell.php). */
const unguarded = (text: string) => (text.startsWith("'") && /^[=+\-@'\t\r]/.test(text.slice(1)) ? text.slice(1) : text)

test('text of a workbook comes to the server as it stands there', () => {
  const texts = [
    '',
    'plain',
    '=SUM(A1)',
    '-4',
    '@home',
    "'",
    "'quoted",
    "'=guarded",
    "''",
    'a "b", c',
    'two\nlines',
    '007',
  ]
  for (const text of texts) {
    const [row] = Papa.parse<string[]>(cell(text)).data
    expect(unguarded(row?.[0] ?? '')).toBe(text)
  }
  expect(cell(-4.5)).toBe('"-4.5"')
  expect(cell(null)).toBe('""')
  expect(cell(new Date('2026-12-02T00:00:00Z'))).toBe('"2026-12-02"')
})

test('out to a workbook and in again a cell is what it was, and only figures are numbers', () => {
  for (const guarded of ["'=see drawing", "''x", "'-4", 'plain', '007'])
    expect(unguarded(Papa.parse<string[]>(cell(typed(guarded, 'note').value)).data[0]![0]!)).toBe(unguarded(guarded))
  expect(typed('1.5', 'tail_a')).toEqual({ value: 1.5, type: Number })
  expect(typed('007', 'note')).toEqual({ value: '007', type: String })
  expect(typed('7', 'loom')).toEqual({ value: '7', type: String })
  expect(typed('0.3|0.375', 'leg_a')).toEqual({ value: '0.3|0.375', type: String })
})

test('sheets of a workbook keep their names, and one that is alone needs none', () => {
  const east = { name: 'East\nwing', csv: 'a,b', rows: 1 }
  const west = { name: 'West', csv: 'c,d', rows: 1 }
  expect(oneText([east], false)).toBe('a,b')
  expect(oneText([west], true)).toBe('\fWest\nc,d')
  expect(oneText([east, west], true)).toBe('\fEast wing\na,b\n\fWest\nc,d')
})
