import { computed, ref, shallowRef } from 'vue'
import { api, ApiError } from '../../../api/client'
import type { RowProblem, Schemas } from '../../../api/types'
import { wrongIn } from '../../../ui/wrong'
import { oneText, type TextSheet } from './cells'
import { sheetsOf } from './workbook'

export type ImportShown = Schemas['ImportShown']
export type ReadWord = ImportShown['words'][number]

/** What somebody says of how their spreadsheet is to be read. */
interface Said {
  columns: Record<string, string>
  values: Record<string, Record<string, string>>
  defaults: Record<string, string>
  cells: Record<string, Record<string, string>>
  lengths: 'ways' | 'none'
}
const nothing = (): Said => ({ columns: {}, values: {}, defaults: {}, cells: {}, lengths: 'none' })

/** A spreadsheet on its way in: what it holds, how it is read, and what it would bring. */
export function useImport() {
  const file = shallowRef<File | null>(null)
  const sheets = shallowRef<TextSheet[]>([])
  const picked = ref<string[]>([])
  const said = ref<Said>(nothing())
  const answer = shallowRef<ImportShown | null>(null)
  const problems = shallowRef<RowProblem[]>([])
  const message = ref('')
  /** How much is under way: what is shown stands when nothing is. */
  const under = ref(0)
  const busy = computed(() => under.value > 0)

  /** Whether what is shown is what was said last. */
  const asked = ref(0)
  const answered = ref(0)
  const isCurrent = computed(() => asked.value === answered.value)

  const isWhole = computed(() => file.value?.name.toLowerCase().endsWith('.json') ?? false)
  const unsaid = computed(() => answer.value?.words.filter(word => word.taken === '') ?? [])
  /** What is wrong beyond words that wait to be explained. */
  const wrong = computed(() => {
    const open = new Set(unsaid.value.map(word => word.words.toLowerCase().trim()))
    const waits = (value: string) => value.split('|').some(each => open.has(each.toLowerCase().trim()))
    return problems.value.filter(problem => !(problem.value && waits(problem.value)))
  })
  const isReady = computed(() => (answer.value?.runs.length ?? 0) > 0 && unsaid.value.length === 0)

  function clear() {
    answer.value = null
    problems.value = []
    message.value = ''
  }
  function reset() {
    clear()
    file.value = null
    sheets.value = []
    picked.value = []
    said.value = nothing()
  }

  async function run(work: () => Promise<void>) {
    under.value++
    message.value = ''
    try {
      await work()
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      message.value = Object.values(error.fields).flat()[0] ?? error.message
      problems.value = wrongIn(error)
    } finally {
      under.value--
    }
  }

  /** Another file is another matter: what was said of cells of the one before says nothing of it. */
  function take(it: File) {
    reset()
    return run(async () => {
      if (/\.xlsx$/i.test(it.name)) {
        try {
          sheets.value = await sheetsOf(it)
        } catch {
          throw new ApiError(
            422,
            'This workbook cannot be opened. Save it as XLSX or CSV in the spreadsheet, then choose it again.',
            {},
          )
        }
        if (sheets.value.length === 0) throw new ApiError(422, 'Nothing stands in this workbook.', {})
        picked.value = sheets.value.slice(0, 1).map(sheet => sheet.name)
      }
      file.value = it
      if (!isWhole.value) await preview()
    })
  }

  function form(how: Said): FormData {
    const chosen = sheets.value.filter(sheet => picked.value.includes(sheet.name))
    const text = chosen.length
      ? new File([oneText(chosen, sheets.value.length > 1)], 'sheets.csv', { type: 'text/csv' })
      : file.value
    const data = new FormData()
    data.append('file', text as File)
    data.append('said', JSON.stringify(how))
    return data
  }

  async function preview() {
    const mine = ++asked.value
    const told = await api.post('import/preview', form(said.value))
    // What was said meanwhile has been asked anew.
    if (mine !== asked.value) return
    answered.value = mine
    answer.value = told
    problems.value = told.problems
    message.value = ''
  }
  const again = () => void run(preview)

  function pick(name: string, isPicked: boolean) {
    const now = isPicked ? [...picked.value, name] : picked.value.filter(each => each !== name)
    // In the order of the workbook, which is that of the rows.
    picked.value = sheets.value.map(sheet => sheet.name).filter(each => now.includes(each))
    if (picked.value.length) again()
    else clear()
  }
  function column(name: string, field: string) {
    said.value.columns[name] = field
    again()
  }
  function value(word: ReadWord, taken: string) {
    const words = (said.value.values[word.kind] ??= {})
    if (taken === '') delete words[word.words]
    else words[word.words] = taken
    again()
  }
  function fallback(field: string, text: string) {
    said.value.defaults[field] = text
    again()
  }
  function correct(problem: RowProblem, text: string) {
    const at = `${problem.sheet ?? ''}:${problem.row}`
    const cells = (said.value.cells[at] ??= {})
    cells[problem.column] = text
    again()
  }
  function lengths(areWays: boolean) {
    said.value.lengths = areWays ? 'ways' : 'none'
    again()
  }

  /** Everything as it was shown, guesses and all: what comes in is what was looked at. */
  async function bringIn(): Promise<number> {
    const shown = answer.value!
    const values: Said['values'] = {}
    for (const word of shown.words) (values[word.kind] ??= {})[word.words] = word.taken
    const columns = Object.fromEntries(shown.columns.map(each => [each.name, each.takenAs || '-']))
    const defaults = Object.fromEntries(shown.defaults.map(each => [each.field, each.text]))
    const { imported } = await api.post('import', form({ ...said.value, values, columns, defaults }))
    return imported
  }

  return {
    file,
    sheets,
    picked,
    said,
    answer,
    problems,
    message,
    busy,
    isWhole,
    unsaid,
    wrong,
    isReady,
    isCurrent,
    run,
    take,
    reset,
    pick,
    column,
    value,
    fallback,
    correct,
    lengths,
    bringIn,
  }
}
export type Importing = ReturnType<typeof useImport>
