<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { computed, onMounted, ref } from 'vue'
import { api, ApiError } from '../../api/client'
import { useLive } from '../../api/live'
import { useOutbox } from '../../api/outbox'
import { useSession } from '../../api/session'
import type { Progress, Tally } from '../../api/test'
import type { Row } from '../../api/types'
import { filtered } from '../../plan/schedule/filter'
import { sorted } from '../../plan/schedule/order'
import { useRows } from '../../plan/schedule/useRows'
import BeingMade from '../../ui/BeingMade.vue'
import Strand from '../../ui/Strand.vue'
import { late } from '../../ui/late'
import CardDialog from './CardDialog.vue'
import TestTabs from './TestTabs.vue'

const FirstSteps = late(() => import('../../ui/FirstSteps.vue'))

const session = useSession()
const outbox = useOutbox()
const schedule = useRows()
const rows = computed(() => schedule.rows)
const words = ref('')
const problem = ref('')
const loaded = ref(false)
const progress = ref<Progress | null>(null)
const by = useLocalStorage<'looms' | 'places'>('sartal.test.by', 'looms')
const card = ref(false)

async function load() {
  try {
    await schedule.load()
    problem.value = ''
  } catch (error) {
    away(error)
    // What is known of them will do until the server is there again.
    if (!outbox.offline || rows.value.length === 0)
      problem.value = error instanceof ApiError ? error.message : String(error)
  }
}
async function look() {
  if (document.hidden) return
  try {
    const now = await api.get('tests/progress')
    if (progress.value && now.cursor !== progress.value.cursor) void load()
    progress.value = now
  } catch (error) {
    away(error)
  }
}
function away(error: unknown) {
  if (error instanceof ApiError && (error.status === 0 || error.status >= 500)) outbox.offline = true
}
onMounted(async () => {
  // Together: what comes later would push down what is there.
  await Promise.all([load(), look()])
  loaded.value = true
  void takeAlong(ready.value)
})
useLive(['decided', 'recorded'], 4000, look, away)

const bead = (row: Row) => row.strand.find(each => each.stage === 'test')?.state
/** Made, but not tested since: what a tester takes next. */
const isReady = (row: Row) =>
  row.strand.filter(each => each.stage === 'end-a' || each.stage === 'end-b').every(each => each.state !== 'to-do')
const all = computed(() => rows.value.filter(row => !row.withdrawn))
const ready = computed(() =>
  all.value.filter(
    row => bead(row) === 'failed' || bead(row) === 'overtaken' || (bead(row) === 'to-do' && isReady(row)),
  ),
)
const chosen = ref<Tally | null>(null)
const within = (row: Row) =>
  !chosen.value ||
  (by.value === 'looms'
    ? row.loom === chosen.value.name || row.loom === chosen.value.id
    : row.from === chosen.value.name || row.to === chosen.value.name)
const shown = computed(() => sorted(filtered(all.value.filter(within), words.value), [{ key: 'code', down: false }]))
const waiting = computed(() => new Set(outbox.of('events').map(item => item.body.run as string)))
/** What the lead gave to whoever is here: a loom, or a cable. */
const given = (row: Row) => {
  const mine = progress.value?.mine
  return (
    mine !== undefined &&
    (mine.assemblies.includes(row.id) ||
      (progress.value?.looms ?? []).some(loom => loom.name === row.loom && mine.looms.includes(loom.id)))
  )
}
const groups = computed(() =>
  [
    { name: 'Tested here, not sent yet', rows: shown.value.filter(row => waiting.value.has(row.id)) },
    { name: 'Given to you', rows: shown.value.filter(row => given(row) && bead(row) !== 'done') },
    { name: 'Failed: mend, then test again', rows: shown.value.filter(row => bead(row) === 'failed') },
    { name: 'Overtaken by a change: test again', rows: shown.value.filter(row => bead(row) === 'overtaken') },
    { name: 'Ready to test', rows: shown.value.filter(row => bead(row) === 'to-do' && isReady(row)) },
    { name: 'Not made yet', rows: shown.value.filter(row => bead(row) === 'to-do' && !isReady(row)) },
    { name: 'Passed', rows: shown.value.filter(row => bead(row) === 'done') },
  ]
    .map((group, i) => ({
      ...group,
      rows: group.rows.filter(
        row => i === 0 || (!waiting.value.has(row.id) && (i === 1 || !given(row) || bead(row) === 'done')),
      ),
    }))
    .filter(group => group.rows.length),
)

/** Read once, so that they open where there is no network. */
const taken = ref({ done: 0, of: 0 })
async function takeAlong(some: Row[]) {
  if (!('serviceWorker' in navigator) || !navigator.serviceWorker.controller || outbox.offline) return
  taken.value = { done: 0, of: some.length }
  const queue = [...some]
  const work = async () => {
    for (let row = queue.shift(); row; row = queue.shift()) {
      await api.get(`runs/${row.id}/test?stage=bench`).catch(() => undefined)
      await api.get(`runs/${row.id}/test?stage=installed`).catch(() => undefined)
      taken.value.done++
    }
  }
  await Promise.all([work(), work()])
}
</script>

<template>
  <main class="list">
    <header>
      <h1>Test</h1><TestTabs />
      <v-text-field v-model="words" placeholder="find: a code, a place" aria-label="Find a cable to test" clearable />
      <v-btn
        v-if="shown.length"
        variant="outlined"
        color="primary"
        @click="takeAlong(shown)">Take {{ shown.length }} along</v-btn>
      <v-btn v-if="session.tests" variant="outlined" color="primary" @click="card = true">Certifier card …</v-btn>
    </header>
    <p
      v-if="taken.of"
      class="quiet taken"
      role="status">{{ taken.done < taken.of ? `Taking along: ${taken.done} of ${taken.of}`
        : `${taken.of} open without a network.` }}</p>
    <section v-if="loaded && progress" class="progress" aria-label="How far testing is">
      <p><b>{{ progress.all.passed }}</b> passed ·
        <b :class="{ failed: progress.all.failed }">{{ progress.all.failed }}</b> failed ·
        <b>{{ progress.all.left }}</b>
        to go
        <span class="by" role="group" aria-label="Progress by"><button
          type="button"
          :aria-pressed="by === 'looms'"
          @click="by = 'looms'; chosen = null">by loom</button><button
            type="button"
            :aria-pressed="by === 'places'"
            @click="by = 'places'; chosen = null">by place</button></span>
        <button v-if="chosen" type="button" class="all" @click="chosen = null">Show all again</button></p>
      <ul><li v-for="tally in progress[by]" :key="tally.id"><button
        type="button"
        :aria-pressed="chosen?.id === tally.id"
        @click="chosen = chosen?.id === tally.id ? null : tally">
        {{ tally.name }} <span class="bar" aria-hidden="true"><i
          class="passed"
          :style="{ flex: tally.passed }" /><i
            class="failed"
            :style="{ flex: tally.failed }" /><i :style="{ flex: tally.left }" /></span>
        <small class="mono">{{ tally.passed }}/{{ tally.passed + tally.failed + tally.left }}{{ tally.failed
          ? `, ${tally.failed} failed` : '' }}</small>
      </button></li></ul>
    </section>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <BeingMade v-if="!loaded" />
    <FirstSteps
      v-else-if="all.length === 0 && !problem"
      why="There is nothing to test yet: cables that are planned are tested here." />
    <p v-else-if="groups.length === 0 && !problem" class="quiet pad">No cable fits.</p>
    <section v-for="group in loaded ? groups : []" :key="group.name">
      <h2>{{ group.name }} <span>{{ group.rows.length }}</span></h2>
      <router-link v-for="row in group.rows" :key="row.id" :to="`/test/${row.id}`">
        <b class="mono">{{ row.code }}</b>
        <span class="way">{{ row.from }} → {{ row.to }}<small>{{ row.endA }} – {{ row.endB }}</small></span>
        <Strand :beads="row.strand" />
      </router-link>
    </section>
    <CardDialog v-model="card" @recorded="load" />
  </main>
</template>

<style scoped>
.list {
  height: 100%;
  overflow: auto;
  padding-bottom: 30px;
}
header {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 8px 16px;
  border-bottom: 1px solid var(--line);
  position: sticky;
  top: 0;
  background: var(--paper);
  z-index: 1;
  flex-wrap: wrap;
}
header > .v-input {
  max-width: 320px;
  min-width: 160px;
}
.taken {
  margin: 4px 16px;
  font-size: 12.5px;
}
.progress {
  padding: 8px 16px;
  border-bottom: 1px solid var(--line);
}
.progress p {
  margin: 0 0 6px;
}
.progress ul {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin: 0;
  padding: 0;
}
.progress button {
  font: inherit;
  font-size: 13px;
  border: 1px solid var(--line);
  border-radius: 4px;
  background: none;
  color: var(--ink);
  cursor: pointer;
  padding: 3px 8px;
}
.progress button[aria-pressed='true'] {
  background: var(--surface);
  border-color: var(--copper);
}
.progress small {
  color: var(--slate);
}
.by {
  margin-left: 12px;
}
.by button {
  border: 0;
}
.all {
  margin-left: 8px;
  color: var(--verdigris) !important;
}
b.failed {
  color: var(--flux);
}
.bar {
  display: inline-flex;
  width: 70px;
  height: 8px;
  border: 1px solid var(--ink);
  vertical-align: middle;
  margin: 0 5px;
  background: var(--surface);
}
.bar .passed {
  background: var(--verdigris);
}
.bar .failed {
  background: repeating-linear-gradient(45deg, var(--flux) 0 2px, var(--surface) 2px 4px);
}
h2 {
  padding: 0 16px;
  margin: 16px 0 4px;
}
h2 span {
  font-family: var(--mono);
  font-weight: 400;
}
a:not(.tabs a):not(.v-btn) {
  display: grid;
  grid-template-columns: 76px minmax(0, 1fr) auto;
  gap: 10px;
  align-items: center;
  padding: 7px 16px;
  border-bottom: 1px solid var(--line);
  color: var(--ink) !important;
  text-decoration: none;
  min-height: 44px;
}
section > a:hover {
  background: #f1ece2;
}
.way {
  line-height: 1.2;
  overflow: hidden;
  text-overflow: ellipsis;
}
small {
  color: var(--slate);
}
.way small {
  display: block;
}
.pad {
  padding: 16px;
}
@media (max-width: 480px) {
  a :deep(.strand) {
    width: 84px;
    height: auto;
  }
  .progress ul {
    flex-wrap: nowrap;
    overflow-x: auto;
  }
  .progress ul button {
    white-space: nowrap;
    min-height: 40px;
  }
  header :deep(.v-btn) {
    min-height: 40px;
  }
}
</style>
