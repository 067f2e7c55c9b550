<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '../../api/client'
import { useLive } from '../../api/live'
import { file } from '../../api/page'
import { useSession } from '../../api/session'
import type { Line, Row, RunPage } from '../../api/types'
import { useAttempt } from '../../ui/attempt'
import BeingMade from '../../ui/BeingMade.vue'
import { late, useOpened } from '../../ui/late'
import { useKeys } from '../../ui/keys'
import { isTakenBack } from '../../ui/reversed'
import { redoLast, undoLast } from '../../ui/undo'
import { system } from '../../ui/units'
import { many } from '../../ui/words'
import ChangesDialog from './ChangesDialog.vue'
import ColumnsMenu from './ColumnsMenu.vue'
import RunGrid from './RunGrid.vue'
import RunInspector from './RunInspector.vue'
import { useCells } from './useCells'
import { useClipboard } from './useClipboard'
import { useMarks } from './useMarks'
import { useRows } from './useRows'
import { useShown } from './useShown'
import ViewsMenu from './ViewsMenu.vue'

const QuickLine = late(() => import('./QuickLine.vue'))
const FirstSteps = late(() => import('../../ui/FirstSteps.vue'))
const ImportDialog = late(() => import('./import/ImportDialog.vue'))
const RunForm = late(() => import('./RunForm.vue'))
const BulkDialog = late(() => import('./BulkDialog.vue'))
const CellEditor = late(() => import('./CellEditor.vue'))
const MarkedBar = late(() => import('./MarkedBar.vue'))

const session = useSession()
const router = useRouter()
const route = useRoute()
const schedule = useRows()
const rows = computed(() => schedule.rows)
const loading = ref(true)
const { problem, attempt: loaded } = useAttempt()
const { problem: refused, attempt } = useAttempt()
const said = ref('')
/** Takes back what was just said to be done, where that is not a change of the plan. */
const back = ref<(() => unknown) | null>(null)
const words = ref(String(route.query.find ?? ''))
const shown = useShown(rows, words)
const { view, columns, entries } = shown
const { marked, rows: markedRows, toggle, through, add, all, none } = useMarks(shown.rows)
const editing = ref<'new' | 'edit' | 'copy' | null>(null)
const importing = ref(false)
const pasted = ref('')
const quick = ref(false)
const bulk = ref(false)
const opened = useOpened({ bulk, importing })
const prefilled = ref<Line | null>(null)
const log = ref(false)
const filterField = ref<{ focus: () => void } | null>(null)
const grid = ref<{ reveal: (id: string) => void } | null>(null)
const chosen = ref(String(route.query.run ?? ''))
const row = computed(() => rows.value.find(each => each.id === chosen.value) ?? null)
const say = (text: string, undo: (() => unknown) | null = null) => {
  said.value = text
  back.value = undo
}
watch(refused, text => text && say(text))
const { writing, fills, mayWrite, write, fill } = useCells(shown.at, markedRows, say)
const clipboard = useClipboard({
  rows: () => (markedRows.value.length ? markedRows.value : row.value ? [row.value] : []),
  columns: () => columns.value,
  said: say,
  mayPaste: () => session.plans,
  pasted: text => {
    pasted.value = text
    importing.value = true
  },
})

async function load(quietly = false) {
  if (!quietly) loading.value = true
  await (quietly ? schedule.load().catch(() => undefined) : loaded(schedule.load))
  loading.value = false
  if (!chosen.value && shown.rows.value[0]) chosen.value = shown.rows.value[0].id
}
onMounted(load)
watch(
  () => route.query.make,
  make => {
    if (!make) return
    if (route.query.run) chosen.value = String(route.query.run)
    quick.value = session.plans && make === 'line'
    importing.value = session.plans && make === 'table'
    if (session.plans && (make === 'run' || make === 'edit')) editing.value = make === 'run' ? 'new' : 'edit'
    void router.replace({ query: { ...route.query, make: undefined } })
  },
  { immediate: true },
)
useLive(['decided', 'recorded'], 5000, () => !editing.value && !writing.value && load(true))
watch(words, value => void router.replace({ query: { ...route.query, find: value || undefined } }))

const counted = computed(() => {
  const of = many(rows.value.length, 'run')
  if (loading.value && rows.value.length === 0) return ''
  return shown.rows.value.length === rows.value.length ? of : `${shown.rows.value.length} of ${of}`
})

function move(by: number) {
  const list = shown.open.value
  const at = list.findIndex(each => each.id === chosen.value)
  const next = list[Math.max(0, Math.min(list.length - 1, at + by))]
  if (!next) return
  chosen.value = next.id
  grid.value?.reveal(next.id)
}
function across(by: number) {
  shown.across(by)
  if (chosen.value) grid.value?.reveal(chosen.value)
}
const change = (work: () => Promise<string>) =>
  attempt(async () => {
    say(await work())
    await load(true)
  })
/** What was just done is taken back, what was taken back is done again. */
function turn() {
  const undo = back.value
  said.value = ''
  void (undo ? attempt(async () => undo()) : change(redoLast))
}
const workbook = () =>
  attempt(async () => {
    const { saveWorkbook } = await import('./import/saveWorkbook')
    await saveWorkbook(file(`schedule.csv?units=${system.value}`), 'schedule.xlsx', 'Schedule')
    say('The schedule is saved as a workbook.')
  })
function remove() {
  const it = row.value
  if (!it || !session.plans) return
  void change(async () => {
    const answer = await api.delete(`runs/${it.id}`, { version: it.version })
    return answer.withdrawn
      ? `${it.code} is withdrawn: work had begun, so it stays on record. u undoes it.`
      : `${it.code} is removed. u undoes it.`
  })
}
function saved(run: RunPage, count = 1) {
  editing.value = null
  quick.value = false
  prefilled.value = null
  chosen.value = run.id
  say(count === 1 ? `${run.code} is saved.` : `${count} runs are saved, ${run.code} first. u undoes it.`)
  void load(true)
}
/** A line that was read goes on in the form, with everything that was understood. */
function inForm(line: Line) {
  prefilled.value = line
  quick.value = false
  editing.value = 'new'
}
function pick(it: Row, how: { through: boolean; more: boolean }) {
  if (how.through) through(it.id)
  else if (how.more) toggle(it.id)
  chosen.value = it.id
}
function mark(by: number) {
  if (marked.value.size === 0) toggle(chosen.value)
  move(by)
  through(chosen.value)
}
const look = (it: Row) => void router.push(`/runs/${it.id}`)
/** Pressed twice, a cell is written in; a code, or where nothing is written, opens the run. */
const twice = (it: Row) => (mayWrite(it) && shown.at.value !== 'code' ? write(it) : look(it))
function written(text: string, byKey: boolean) {
  writing.value = null
  say(text)
  void load(true)
  if (byKey) move(1)
}
const whenPlanning = (act: () => unknown) => () => session.plans && act()
useKeys(
  {
    f: () => filterField.value?.focus(),
    q: whenPlanning(() => (quick.value = true)),
    x: () => row.value && toggle(row.value.id),
    b: whenPlanning(() => markedRows.value.length && (bulk.value = true)),
    Escape: none,
    ArrowDown: () => move(1),
    ArrowUp: () => move(-1),
    ArrowRight: () => across(1),
    ArrowLeft: () => across(-1),
    'Shift+ArrowDown': () => mark(1),
    'Shift+ArrowUp': () => mark(-1),
    PageDown: () => move(15),
    PageUp: () => move(-15),
    Home: () => move(-1e6),
    End: () => move(1e6),
    Enter: () => row.value && look(row.value),
    F2: () => row.value && write(row.value),
    'Mod+d': whenPlanning(() => change(fill)),
    n: whenPlanning(() => (editing.value = 'new')),
    e: whenPlanning(() => row.value && (editing.value = 'edit')),
    d: whenPlanning(() => row.value && (editing.value = 'copy')),
    Delete: remove,
    u: whenPlanning(() => change(undoLast)),
    U: whenPlanning(() => change(redoLast)),
    'Mod+z': whenPlanning(() => change(undoLast)),
    'Mod+Z': whenPlanning(() => change(redoLast)),
    'Mod+y': whenPlanning(() => change(redoLast)),
    t: () => row.value && router.push(`/test/${row.value.id}`),
  },
  () => editing.value !== null,
)
</script>

<template>
  <div class="schedule">
    <header>
      <h1>Schedule</h1>
      <v-text-field
        ref="filterField"
        v-model="words"
        class="filter"
        placeholder="filter: open · failed · to:rack · left:test"
        aria-label="Filter the schedule"
        clearable
        @keydown.down.prevent="move(1)" />
      <span class="count" aria-live="polite">{{ counted }}</span>
      <ViewsMenu
        :now="view.now(words ?? '')"
        :of="view.of.value"
        @take="shown.take"
        @said="(text, undo) => say(text, undo ?? null)" />
      <ColumnsMenu
        v-model:group="view.group.value"
        :columns="view.columns.value"
        :is-narrow="shown.isNarrow.value"
        @show="view.show"
        @place="view.place"
        @widths="view.columns.value = view.columns.value.map(each => ({ ...each, width: 0 }))" />
      <v-btn v-if="session.plans" variant="outlined" color="primary" to="/patterns">Pattern</v-btn>
      <v-btn v-if="session.plans" variant="outlined" color="primary" @click="quick = !quick">Quick line</v-btn>
      <v-menu>
        <template #activator="{ props: menu }"><v-btn
          v-bind="menu"
          variant="outlined"
          color="primary">In and out</v-btn></template>
        <v-list density="compact">
          <v-list-item v-if="session.plans" title="Import runs or an installation …" @click="importing = true" />
          <v-list-item title="Mark all that are shown" @click="all" />
          <v-list-item title="How far each circuit reaches" to="/reach" />
          <v-list-item title="Schedule as CSV" :href="$file(`schedule.csv?units=${system}`)" download />
          <v-list-item title="Schedule as a workbook" @click="workbook" />
          <v-list-item
            v-if="session.plans"
            title="Installation as one file"
            :href="$file('installation.json')"
            download />
          <v-list-item title="What was changed …" @click="log = true" />
        </v-list>
      </v-menu>
      <v-btn v-if="session.plans" color="primary" @click="editing = 'new'">Add run</v-btn>
    </header>
    <QuickLine v-if="quick" @saved="saved" @open="inForm" @close="quick = false" />

    <div class="runs">
      <p
        v-if="problem"
        class="note failed"
        role="alert">{{ problem }} <v-btn size="small" variant="text" @click="load()">Try again</v-btn></p>
      <RunGrid
        v-else
        ref="grid"
        v-model:chosen="chosen"
        v-model:at="shown.at.value"
        :entries="entries"
        :columns="columns"
        :sort="view.sort.value"
        :marked="marked"
        @sort="view.sortBy"
        @resize="view.resize"
        @place="view.place"
        @pick="pick"
        @twice="twice"
        @fold="shown.fold"
        @mark="add">
        <BeingMade v-if="loading && rows.length === 0" of="the schedule" />
        <FirstSteps v-else-if="rows.length === 0" why="No cable is planned yet." />
        <p v-else class="empty">No run fits these words. <v-btn
          size="small"
          variant="text"
          @click="words = ''">Show all</v-btn></p>
      </RunGrid>
      <MarkedBar
        v-if="markedRows.length"
        :rows="markedRows"
        :fill="fills"
        @change="bulk = true"
        @fill="change(fill)"
        @copy="attempt(clipboard.whole)"
        @none="none" />
    </div>

    <aside>
      <RunForm
        v-if="editing"
        :key="editing === 'new' ? editing : editing + chosen"
        :mode="editing"
        :id="editing === 'new' ? null : chosen"
        :prefilled="editing === 'new' ? prefilled : null"
        @saved="saved"
        @close="editing = null; prefilled = null" />
      <RunInspector v-else-if="row" :row="row" @edit="editing = 'edit'" @copy="editing = 'copy'" @remove="remove" />
    </aside>
    <CellEditor
      v-if="writing"
      :key="writing.id + shown.at.value"
      :row="writing"
      :at="shown.at.value"
      @saved="written"
      @close="writing = null" />
    <ImportDialog v-if="opened.importing" v-model="importing" v-model:pasted="pasted" @imported="load()" />
    <BulkDialog
      v-if="opened.bulk"
      v-model="bulk"
      :rows="markedRows"
      @done="text => { say(text); none(); load(true) }" />
    <ChangesDialog v-model="log" @changed="load(true)" />
    <v-snackbar
      :model-value="said !== ''"
      :timeout="6000"
      location="bottom left"
      color="#22302f"
      @update:model-value="said = ''"><span class="told">{{ said }}</span>
      <template v-if="back || isTakenBack(said)" #actions><v-btn
        variant="text"
        size="small"
        class="told"
        @click="turn">{{ back ? 'Undo' : 'Redo' }}</v-btn></template>
    </v-snackbar>
  </div>
</template>

<style scoped>
.told {
  color: #f7f4ee;
}
.schedule {
  display: grid;
  grid-template: auto minmax(0, 1fr) / minmax(0, 1fr) 330px;
  height: 100%;
}
.schedule:has(> form.quick) {
  grid-template-rows: auto auto minmax(0, 1fr);
}
header {
  grid-column: 1 / -1;
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 8px 16px;
  border-bottom: 1px solid var(--line);
}
.filter {
  max-width: 440px;
  background: var(--surface);
}
.count {
  min-width: 4.5em;
  color: var(--slate);
  margin-right: auto;
  white-space: nowrap;
}
.runs {
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto;
  min-width: 0;
}
aside {
  border-left: 1px solid var(--line);
  background: var(--surface);
  overflow: auto;
}
.empty {
  padding: 32px;
  text-align: center;
  color: var(--slate);
}
@media (max-width: 1000px) {
  .schedule {
    grid-template-columns: minmax(0, 1fr);
  }
  aside {
    display: none;
  }
  aside:has(form) {
    display: block;
    position: fixed;
    inset: 0 0 0 auto;
    width: min(100vw, 380px);
    z-index: 5;
    border-left: 1px solid var(--ink);
  }
}
@media (max-width: 700px) {
  .schedule {
    height: auto;
    min-height: 0;
    overflow: hidden;
  }
  header {
    flex-wrap: wrap;
  }
  .filter {
    order: 1;
    flex: 1 0 100%;
    max-width: none;
  }
  header > .v-btn {
    order: 2;
  }
}
</style>
