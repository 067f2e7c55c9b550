import type { Row, ScheduleView } from '../../api/types'
import { COLUMNS, type ColumnKey } from './columns'

type Sort = ScheduleView['sort']
const collator = new Intl.Collator('en', { numeric: true })

function comparing(key: ColumnKey): (a: Row, b: Row) => number {
  const { text, below, weight } = COLUMNS[key]
  if (weight) return (a, b) => weight(a) - weight(b)
  const order = (a: Row, b: Row) => collator.compare(text(a), text(b))
  return below ? (a, b) => order(a, b) || collator.compare(below(a), below(b)) : order
}

/** Rows in the order of several columns, of which the first weighs most; what is alike in all stands by its code. */
export function sorted(rows: Row[], sort: Sort): Row[] {
  const orders = sort.map(({ key, down }) => ({ by: comparing(key), down }))
  return [...rows].sort((a, b) => {
    for (const { by, down } of orders) {
      const order = by(a, b)
      if (order) return down ? -order : order
    }
    return collator.compare(a.code, b.code)
  })
}

/** A heading is pressed: it alone orders, once more the other way round; beside those before, it joins them. */
export function pressed(sort: Sort, key: ColumnKey, beside: boolean): Sort {
  const at = sort.findIndex(each => each.key === key)
  if (!beside) return [{ key, down: at === 0 && !sort[0]!.down }]
  if (at < 0) return [...sort.slice(0, 5), { key, down: false }]
  return sort[at]!.down
    ? sort.filter(each => each.key !== key)
    : sort.map((each, i) => (i === at ? { key, down: true } : each))
}
