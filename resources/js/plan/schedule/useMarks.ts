import { computed, ref, type Ref } from 'vue'
import type { Row } from '../../api/types'

/** Runs marked for something that is done to all of them. */
export function useMarks(shown: Ref<Row[]>) {
  const marked = ref(new Set<string>())
  let anchor = ''

  function toggle(id: string) {
    const next = new Set(marked.value)
    if (!next.delete(id)) next.add(id)
    marked.value = next
    anchor = id
  }
  /** Everything from the last mark to this one, in the order that is shown. */
  function through(id: string) {
    const places = [anchor || id, id].map(each => shown.value.findIndex(row => row.id === each)).sort((a, b) => a - b)
    const next = new Set(marked.value)
    for (const row of shown.value.slice(Math.max(0, places[0]!), places[1]! + 1)) next.add(row.id)
    marked.value = next
    anchor = id
  }
  const add = (rows: Row[]) => {
    marked.value = new Set([...marked.value, ...rows.map(row => row.id)])
  }
  const all = () => {
    marked.value = new Set(shown.value.map(row => row.id))
  }
  const none = () => {
    marked.value = new Set()
    anchor = ''
  }
  /** In the order that is shown: numbers are given in that order. */
  const rows = computed(() => shown.value.filter(row => marked.value.has(row.id)))

  return { marked, rows, toggle, through, add, all, none }
}
