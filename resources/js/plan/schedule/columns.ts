import type { Row, ScheduleView } from '../../api/types'
import { length } from '../../ui/units'
import { STAGE } from '../../ui/stages'
import { MADE } from '../made'
import { urgency, waiting } from './standing'

export type ColumnKey = ScheduleView['columns'][number]['key']
export interface Column {
  name: string
  /** As it is read, copied and compared; a second line stands under the first. */
  text: (row: Row) => string
  below?: (row: Row) => string
  /** What rows are put in order by, where that is not the text. */
  weight?: (row: Row) => number
  /** Fields of a run that can be written in its cell; and what they are called, where that is not the column's name. */
  fields?: string[]
  writes?: string
  /** px: no narrower; and its share of the room that is left. */
  least: number
  share?: number
  figures?: boolean
  mono?: boolean
}

const mm = (canonical: string) => Number.parseFloat(canonical)
const ends = (row: Row) => `${row.endA} – ${row.endB}`

/** What a schedule can show of a run. */
export const COLUMNS: Record<ColumnKey, Column> = {
  code: { name: 'Code', text: row => row.code, fields: ['code'], least: 70, mono: true },
  places: {
    name: 'From → to',
    text: row => row.from,
    below: row => row.to,
    fields: ['from', 'to'],
    writes: 'From and to',
    least: 110,
    share: 1,
  },
  from: { name: 'From', text: row => row.from, fields: ['from'], least: 100, share: 0.8 },
  to: { name: 'To', text: row => row.to, fields: ['to'], least: 100, share: 0.8 },
  made: {
    name: 'Cable and ends',
    text: row => row.cable,
    below: ends,
    fields: ['cable'],
    writes: 'Cable',
    least: 130,
    share: 1.2,
  },
  cable: { name: 'Cable', text: row => row.cable, fields: ['cable'], least: 110, share: 1 },
  'end-a': { name: 'End A', text: row => row.endA, least: 90, share: 0.8 },
  'end-b': { name: 'End B', text: row => row.endB, least: 90, share: 0.8 },
  signal: { name: 'Signal', text: row => row.signals.join(', '), fields: ['signals'], least: 100, share: 1 },
  ways: { name: 'Ways', text: row => row.way.join(' · '), fields: ['ways'], least: 100, share: 1.2 },
  loom: { name: 'Loom', text: row => row.loom, fields: ['loom'], least: 64, share: 0.3 },
  build: {
    name: 'Made',
    text: row => MADE.find(each => each.value === row.build)?.title ?? row.build,
    fields: ['build'],
    least: 80,
    share: 0.3,
  },
  cut: { name: 'Cut', text: row => length(row.cut), weight: row => mm(row.cut), least: 72, figures: true },
  'tail-a': {
    name: 'Tail A',
    text: row => length(row.tailA),
    weight: row => mm(row.tailA),
    fields: ['tail_a'],
    least: 66,
    figures: true,
  },
  'tail-b': {
    name: 'Tail B',
    text: row => length(row.tailB),
    weight: row => mm(row.tailB),
    fields: ['tail_b'],
    least: 66,
    figures: true,
  },
  strand: {
    name: 'Strand',
    text: row => `${done(row)} of ${row.strand.length}`,
    weight: row => done(row),
    least: 118,
  },
  next: { name: 'Next', text: row => STAGE[waiting(row)] ?? '', weight: row => step(row), least: 66 },
  who: { name: 'Who', text: row => row.who.join(', '), least: 90, share: 0.8 },
  note: { name: 'Note', text: row => row.note, fields: ['note'], least: 90, share: 1 },
  look: { name: 'To look at', text: row => toLookAt(row).text, weight: row => -urgency(row), least: 80, share: 1 },
}
/** All that a cell has to say, where there is no room for it. */
export function inFull(key: ColumnKey, row: Row): string {
  const { text, below } = COLUMNS[key]
  return below ? `${text(row)}${key === 'places' ? ' → ' : ': '}${below(row)}` : text(row)
}
/** What is written in a column's cells. */
export const written = (key: ColumnKey) => COLUMNS[key].writes ?? COLUMNS[key].name
export const KEYS = Object.keys(COLUMNS) as ColumnKey[]

/** As the schedule comes, before anybody chose. */
export const USUAL: ScheduleView = {
  words: '',
  columns: (['code', 'places', 'made', 'cut', 'strand', 'look'] as const).map(key => ({ key, width: 0 })),
  sort: [{ key: 'code', down: false }],
  group: '',
}
/** What a phone has room for. */
export const NARROW: ScheduleView['columns'] = (['code', 'places', 'strand'] as const).map(key => ({ key, width: 0 }))

const done = (row: Row) => row.strand.filter(bead => bead.state === 'done').length
/** How far along it waits; what waits for nothing comes last. */
const step = (row: Row) => {
  const at = row.strand.findIndex(bead => bead.state !== 'done')
  return at < 0 ? row.strand.length : at
}

export interface ToLookAt {
  severity: 'stop' | 'check' | 'quiet'
  text: string
}
/** The one thing that somebody should look at first. */
export function toLookAt(row: Row): ToLookAt {
  if (row.withdrawn) return { severity: 'quiet', text: 'withdrawn' }
  if (row.strand.some(bead => bead.state === 'failed')) return { severity: 'stop', text: 'failed its test' }
  for (const severity of ['stop', 'check'] as const) {
    const worst = row.findings.find(finding => finding.severity === severity)
    if (worst) return { severity, text: worst.words }
  }
  if (row.strand.some(bead => bead.state === 'overtaken'))
    return { severity: 'check', text: 'work overtaken by a change' }
  return { severity: 'quiet', text: row.findings[0]?.words ?? '' }
}

/** Columns of a grid, as wide as somebody made them or as there is room. */
export const template = (columns: ScheduleView['columns']): string =>
  columns
    .map(({ key, width }) => {
      const { least, share } = COLUMNS[key]
      return width ? `${width}px` : share ? `minmax(${least}px, ${share}fr)` : `${least}px`
    })
    .join(' ')
/** px that they need at least, with the gaps between. */
export const breadth = (columns: ScheduleView['columns']): number =>
  columns.reduce((sum, { key, width }) => sum + (width || COLUMNS[key].least) + 10, 18)
