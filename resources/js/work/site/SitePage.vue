<script setup lang="ts">
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { address } from '../../api/page'
import { useSession } from '../../api/session'
import type { Pull } from '../../api/site'
import BeingMade from '../../ui/BeingMade.vue'
import FigureSum from '../../ui/FigureSum.vue'
import { type Label, leadsAway, readLabel } from '../../ui/label'
import { inWords, length } from '../../ui/units'
import { late } from '../../ui/late'
import RunOnSite from './RunOnSite.vue'
import { useScanner } from './useScanner'
import { useSite } from './useSite'

const FirstSteps = late(() => import('../../ui/FirstSteps.vue'))

/** What an installer pulls, in its order, and how far every cable is. */
const session = useSession()
const route = useRoute()
const { site, runs, problem, left, next, confirm, takeBack, load } = useSite()
const words = ref(typeof route.query.find === 'string' ? route.query.find : '')
const way = ref('')
/** What can be done now, all that is left, or everything. */
const amount = ref<'ready' | 'left' | 'all'>('ready')
const openRun = ref('')
const openPull = ref('')
const said = ref('')
const may = computed(() => session.can('installer', 'bench', 'lead'))

const fits = (id: string) => {
  const run = runs.value[id]!
  const asked = words.value.trim().toLowerCase()
  return asked === '' || `${run.code} ${run.from} ${run.to} ${run.cable}`.toLowerCase().includes(asked)
}
const shownRuns = (pull: Pull) =>
  pull.runs.filter(
    id =>
      runs.value[id] &&
      fits(id) &&
      (amount.value === 'all' ||
        words.value ||
        (left(runs.value[id]!) > 0 && (amount.value === 'left' || runs.value[id]!.ready))),
  )
const pulls = computed(() =>
  (site.value?.pulls ?? []).filter(
    pull => (way.value === '' || pull.ways.some(each => each.id === way.value)) && shownRuns(pull).length,
  ),
)
const usedWays = computed(() => {
  const used = new Set(site.value?.pulls.flatMap(pull => pull.ways.map(each => each.id)))
  return site.value?.ways.filter(each => used.has(each.id)) ?? []
})
const count = computed(() => Object.values(runs.value))
const done = computed(() => count.value.filter(run => left(run) === 0).length)
/** What all of a bundle come to next, where it is the same for all that have it before them. */
function together(pull: Pull) {
  const steps = new Map<string, string[]>()
  for (const id of shownRuns(pull)) {
    const step = next(runs.value[id]!)
    if (step && step.id !== 'tested' && runs.value[id]!.ready) steps.set(step.id, [...(steps.get(step.id) ?? []), id])
  }
  const [step, ids] = [...steps].sort((a, b) => b[1].length - a[1].length)[0] ?? ['', []]
  return ids.length > 1
    ? {
        step,
        ids,
        said: site
          .value!.steps.find(each => each.id === step)!
          .said.replace('It is', 'they are')
          .replace(' is ', 's are '),
      }
    : null
}
async function confirmAll(group: { step: string; ids: string[] }) {
  for (const id of group.ids) await confirm(runs.value[id]!, group.step)
}

const field = ref<HTMLInputElement | null>(null)
/** A scanned label, or a typed code. */
async function scanned(text: string) {
  const label = readLabel(text)
  const away = label && leadsAway(label, session.session.installations?.length ?? 1, 'site')
  if (away) window.location.assign(away)
  else await look(text, label)
}
async function look(text: string, label: Label | null) {
  if (!site.value) await load()
  const id = label
    ? decodeURIComponent(label.run)
    : Object.values(runs.value).find(
        run =>
          run.code.toLowerCase() ===
          text
            .trim()
            .toLowerCase()
            .replace(/\s+[ab]$/, ''),
      )?.id
  if (!id || !runs.value[id]) {
    said.value = `No cable here goes by ${text.trim()}.`
    return
  }
  const run = runs.value[id]!
  said.value = `${run.code}${label?.side ? ` end ${label.side}` : ''}: ${next(run)?.words ?? 'all is done'}.`
  words.value = ''
  way.value = ''
  amount.value = 'all'
  openRun.value = id
  await nextTick()
  document.getElementById(`site-${id}`)?.scrollIntoView({ block: 'center' })
}
const scan = ref('')
/** The label that led to this page. */
onMounted(() => {
  if (typeof route.query.scan === 'string')
    void look(route.query.scan, { of: address, run: route.query.scan, side: '' })
})
async function enter() {
  if (scan.value.trim()) await scanned(scan.value)
  scan.value = ''
  field.value?.focus()
}
const {
  can,
  on,
  problem: cameraProblem,
  start,
  stop,
  show,
} = useScanner(text => {
  void scanned(text)
})
watch(
  () => route.query.find,
  value => {
    if (typeof value === 'string') words.value = value
  },
)
</script>

<template>
  <main class="on-site">
    <header>
      <h1>Site</h1>
      <form class="scan" role="search" @submit.prevent="enter">
        <input
          ref="field"
          v-model="scan"
          aria-label="Scan or type a label"
          placeholder="scan or type a label"
          autocomplete="off"
          enterkeyhint="go">
        <button v-if="can" type="button" @click="on ? stop() : start()">{{ on ? 'Stop' : 'Camera' }}</button>
      </form>
      <span class="quiet">{{ done }} of {{ count.length }} done</span>
    </header>
    <video v-if="on" :ref="show" muted playsinline aria-label="Camera" />
    <p v-if="cameraProblem" class="note check">{{ cameraProblem }}</p>
    <p v-if="said" class="said" role="status">{{ said }}</p>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <BeingMade v-if="!site && !problem" of="the list" />
    <template v-if="site">
      <div class="tools">
        <input v-model="words" aria-label="Show only" placeholder="show only: a code, a place">
        <select v-model="way" aria-label="Way"><option value="">every way</option><option
          v-for="each in usedWays"
          :key="each.id"
          :value="each.id">{{ each.name }}</option></select>
        <select
          v-model="amount"
          aria-label="How much"><option value="ready">what can be done now</option>
          <option value="left">and what is at the bench</option><option value="all">and what is done</option></select>
      </div>
      <p class="caution">Ladders, ceiling voids and pulling force: two people, and local rules. Mains cables are pulled,
        joined and tested by licensed persons under local code, dead and proven dead.</p>
      <FirstSteps
        v-if="count.length === 0"
        why="There is nothing to pull yet: cables that are planned are pulled and put in place from here." />
      <p
        v-else-if="pulls.length === 0"
        class="quiet pad">{{ words || way ? 'Nothing fits. Show every way, or empty the field.'
          : 'Everything is pulled and done.' }}</p>
      <section
        v-for="(pull, i) in pulls"
        :key="pull.id"
        :class="{ mains: pull.mains }"
        :aria-label="`${pull.from} to ${pull.to}`">
        <div class="head">
          <h2><span class="number">{{ i + 1 }}</span>{{ pull.from }} → {{ pull.to }}<b v-if="pull.mains"> mains, by
            itself</b>
          </h2>
          <button
            v-if="may && together(pull)"
            type="button"
            class="bundle"
            @click="confirmAll(together(pull)!)">{{ together(pull)!.ids.length }} together:
            {{ together(pull)!.said }}</button>
        </div>
        <div class="how">
          <span class="mono">{{ length(pull.length) }}</span> <span>pull at most <FigureSum :figure="pull.tension" />
          </span> <span>bend no tighter than <FigureSum :figure="pull.bend" /></span>
          <button
            type="button"
            :aria-expanded="openPull === pull.id"
            @click="openPull = openPull === pull.id ? '' : pull.id">{{ pull.ways.length }}
            {{ pull.ways.length === 1 ? 'way' : 'ways' }}</button>
        </div>
        <ol
          v-if="openPull === pull.id"
          class="ways"><li
            v-for="each in pull.ways"
            :key="each.id">{{ each.name }} <span class="quiet">{{ each.kind }}, {{ length(each.length) }}</span></li>
        </ol>
        <p v-for="stop_ in pull.stops" :key="stop_" class="note check">{{ stop_ }}</p>
        <p v-for="each in pull.hindrances" :key="each" class="note stop">{{ inWords(each) }}</p>
        <ul class="runs"><RunOnSite
          v-for="id in shownRuns(pull)"
          :id="`site-${id}`"
          :key="id"
          :run="runs[id]!"
          :steps="site.steps"
          :ways="site.ways"
          :lead="pull.leads[id] ?? ''"
          :open="openRun === id"
          :may-confirm="may"
          @toggle="openRun = openRun === id ? '' : id"
          @confirm="(step, built) => confirm(runs[id]!, step, built)"
          @back="step => takeBack(runs[id]!, step)" /></ul>
      </section>
      <section v-if="site.unplaced.some(id => runs[id] && fits(id))" aria-label="Without a way">
        <h2>Without a way</h2>
        <ul class="runs"><RunOnSite
          v-for="id in site.unplaced.filter(each => runs[each] && fits(each))"
          :id="`site-${id}`"
          :key="id"
          :run="runs[id]!"
          :steps="site.steps"
          :ways="site.ways"
          lead=""
          :open="openRun === id"
          :may-confirm="may"
          @toggle="openRun = openRun === id ? '' : id"
          @confirm="(step, built) => confirm(runs[id]!, step, built)"
          @back="step => takeBack(runs[id]!, step)" /></ul>
      </section>
    </template>
  </main>
</template>

<style scoped>
.on-site {
  height: 100%;
  overflow: auto;
  padding-bottom: 40px;
}
header {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 8px 14px;
  border-bottom: 1px solid var(--line);
  position: sticky;
  top: 0;
  background: var(--paper);
  z-index: 2;
}
.scan {
  flex: 1;
  display: flex;
  gap: 6px;
  max-width: 420px;
}
.scan input,
.tools input:not([type='checkbox']),
.tools select {
  border: 1px solid var(--quiet);
  border-radius: 4px;
  padding: 9px 10px;
  background: var(--surface);
  color: inherit;
  font: inherit;
  min-width: 0;
  flex: 1;
}
.scan button {
  border: 1px solid var(--verdigris);
  color: var(--verdigris);
  background: none;
  border-radius: 4px;
  padding: 0 12px;
  font: inherit;
}
header .quiet {
  white-space: nowrap;
  font-size: 12.5px;
}
.said {
  margin: 0;
  padding: 8px 14px;
  background: var(--chosen);
  font-weight: 600;
}
.tools {
  display: flex;
  gap: 8px;
  padding: 8px 14px;
  align-items: center;
  flex-wrap: wrap;
  font-size: 13px;
  max-width: 900px;
}
.tools select {
  max-width: 190px;
}
.caution {
  margin: 0 14px 4px;
  font-size: 12.5px;
  color: var(--flux);
}
.pad {
  padding: 14px;
}
section {
  padding: 8px 14px 4px;
  border-top: 2px solid var(--line);
  max-width: 900px;
}
.head {
  display: flex;
  gap: 8px;
  align-items: center;
  justify-content: space-between;
  flex-wrap: wrap;
}
h2 {
  margin: 4px 0;
  font-size: 15.5px;
}
h2 b {
  color: var(--flux);
  font-size: 13px;
}
.number {
  font-family: var(--mono);
  color: var(--slate);
  margin-right: 8px;
  font-weight: 400;
}
.bundle {
  all: unset;
  cursor: pointer;
  border: 1.5px solid var(--verdigris);
  color: var(--verdigris);
  border-radius: 4px;
  padding: 9px 10px;
  font-size: 13.5px;
  font-weight: 600;
}
.bundle:focus-visible {
  outline: 2px solid var(--copper);
}
.how {
  display: flex;
  gap: 4px 16px;
  flex-wrap: wrap;
  font-size: 13px;
  color: var(--slate);
  align-items: baseline;
}
.how > span {
  display: inline-flex;
  gap: 5px;
  align-items: baseline;
}
.how button {
  all: unset;
  cursor: pointer;
  color: var(--verdigris);
  text-decoration: underline;
  padding: 4px 0;
}
.ways {
  margin: 2px 0 6px;
  padding-left: 22px;
  font-size: 13px;
}
.runs {
  padding: 0;
  margin: 4px 0;
}
video {
  width: 100%;
  max-height: 240px;
  background: #000;
  display: block;
}
.mains {
  border-top-color: var(--flux);
}
/* A thumb on a figure does not press what stands above it. */
@media (pointer: coarse), (max-width: 900px) {
  .how {
    margin-top: 14px;
  }
}
@media (max-width: 480px) {
  header {
    gap: 8px;
  }
  .bundle {
    width: 100%;
    text-align: center;
    box-sizing: border-box;
  }
}
</style>
