import { useMediaQuery } from '@vueuse/core'
import { computed, ref, type Ref } from 'vue'
import type { Row, ScheduleView } from '../../api/types'
import { NARROW, type ColumnKey } from './columns'
import { filtered } from './filter'
import { entries as grouped } from './groups'
import { sorted } from './order'
import { useView } from './useView'

/** What of the schedule is shown, in which order, and which column is at hand. */
export function useShown(all: Ref<Row[]>, words: Ref<string>) {
  const view = useView()
  const isNarrow = useMediaQuery('(max-width: 700px)')
  const columns = computed(() => (isNarrow.value ? NARROW : view.columns.value))
  const shut = ref<ReadonlySet<string>>(new Set())
  // Put in order before they are picked out: a letter in the filter orders nothing anew.
  const ordered = computed(() => sorted(all.value, view.sort.value))
  const found = computed(() => filtered(ordered.value, words.value ?? ''))
  const entries = computed(() => grouped(found.value, view.group.value, shut.value))
  /** In the order in which they stand below each other, those under shut groups among them. */
  const rows = computed(() =>
    view.group.value === ''
      ? found.value
      : grouped(found.value, view.group.value, new Set()).flatMap(each => each.row ?? []),
  )
  const open = computed(() => entries.value.flatMap(each => each.row ?? []))

  const first = computed(() => columns.value[0]!.key)
  const hand = ref<ColumnKey>('code')
  /** A column that is not shown any more is not at hand. */
  const at = computed({
    get: () => (columns.value.some(each => each.key === hand.value) ? hand.value : first.value),
    set: (key: ColumnKey) => {
      hand.value = key
    },
  })
  function across(by: number) {
    const keys = columns.value.map(each => each.key)
    at.value = keys[Math.max(0, Math.min(keys.length - 1, keys.indexOf(at.value) + by))]!
  }
  function fold(name: string) {
    const next = new Set(shut.value)
    if (!next.delete(name)) next.add(name)
    shut.value = next
  }
  function take(now: ScheduleView, id: string) {
    view.take(now, id)
    words.value = now.words
    shut.value = new Set()
  }
  return { view, isNarrow, columns, entries, rows, open, at, across, fold, take }
}
