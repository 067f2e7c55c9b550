<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api, ApiError } from '../../api/client'
import { useErrand } from '../../api/errand'
import { visit } from '../../api/page'
import type { RowProblem } from '../../api/types'
import ErrandBar from '../../ui/ErrandBar.vue'
import { wrongIn } from '../../ui/wrong'
import WrongTable from '../../ui/WrongTable.vue'

const open = defineModel<boolean>({ required: true })
/** Text from the clipboard, read like a file. */
const pasted = defineModel<string>('pasted', { default: '' })
const emit = defineEmits<{ imported: [] }>()
const file = ref<File | null>(null)
const busy = ref(false)
const problems = ref<RowProblem[]>([])
const message = ref('')
const runs = ref<{ code: string; cable: string; from: string; to: string; circuits: number; fittings: number }[]>([])
const done = ref('')
const columns = ref<{ name: string; takenAs: string | null }[]>([])
const mapping = ref<Record<string, string>>({})
const FIELDS = [
  'code',
  'cable',
  'signals',
  'build',
  'from',
  'to',
  'plans_a',
  'plans_b',
  'ways',
  'tail_a',
  'tail_b',
  'slack_a',
  'slack_b',
  'preparation_a',
  'preparation_b',
  'spares_a',
  'spares_b',
  'leg_a',
  'leg_b',
  'loom',
  'note',
  'bare_a',
  'bare_b',
  'length',
  'sleeve',
  'joined',
]

watch(open, value => {
  if (!value) {
    pasted.value = ''
    return
  }
  file.value = null
  clear()
  if (pasted.value) take(new File([pasted.value], 'clipboard.tsv', { type: 'text/tab-separated-values' }))
})
function clear() {
  problems.value = []
  runs.value = []
  message.value = ''
  done.value = ''
  columns.value = []
}
const whole = () => file.value?.name.toLowerCase().endsWith('.json') ?? false
const { errand, calledOff, follow, callOff } = useErrand(
  'arrival',
  told =>
    run(async () => {
      if (told.state === 'failed') throw new ApiError(422, told.problem, { problems: told.problems })
      // Who has closed this meanwhile stays where they are.
      if (told.state === 'done' && open.value) visit({ address: String(told.result.address) })
    }),
  'arrivals',
)
function arrival(): FormData {
  const data = new FormData()
  data.append('file', file.value as File)
  return data
}
function form(): FormData {
  const data = new FormData()
  data.append('file', file.value as File)
  data.append('columns', JSON.stringify(mapping.value))
  return data
}

async function run(work: () => Promise<void>) {
  busy.value = true
  try {
    await work()
  } catch (error) {
    if (!(error instanceof ApiError)) throw error
    message.value = Object.values(error.fields).flat()[0] ?? error.message
    problems.value = wrongIn(error)
  } finally {
    busy.value = false
  }
}
function chosen(event: Event) {
  clear()
  mapping.value = {}
  const it = (event.target as HTMLInputElement).files?.[0] ?? null
  if (it) void run(() => take(it))
}
/** A workbook is turned into rows here; whatever it was, one importer on the server reads it. */
async function take(it: File) {
  file.value = /\.xlsx$/i.test(it.name) ? await workbook(it) : it
  if (!whole()) preview()
}
async function workbook(it: File): Promise<File> {
  const { readSheet } = await import('read-excel-file/browser')
  const sheet = await readSheet(it)
  const cell = (value: unknown) => (value instanceof Date ? value.toISOString().slice(0, 10) : String(value ?? ''))
  const csv = sheet.map(row => row.map(value => `"${cell(value).replaceAll('"', '""')}"`).join(',')).join('\n')
  return new File([csv], it.name.replace(/\.xlsx$/i, '.csv'), { type: 'text/csv' })
}
function preview() {
  problems.value = []
  runs.value = []
  message.value = ''
  void run(async () => {
    const answer = await api.post('import/preview', form())
    problems.value = answer.problems
    runs.value = answer.runs
    columns.value = answer.columns
    if (answer.problems.length)
      message.value = 'Nothing is imported while a row is wrong. Mend the file, then choose it again.'
  })
}
const unsure = computed(() => columns.value.filter(column => column.takenAs === null))
function takeAs(name: string, field: string) {
  mapping.value = { ...mapping.value, [name]: field }
  preview()
}
function bringIn() {
  void run(async () => {
    if (whole()) {
      await follow(await api.post('arrivals', arrival()))
      return
    }
    const answer = await api.post('import', form())
    runs.value = []
    const runsAre = answer.imported === 1 ? 'run is' : 'runs are'
    done.value = `${answer.imported} ${runsAre} imported. u in the schedule undoes it.`
    emit('imported')
  })
}
</script>

<template>
  <v-dialog v-model="open" max-width="820" scrollable>
    <v-card class="pa-5 import">
      <h1>Import</h1>
      <p class="quiet">Runs from a CSV or a workbook (<a
        :href="$file('runs-template.csv')"
        download>template</a>), or a whole installation as Sartal's JSON file.</p>
      <p class="pick"><label class="choose">Choose a file<input
        type="file"
        accept=".csv,.tsv,.txt,.xlsx,.json,text/csv,application/json"
        aria-label="File to import"
        @change="chosen"></label> <span v-if="file">{{ file.name }}</span></p>
      <v-progress-linear v-if="busy" indeterminate color="primary" aria-label="Reading the file" />
      <ErrandBar
        v-if="errand"
        :errand="errand"
        :called-off="calledOff"
        of="the file"
        @call-off="run(callOff)" />
      <p v-if="message" class="note failed" role="alert">{{ message }}</p>
      <p v-if="done" class="note good" role="status">{{ done }}</p>
      <fieldset v-if="unsure.length" class="columns"><legend>Columns that Sartal does not know</legend>
        <label v-for="column in unsure" :key="column.name"><span class="mono">{{ column.name }}</span> holds <select
          :aria-label="`${column.name} holds`"
          :value="mapping[column.name] ?? ''"
          @change="takeAs(column.name, ($event.target as HTMLSelectElement).value)"><option
            value=""
            disabled>choose</option><option value="-">nothing that is needed</option><option
              v-for="each in FIELDS"
              :key="each"
              :value="each">{{ each.replace('_', ' ') }}</option></select></label>
      </fieldset>
      <div class="scroll">
        <WrongTable v-if="problems.length" :problems="problems" />
        <table v-if="runs.length" class="lines" aria-label="What would come in">
          <thead><tr><th>Code</th><th>Cable</th><th>From → to</th><th>Circuits</th><th>Fittings</th></tr></thead>
          <tbody><tr
            v-for="each in runs"
            :key="each.code"><td class="mono">{{ each.code }}</td><td>{{ each.cable }}</td>
            <td>{{ each.from }} → {{ each.to }}</td><td>{{ each.circuits }}</td><td>{{ each.fittings }}</td></tr>
          </tbody>
        </table>
      </div>
      <p class="acts">
        <v-btn
          v-if="runs.length || (file && whole() && !message)"
          color="primary"
          :loading="busy"
          :disabled="errand !== null"
          @click="bringIn">Import
          {{ whole() ? 'the installation' : `${runs.length} ${runs.length === 1 ? 'run' : 'runs'}` }}</v-btn>
        <v-btn variant="outlined" @click="open = false">Close</v-btn>
      </p>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.columns {
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 6px 12px;
  display: flex;
  flex-wrap: wrap;
  gap: 6px 20px;
  font-size: 13.5px;
}
.columns select {
  border: 1px solid var(--quiet);
  border-radius: 4px;
  padding: 2px 6px;
  background: var(--surface);
  color: inherit;
}
.choose {
  position: relative;
  display: inline-block;
  border: 1px solid var(--verdigris);
  color: var(--verdigris);
  border-radius: 4px;
  padding: 6px 14px;
  font-weight: 600;
  cursor: pointer;
  overflow: hidden;
}
.choose:focus-within {
  outline: 2px solid var(--copper);
}
.choose input {
  position: absolute;
  inset: 0;
  opacity: 0;
  cursor: pointer;
}
.pick {
  display: flex;
  align-items: center;
  gap: 10px;
}
.scroll {
  max-height: 50vh;
  overflow: auto;
}
.acts {
  margin: 16px 0 0;
}
p {
  margin: 8px 0;
}
</style>
