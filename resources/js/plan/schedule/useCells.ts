import { computed, shallowRef, type Ref } from 'vue'
import { api } from '../../api/client'
import { useSession } from '../../api/session'
import type { Row } from '../../api/types'
import { many } from '../../ui/words'
import { COLUMNS, written, type ColumnKey } from './columns'

/** What is written in cells: one that is at hand, or the same in all that are marked. */
export function useCells(at: Ref<ColumnKey>, marked: Ref<Row[]>, say: (words: string) => void) {
  const session = useSession()
  /** The run whose cell is being written in. */
  const writing = shallowRef<Row | null>(null)
  const fields = computed(() => (session.plans ? COLUMNS[at.value].fields : undefined))
  const mayWrite = (row: Row) => fields.value !== undefined && !row.withdrawn
  /** What can be filled down; "": nothing. Codes are each their own. */
  const fills = computed(() => (fields.value && at.value !== 'code' ? written(at.value) : ''))

  function write(row: Row) {
    if (mayWrite(row)) writing.value = row
    else if (row.withdrawn) say(`${row.code} is withdrawn: nothing of it is changed.`)
    else if (session.plans) say(`${COLUMNS[at.value].name} follows from the rest: e edits the run.`)
  }
  /** What the first of the marked has in the cell at hand, all of them get; says so. */
  async function fill(): Promise<string> {
    const [first, ...rest] = marked.value.filter(each => !each.withdrawn)
    if (!fills.value) return `${COLUMNS[at.value].name} is not filled down. Go to another cell by ← and →.`
    if (!first || !rest.length) return 'Mark the run to fill from and those below it, by x or Shift and the arrows.'
    const { line } = await api.get(`runs/${first.id}`)
    const answer = await api.patch('runs', {
      runs: rest.map(({ id, version }) => ({ id, version })),
      line: Object.fromEntries(fields.value!.map(field => [field, line[field] ?? ''])),
    })
    return `${fills.value} of ${first.code} is now that of ${many(answer.changed, 'more run')}. u undoes it.`
  }
  return { writing, fills, mayWrite, write, fill }
}
