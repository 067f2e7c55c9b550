import type { Row } from '../../api/types'
import { STAGE } from '../../ui/stages'

/** What a filter's words are looked for in. */
function haystack(row: Row): string {
  return [row.code, row.family, row.cable, row.from, row.to, row.endA, row.endB, row.loom, row.build]
    .join(' ')
    .toLowerCase()
}

/** The first stage that is not done: where the run waits. */
export function waiting(row: Row): string {
  const bead = row.strand.find(each => each.state !== 'done')
  return bead ? bead.stage : ''
}

const STATES: Record<string, (row: Row) => boolean> = {
  open: row => waiting(row) !== '' && !row.withdrawn,
  done: row => waiting(row) === '',
  failed: row => row.strand.some(bead => bead.state === 'failed'),
  overtaken: row => row.strand.some(bead => bead.state === 'overtaken'),
  findings: row => row.findings.some(finding => finding.severity !== 'note'),
  withdrawn: row => row.withdrawn,
  single: row => row.loom === '',
}

/** Whether a name is meant: a part of it, or after "=" all of it. */
function meant(name: string, value: string): boolean {
  const of = name.toLowerCase().replaceAll('"', '')
  return value.startsWith('=') ? of === value.slice(1) : of.includes(value)
}

function fits(row: Row, word: string): boolean {
  const [field, ...rest] = word.split(':')
  const value = rest.join(':')
  switch (rest.length > 0 ? field : '') {
    case 'from':
      return meant(row.from, value)
    case 'to':
      return meant(row.to, value)
    case 'place':
      return meant(row.from, value) || meant(row.to, value)
    case 'loom':
      return meant(row.loom, value)
    case 'cable':
      return meant(row.cable, value)
    case 'by':
      return row.who.some(each => meant(each, value))
    case 'next':
      return meant(STAGE[waiting(row)] ?? '', value)
    case 'done':
    case 'left':
      return row.strand.some(
        bead => meant(STAGE[bead.stage] ?? bead.stage, value) && (bead.state === 'done') === (field === 'done'),
      )
  }
  return STATES[word]?.(row) ?? haystack(row).includes(word)
}

/** Rows that fit every word; "quoted words" stay together, a minus turns one round. */
export function filtered(rows: Row[], text: string): Row[] {
  const words = (text.toLowerCase().match(/-?(?:[a-z]+:)?"[^"]*"|\S+/g) ?? [])
    .map(word => word.replaceAll('"', ''))
    .filter(word => word !== '' && word !== '-' && !word.endsWith(':'))
  return rows.filter(row => words.every(word => (word.startsWith('-') ? !fits(row, word.slice(1)) : fits(row, word))))
}

export type SortKey = 'code' | 'from' | 'cable' | 'cut' | 'next' | 'findings'

const WEIGHT = { stop: 100, check: 10, note: 1 }

/** What a planner should look at first weighs most. */
function urgency(row: Row): number {
  const beads = row.strand.some(bead => bead.state === 'failed')
    ? 1000
    : row.strand.some(bead => bead.state === 'overtaken')
      ? 500
      : 0
  return row.withdrawn ? 0 : beads + row.findings.reduce((sum, finding) => sum + WEIGHT[finding.severity], 0)
}

const collator = new Intl.Collator('en', { numeric: true })

export function sorted(rows: Row[], key: SortKey, down: boolean): Row[] {
  const value = (row: Row): string | number => {
    switch (key) {
      case 'cut':
        return Number.parseFloat(row.cut)
      case 'next':
        return row.strand.filter(bead => bead.state === 'done').length
      case 'findings':
        return -urgency(row)
      case 'from':
        return `${row.from} ${row.to}`
      default:
        return row[key]
    }
  }
  const order = (a: Row, b: Row) => {
    const [x, y] = [value(a), value(b)]
    return typeof x === 'number' && typeof y === 'number' ? x - y : collator.compare(String(x), String(y))
  }
  return [...rows].sort((a, b) => (down ? -1 : 1) * order(a, b) || collator.compare(a.code, b.code))
}
