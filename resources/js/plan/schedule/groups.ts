import type { Row, ScheduleView } from '../../api/types'
import { STAGE } from '../../ui/stages'
import { waiting } from './standing'

export type Grouping = ScheduleView['group']
export const GROUPS: Record<Grouping, string> = {
  '': 'one list',
  loom: 'loom',
  from: 'place at A',
  to: 'place at B',
  cable: 'cable',
  signal: 'signal',
  next: 'what is next',
}
const NONE: Partial<Record<Grouping, string>> = { loom: 'In no loom', next: 'All done', signal: 'No signal' }

/** A line before the runs that stand together, or one of them. */
export type Entry = { row: Row; group?: undefined } | { row?: undefined; group: Group }
export interface Group {
  name: string
  words: string
  rows: Row[]
  isOpen: boolean
}

function named(row: Row, by: Grouping): string {
  switch (by) {
    case '':
      return ''
    case 'signal':
      return row.signals.join(', ')
    case 'next':
      return waiting(row)
    default:
      return row[by]
  }
}

const collator = new Intl.Collator('en', { numeric: true })
const ORDER = Object.keys(STAGE)

/** Rows in the order they have, under a line for each group; what is in none comes last. */
export function entries(rows: Row[], by: Grouping, shut: ReadonlySet<string>): Entry[] {
  if (by === '') return rows.map(row => ({ row }))
  const groups = new Map<string, Row[]>()
  for (const row of rows) {
    const name = named(row, by)
    const own = groups.get(name)
    if (own) own.push(row)
    else groups.set(name, [row])
  }
  const order = ([a]: [string, Row[]], [b]: [string, Row[]]) =>
    Number(a === '') - Number(b === '') ||
    (by === 'next' ? ORDER.indexOf(a) - ORDER.indexOf(b) : collator.compare(a, b))
  return [...groups].sort(order).flatMap(([name, own]) => {
    const isOpen = !shut.has(name)
    const words = name === '' ? (NONE[by] ?? 'None') : by === 'next' ? STAGE[name]! : name
    const group = { group: { name, words, rows: own, isOpen } }
    return isOpen ? [group, ...own.map(row => ({ row }))] : [group]
  })
}

/** mm of cable, of those that are not withdrawn. */
export const cutOf = (rows: Row[]): number =>
  rows.reduce((sum, row) => sum + (row.withdrawn ? 0 : Number.parseFloat(row.cut)), 0)
