<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { computed, nextTick, onMounted, onUnmounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, ApiError } from '../../api/client'
import { useLive } from '../../api/live'
import { useSession } from '../../api/session'
import { many } from '../../ui/words'
import type { Line, Row, RunPage } from '../../api/types'
import BeingMade from '../../ui/BeingMade.vue'
import Strand from '../../ui/Strand.vue'
import { undoLast } from '../../ui/undo'
import { length, system } from '../../ui/units'
import { late } from '../../ui/late'
import ChangesDialog from './ChangesDialog.vue'
import { filtered, sorted, type SortKey } from './filter'
import BulkDialog from './BulkDialog.vue'
import ImportDialog from './ImportDialog.vue'
import RunForm from './RunForm.vue'
import RunInspector from './RunInspector.vue'
import { useMarks } from './useMarks'
import { useRows } from './useRows'

const QuickLine = late(() => import('./QuickLine.vue'))
const FirstSteps = late(() => import('../../ui/FirstSteps.vue'))

const session = useSession()
const router = useRouter()
const route = useRoute()
const schedule = useRows()
const rows = computed(() => schedule.rows)
const loading = ref(true)
const problem = ref('')
const said = ref('')
const words = ref(String(route.query.find ?? ''))
const sort = useLocalStorage<{ key: SortKey; down: boolean }>('sartal.sort', { key: 'code', down: false })
const chosen = ref(String(route.query.run ?? ''))
const editing = ref<'new' | 'edit' | 'copy' | null>(null)
const importing = ref(false)
const pasted = ref('')
const quick = ref(false)
const bulk = ref(false)
const prefilled = ref<Line | null>(null)
const log = ref(false)
const filterField = ref<{ focus: () => void } | null>(null)
const scroller = ref<{ scrollToIndex: (i: number) => void } | null>(null)

const grouped = useLocalStorage('sartal.schedule.byLoom', false)
const shown = computed(() => {
  const list = sorted(filtered(rows.value, words.value), sort.value.key, sort.value.down)
  return grouped.value
    ? [...list].sort(
        (a, b) =>
          Number(a.loom === '') - Number(b.loom === '') || a.loom.localeCompare(b.loom, undefined, { numeric: true }),
      )
    : list
})
interface Entry {
  row: Row | null
  group: { name: string; count: number } | null
}
/** Rows with a line before each loom, where they are grouped. */
const entries = computed<Entry[]>(() => {
  if (!grouped.value) return shown.value.map(row => ({ row, group: null }))
  const counts = new Map<string, number>()
  for (const row of shown.value) counts.set(row.loom, (counts.get(row.loom) ?? 0) + 1)
  return shown.value.flatMap((row, i) =>
    i === 0 || shown.value[i - 1]!.loom !== row.loom
      ? [
          { row: null, group: { name: row.loom, count: counts.get(row.loom) ?? 0 } },
          { row, group: null },
        ]
      : [{ row, group: null }],
  )
})
const { marked, rows: markedRows, toggle, through, all, none } = useMarks(shown)
const row = computed(() => rows.value.find(each => each.id === chosen.value) ?? null)

async function load(quietly = false) {
  if (!quietly) loading.value = true
  try {
    await schedule.load()
    problem.value = ''
    if (!chosen.value && shown.value[0]) chosen.value = shown.value[0].id
  } catch (error) {
    if (!quietly) problem.value = error instanceof ApiError ? error.message : String(error)
  } finally {
    loading.value = false
  }
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
useLive(['decided', 'recorded'], 5000, () => !editing.value && load(true))
watch(words, value => void router.replace({ query: { ...route.query, find: value || undefined } }))

const counted = computed(() => {
  const all = many(rows.value.length, 'run')
  if (loading.value && rows.value.length === 0) return ''
  return shown.value.length === rows.value.length ? all : `${shown.value.length} of ${all}`
})
const COLUMNS: { key: SortKey; name: string }[] = [
  { key: 'code', name: 'Code' },
  { key: 'from', name: 'From → to' },
  { key: 'cable', name: 'Cable and ends' },
  { key: 'cut', name: 'Cut' },
  { key: 'next', name: 'Strand' },
  { key: 'findings', name: 'To look at' },
]
function sortBy(key: SortKey) {
  sort.value = { key, down: sort.value.key === key ? !sort.value.down : false }
}
const lookAt = (each: Row) => {
  if (each.withdrawn) return { class: 'quiet', text: 'withdrawn' }
  if (each.strand.some(bead => bead.state === 'failed')) return { class: 'stop', text: 'failed its test' }
  const worst =
    each.findings.find(finding => finding.severity === 'stop') ??
    each.findings.find(finding => finding.severity === 'check')
  if (worst) return { class: worst.severity, text: worst.words }
  if (each.strand.some(bead => bead.state === 'overtaken'))
    return { class: 'check', text: 'work overtaken by a change' }
  return { class: 'quiet', text: each.findings[0]?.words ?? '' }
}

function move(by: number) {
  const at = shown.value.findIndex(each => each.id === chosen.value)
  const next = shown.value[Math.max(0, Math.min(shown.value.length - 1, at + by))]
  if (!next) return
  chosen.value = next.id
  void nextTick(
    () =>
      document.getElementById(`row-${next.id}`)?.scrollIntoView({ block: 'nearest' }) ??
      scroller.value?.scrollToIndex(entries.value.findIndex(each => each.row === next)),
  )
}

async function attempt(work: () => Promise<string>) {
  try {
    said.value = await work()
    await load(true)
  } catch (error) {
    said.value = error instanceof ApiError ? error.message : String(error)
  }
}
function remove() {
  const it = row.value
  if (!it || !session.plans) return
  void attempt(async () => {
    const answer = await api.delete(`runs/${it.id}`, { version: it.version })
    return answer.withdrawn
      ? `${it.code} is withdrawn: work had begun, so it stays on record. u undoes it.`
      : `${it.code} is removed. u undoes it.`
  })
}
function undo() {
  if (!session.plans) return
  void attempt(undoLast)
}
function saved(run: RunPage, count = 1) {
  editing.value = null
  quick.value = false
  prefilled.value = null
  chosen.value = run.id
  said.value = count === 1 ? `${run.code} is saved.` : `${count} runs are saved, ${run.code} first. u undoes it.`
  void load(true)
}

/** A line that was read goes on in the form, with everything that was understood. */
function inForm(line: Line) {
  prefilled.value = line
  quick.value = false
  editing.value = 'new'
}
function pick(event: MouseEvent, id: string) {
  if (event.shiftKey) through(id)
  else if (event.ctrlKey || event.metaKey) toggle(id)
  chosen.value = id
}
function mark(by: number) {
  if (marked.value.size === 0) toggle(chosen.value)
  move(by)
  through(chosen.value)
}
/** Cells copied from a spreadsheet are read like a file. */
function onPaste(event: ClipboardEvent) {
  const target = event.target as HTMLElement
  const text = event.clipboardData?.getData('text/plain') ?? ''
  if (!session.plans || ['INPUT', 'TEXTAREA'].includes(target.tagName) || !text.includes('\t')) return
  event.preventDefault()
  pasted.value = text
  importing.value = true
}
onMounted(() => window.addEventListener('paste', onPaste))
onUnmounted(() => window.removeEventListener('paste', onPaste))

function onKey(event: KeyboardEvent) {
  const target = event.target as HTMLElement
  const typing = ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName)
  if (event.key === 'Escape' && editing.value) return
  if (event.key === 'Escape' && typing) return target.blur()
  if (
    typing ||
    event.ctrlKey ||
    event.metaKey ||
    event.altKey ||
    document.querySelector('.v-overlay--active:not(.v-snackbar)')
  )
    return
  const does: Record<string, () => void> = {
    f: () => filterField.value?.focus(),
    q: () => {
      if (session.plans) quick.value = true
    },
    x: () => {
      if (row.value) toggle(row.value.id)
    },
    b: () => {
      if (session.plans && markedRows.value.length) bulk.value = true
    },
    Escape: none,
    ArrowDown: () => move(1),
    ArrowUp: () => move(-1),
    PageDown: () => move(15),
    PageUp: () => move(-15),
    Home: () => move(-1e6),
    End: () => move(1e6),
    Enter: () => {
      if (row.value && !['BUTTON', 'A'].includes(target.tagName)) void router.push(`/runs/${row.value.id}`)
    },
    n: () => {
      if (session.plans) editing.value = 'new'
    },
    e: () => {
      if (session.plans && row.value) editing.value = 'edit'
    },
    d: () => {
      if (session.plans && row.value) editing.value = 'copy'
    },
    Delete: remove,
    u: undo,
    t: () => {
      if (row.value) void router.push(`/test/${row.value.id}`)
    },
  }
  if (event.shiftKey && (event.key === 'ArrowDown' || event.key === 'ArrowUp')) {
    event.preventDefault()
    mark(event.key === 'ArrowDown' ? 1 : -1)
    return
  }
  const act = does[event.key]
  if (act) {
    if (event.key !== 'Enter') event.preventDefault()
    act()
  }
}
onMounted(() => window.addEventListener('keydown', onKey))
onUnmounted(() => window.removeEventListener('keydown', onKey))
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
      <v-btn
        variant="text"
        size="small"
        :color="grouped ? 'secondary' : 'primary'"
        :aria-pressed="grouped"
        @click="grouped = !grouped">By loom</v-btn>
      <template v-if="marked.size"><v-btn
        v-if="session.plans"
        color="secondary"
        @click="bulk = true">Change {{ markedRows.length }} marked …</v-btn><v-btn
          variant="text"
          :to="`/parts?scope=runs:${markedRows.map(each => each.id).join(',')}`">Parts</v-btn><v-btn
            variant="text"
            @click="none">Unmark</v-btn></template>
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

    <section class="grid" role="table" aria-label="Runs" :aria-rowcount="shown.length">
      <div class="row head" role="row">
        <button
          v-for="column in COLUMNS"
          :key="column.key"
          role="columnheader"
          :class="column.key"
          :aria-sort="sort.key === column.key ? (sort.down ? 'descending' : 'ascending') : 'none'"
          @click="sortBy(column.key)">
          {{ column.name }}<span v-if="sort.key === column.key" aria-hidden="true">{{ sort.down ? ' ↓' : ' ↑' }}</span>
        </button>
      </div>
      <p
        v-if="problem"
        class="note failed"
        role="alert">{{ problem }} <v-btn size="small" variant="text" @click="load()">Try again</v-btn></p>
      <BeingMade v-else-if="loading && rows.length === 0" of="the schedule" />
      <FirstSteps v-else-if="rows.length === 0" why="No cable is planned yet." />
      <p v-else-if="shown.length === 0" class="empty">No run fits these words. <v-btn
        size="small"
        variant="text"
        @click="words = ''">Show all</v-btn></p>
      <v-virtual-scroll v-else ref="scroller" :items="entries" item-height="36" class="rows">
        <template #default="{ item: { row: item, group } }">
          <div
            v-if="group"
            class="group"
            role="row"><span role="cell">
              <b>{{ group.name || 'In no loom' }}</b> {{ group.count }} {{ group.count === 1 ? 'run' : 'runs' }}</span>
          </div>
          <!-- The grid takes the keys. -->
          <!-- eslint-disable vuejs-accessibility/click-events-have-key-events -->
          <!-- eslint-disable vuejs-accessibility/interactive-supports-focus -->
          <div
            v-else-if="item"
            :id="`row-${item.id}`"
            class="row"
            role="row"
            :class="{ chosen: item.id === chosen, marked: marked.has(item.id), withdrawn: item.withdrawn }"
            :aria-selected="item.id === chosen"
            @click="pick($event, item.id)"
            @dblclick="router.push(`/runs/${item.id}`)">
            <router-link role="cell" class="code" :to="`/runs/${item.id}`">{{ item.code }}</router-link>
            <span
              role="cell"
              class="from"
              :title="`${item.from} → ${item.to}`">{{ item.from }}<small><i>→</i> {{ item.to }}</small></span>
            <span
              role="cell"
              class="cable"
              :title="`${item.cable}: ${item.endA} – ${item.endB}`">{{ item.cable }}<small>{{ item.endA }} –
                {{ item.endB }}</small>
            </span>
            <span role="cell" class="cut">{{ length(item.cut) }}</span>
            <span role="cell" class="next"><Strand :beads="item.strand" /></span>
            <span
              role="cell"
              class="findings"
              :class="lookAt(item).class"
              :title="lookAt(item).text">{{ lookAt(item).text }}</span>
          </div>
          <!-- eslint-enable -->
        </template>
      </v-virtual-scroll>
    </section>

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
    <ImportDialog v-model="importing" v-model:pasted="pasted" @imported="load()" />
    <BulkDialog v-model="bulk" :rows="markedRows" @done="text => { said = text; none(); load(true) }" />
    <ChangesDialog v-model="log" @changed="load(true)" />
    <v-snackbar
      :model-value="said !== ''"
      :timeout="6000"
      location="bottom left"
      color="#22302f"
      @update:model-value="said = ''"><span class="told">{{ said }}</span></v-snackbar>
  </div>
</template>

<style scoped>
.told {
  color: #f7f4ee;
}
.group {
  height: 36px;
  display: flex;
  align-items: flex-end;
  padding: 0 16px 5px;
  border-bottom: 1px solid var(--ink);
  color: var(--slate);
  font-size: 13px;
}
.group b {
  color: var(--ink);
  margin-right: 8px;
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
  gap: 12px;
  padding: 8px 16px;
  border-bottom: 1px solid var(--line);
}
.filter {
  max-width: 480px;
  background: var(--surface);
}
.count {
  min-width: 4.5em;
  color: var(--slate);
  margin-right: auto;
  white-space: nowrap;
}
aside {
  border-left: 1px solid var(--line);
  background: var(--surface);
  overflow: auto;
}
.grid {
  display: flex;
  flex-direction: column;
  min-width: 0;
}
.rows {
  flex: 1;
}
.row {
  display: grid;
  grid-template-columns: 70px minmax(110px, 1fr) minmax(130px, 1.2fr) 72px 118px minmax(80px, 1fr);
  gap: 0 10px;
  align-items: center;
  height: 36px;
  padding: 0 14px;
  border-bottom: 1px solid var(--line);
  cursor: default;
  overflow: hidden;
}
.row:not(.head):hover {
  background: var(--rail);
}
.row.marked {
  background: var(--good);
  box-shadow: inset 3px 0 var(--verdigris);
}
.row.chosen {
  background: var(--chosen);
  box-shadow: inset 3px 0 var(--copper);
}
.row.withdrawn .code,
.row.withdrawn .from {
  text-decoration: line-through;
}
.head {
  height: 32px;
  border-bottom: 1px solid var(--ink);
  background: var(--rail);
}
.head button {
  all: unset;
  font-size: 12.5px;
  font-weight: 600;
  color: var(--slate);
  cursor: pointer;
}
.head button:focus-visible {
  outline: 2px solid var(--copper);
}
.head .cut {
  text-align: right;
}
.code {
  font-family: var(--mono);
  font-weight: 600;
  color: var(--ink) !important;
  text-decoration: none;
}
.from,
.cable,
.findings {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.from i {
  color: var(--quiet);
  font-style: normal;
}
.cable,
.from {
  line-height: 1.15;
}
.cable small,
.from small {
  display: block;
  color: var(--slate);
  font-size: 11.5px;
  overflow: hidden;
  text-overflow: ellipsis;
}
.cut {
  text-align: right;
  font-family: var(--mono);
  white-space: nowrap;
}
.findings {
  font-size: 12.5px;
}
.findings.stop {
  color: var(--flux);
  font-weight: 600;
}
.findings.check {
  color: var(--amber);
}
.findings.quiet,
.findings.note {
  color: var(--slate);
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
  .head {
    display: none;
  }
  .row {
    grid-template-columns: 66px minmax(0, 1fr) auto;
  }
  .row .cable,
  .row .cut,
  .row .findings {
    display: none;
  }
}
</style>
