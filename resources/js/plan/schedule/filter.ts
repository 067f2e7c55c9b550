import type { Row } from '../../api/types'
import { STAGE } from '../../ui/stages'
import { waiting } from './standing'

/** What a filter's words are looked for in: of a row, made when it is first asked for. */
const haystacks = new WeakMap<Row, string>()
function haystack(row: Row): string {
  const known = haystacks.get(row)
  if (known !== undefined) return known
  const { code, family, cable, from, to, endA, endB, loom, build, note } = row
  const all = [code, family, cable, from, to, endA, endB, loom, build, note, ...row.signals].join(' ').toLowerCase()
  haystacks.set(row, all)
  return all
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
    case 'end':
      return meant(row.endA, value) || meant(row.endB, value)
    case 'signal':
      return row.signals.some(each => meant(each, value))
    case 'way':
      return row.way.some(each => meant(each, value))
    case 'note':
      return meant(row.note, value)
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
