import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'
import { kept } from '../../api/page'
import type { ScheduleView } from '../../api/types'
import { COLUMNS, USUAL, type ColumnKey } from './columns'
import type { Grouping } from './groups'
import { pressed } from './order'

/** Where versions before kept them, for all installations. */
const EARLIER: Record<string, ColumnKey> = { from: 'places', cable: 'made', next: 'strand', findings: 'look' }
function begun(): ScheduleView {
  const read = (name: string) => JSON.parse(localStorage.getItem(name) ?? 'null') as unknown
  try {
    const sort = read('sartal.sort') as { key: string; down: boolean } | null
    const key = sort ? (EARLIER[sort.key] ?? sort.key) : 'code'
    return {
      ...USUAL,
      sort: key in COLUMNS ? [{ key: key as ColumnKey, down: sort?.down ?? false }] : USUAL.sort,
      group: read('sartal.schedule.byLoom') === true ? 'loom' : '',
    }
  } catch {
    return USUAL
  }
}

/** How this device shows the schedule of the page's installation, and which of the views kept that goes back to. */
export function useView() {
  const shows = useLocalStorage<Omit<ScheduleView, 'words'>>(kept('schedule.shows'), begun)
  const of = useLocalStorage(kept('schedule.view'), '')

  /** What a newer version kept and this one does not know is passed over. */
  const columns = computed({
    get: () => {
      const known = shows.value.columns.filter(each => each.key in COLUMNS)
      return known.length ? known : USUAL.columns
    },
    set: columns => {
      shows.value = { ...shows.value, columns }
    },
  })
  const sort = computed(() => shows.value.sort.filter(each => each.key in COLUMNS))
  const group = computed({
    get: () => shows.value.group,
    set: (group: Grouping) => {
      shows.value = { ...shows.value, group }
    },
  })
  function sortBy(key: ColumnKey, beside = false) {
    shows.value = { ...shows.value, sort: pressed(sort.value, key, beside) }
  }
  function resize(key: ColumnKey, width: number) {
    columns.value = columns.value.map(each => (each.key === key ? { key, width: Math.round(width) } : each))
  }
  /** Before another column, or to the end. */
  function place(key: ColumnKey, before: ColumnKey | null) {
    const moved = columns.value.find(each => each.key === key)
    if (!moved || key === before) return
    const rest = columns.value.filter(each => each.key !== key)
    const at = rest.findIndex(each => each.key === before)
    columns.value = at < 0 ? [...rest, moved] : [...rest.slice(0, at), moved, ...rest.slice(at)]
  }
  function show(key: ColumnKey, isShown: boolean) {
    const rest = columns.value.filter(each => each.key !== key)
    if (isShown) columns.value = [...rest, { key, width: 0 }]
    else if (rest.length) columns.value = rest
  }
  function take(view: ScheduleView, id: string) {
    shows.value = { columns: view.columns, sort: view.sort, group: view.group }
    of.value = id
  }
  const now = (words: string): ScheduleView => ({
    words,
    columns: columns.value,
    sort: sort.value,
    group: group.value,
  })

  return { columns, sort, group, of, sortBy, resize, place, show, take, now }
}

/** Whether two views show the same, however they are written down. */
export const isSame = (one: ScheduleView, other: ScheduleView): boolean => spelled(one) === spelled(other)
const spelled = ({ words, columns, sort, group }: ScheduleView) =>
  JSON.stringify([
    words,
    columns.map(({ key, width }) => [key, width]),
    sort.map(({ key, down }) => [key, down]),
    group,
  ])
