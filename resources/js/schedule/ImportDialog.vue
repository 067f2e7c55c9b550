<script setup lang="ts">
import { ref, watch } from 'vue'
import { api, ApiError } from '../api/client'
import type { RowProblem } from '../api/types'

const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ imported: [] }>()
const file = ref<File | null>(null)
const busy = ref(false)
const problems = ref<RowProblem[]>([])
const message = ref('')
const runs = ref<{ code: string, cable: string, from: string, to: string, circuits: number, fittings: number }[]>([])
const done = ref('')

watch(open, value => { if (value) { file.value = null; clear() } })
function clear() {
  problems.value = []
  runs.value = []
  message.value = ''
  done.value = ''
}
const whole = () => file.value?.name.toLowerCase().endsWith('.json') ?? false
function form(): FormData {
  const data = new FormData()
  data.append('file', file.value as File)
  return data
}

async function run(work: () => Promise<void>) {
  busy.value = true
  try {
    await work()
  } catch (error) {
    if (!(error instanceof ApiError)) throw error
    message.value = Object.values(error.fields).flat()[0] ?? error.message
    const listed = (error.body.problems ?? []) as (RowProblem & { path?: string, words?: string })[]
    problems.value = listed.map(each => each.path === undefined ? each : { row: 0, column: each.path, value: each.value, remedy: each.words ?? '' })
  } finally {
    busy.value = false
  }
}
function chosen(event: Event) {
  clear()
  file.value = (event.target as HTMLInputElement).files?.[0] ?? null
  if (!file.value || whole()) return
  void run(async () => {
    const answer = await api.post<{ problems: RowProblem[], runs: typeof runs.value }>('import/preview', form())
    problems.value = answer.problems
    runs.value = answer.runs
    if (answer.problems.length) message.value = 'Nothing is imported while a row is wrong. Mend the file, then choose it again.'
  })
}
function bringIn() {
  void run(async () => {
    if (whole()) {
      await api.post('installations', form())
      window.location.assign('/schedule')
      return
    }
    const answer = await api.post<{ imported: number }>('import', form())
    runs.value = []
    done.value = `${answer.imported} ${answer.imported === 1 ? 'run is' : 'runs are'} imported. u in the schedule undoes it.`
    emit('imported')
  })
}
</script>

<template>
  <v-dialog v-model="open" max-width="820" scrollable>
    <v-card class="pa-5 import">
      <h1>Import</h1>
      <p class="quiet">A CSV of runs (<a href="/api/runs-template.csv" download>template</a>), or a whole installation as Sartal's JSON file.</p>
      <p class="pick"><label class="choose">Choose a file<input type="file" accept=".csv,.json,text/csv,application/json" aria-label="File to import" @change="chosen"></label> <span v-if="file">{{ file.name }}</span></p>
      <v-progress-linear v-if="busy" indeterminate color="primary" aria-label="Reading the file" />
      <p v-if="message" class="note failed" role="alert">{{ message }}</p>
      <p v-if="done" class="note good" role="status">{{ done }}</p>
      <div class="scroll">
        <table v-if="problems.length" class="lines" aria-label="What is wrong">
          <thead><tr><th v-if="problems[0]?.row">Row</th><th>{{ problems[0]?.row ? 'Column' : 'Field' }}</th><th>Value</th><th>Remedy</th></tr></thead>
          <tbody><tr v-for="(each, i) in problems" :key="i"><td v-if="each.row" class="mono">{{ each.row }}</td><td>{{ each.column }}</td><td class="mono">{{ each.value }}</td><td>{{ each.remedy }}</td></tr></tbody>
        </table>
        <table v-if="runs.length" class="lines" aria-label="What would come in">
          <thead><tr><th>Code</th><th>Cable</th><th>From → to</th><th>Circuits</th><th>Fittings</th></tr></thead>
          <tbody><tr v-for="each in runs" :key="each.code"><td class="mono">{{ each.code }}</td><td>{{ each.cable }}</td><td>{{ each.from }} → {{ each.to }}</td><td>{{ each.circuits }}</td><td>{{ each.fittings }}</td></tr></tbody>
        </table>
      </div>
      <p class="acts">
        <v-btn v-if="runs.length || (file && whole() && !message)" color="primary" :loading="busy" @click="bringIn">Import {{ whole() ? 'the installation' : `${runs.length} ${runs.length === 1 ? 'run' : 'runs'}` }}</v-btn>
        <v-btn variant="outlined" @click="open = false">Close</v-btn>
      </p>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.choose { position: relative; display: inline-block; border: 1px solid var(--verdigris); color: var(--verdigris); border-radius: 4px; padding: 6px 14px; font-weight: 600; cursor: pointer; overflow: hidden }
.choose:focus-within { outline: 2px solid var(--copper) }
.choose input { position: absolute; inset: 0; opacity: 0; cursor: pointer }
.pick { display: flex; align-items: center; gap: 10px }
.scroll { max-height: 50vh; overflow: auto }
.acts { display: flex; gap: 8px; margin: 16px 0 0 }
p { margin: 8px 0 }
</style>
