import type { Row, ScheduleView } from '../../api/types'
import { COLUMNS, type ColumnKey } from './columns'

/** A spreadsheet takes what begins so for a formula. */
const RISKY = /^[=+\-@\t\r]/
const cell = (text: string) => {
  const line = text.replace(/[\t\r\n]+/g, ' ')
  return RISKY.test(line) ? `'${line}` : line
}
/** A column of two lines is two columns. */
const apart = (key: ColumnKey): { name: string; text: (row: Row) => string }[] => {
  const { name, text, below } = COLUMNS[key]
  if (!below) return [{ name, text }]
  const [first, second] = key === 'places' ? ['From', 'To'] : ['Cable', 'Ends']
  return [
    { name: first, text },
    { name: second, text: below },
  ]
}

/** Rows as they are shown, with tabs between their cells and their headings above. */
export function copied(rows: Row[], columns: ScheduleView['columns']): string {
  const of = columns.flatMap(each => apart(each.key))
  const lines = [of.map(each => each.name), ...rows.map(row => of.map(each => cell(each.text(row))))]
  return lines.map(line => line.join('\t')).join('\n')
}
