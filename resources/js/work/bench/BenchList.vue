<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '../../api/client'
import type { JobLine } from '../../api/bench'
import BeingMade from '../../ui/BeingMade.vue'
import Strand from '../../ui/Strand.vue'
import { late } from '../../ui/late'
import { recent } from '../../ui/recent'
import { useJobs } from './useJobs'

const FirstSteps = late(() => import('../../ui/FirstSteps.vue'))

const router = useRouter()
const { jobs, people, problem, loaded, ready, isMine } = useJobs()
const words = ref('')
const marked = ref<string[]>([])

/** Jobs that open without a network: what was given to whoever is here, and what is in hand. */
const ALONG = 12
async function takeAlong() {
  if (!('serviceWorker' in navigator) || !navigator.serviceWorker.controller) return
  for (const job of jobs.value
    .filter(each => !each.done && (isMine(each) || each.begun))
    .sort((a, b) => Number(isMine(b)) - Number(isMine(a)))
    .slice(0, ALONG))
    await api.get(`bench/${job.id}`).catch(() => undefined)
}
void ready.then(takeAlong)

const fits = (job: JobLine) =>
  words.value
    .toLowerCase()
    .split(/\s+/)
    .filter(Boolean)
    .every(word =>
      [...job.codes, job.cable, job.from, job.to, job.loom, job.next, ...job.skills]
        .join(' ')
        .toLowerCase()
        .includes(word),
    )
const onlyMine = ref(false)
const shown = computed(() => jobs.value.filter(job => fits(job) && (!onlyMine.value || isMine(job))))
const groups = computed(() =>
  [
    { name: 'Stopped', jobs: shown.value.filter(job => job.hold && !job.done) },
    { name: 'In hand', jobs: shown.value.filter(job => !job.hold && !job.done && job.begun) },
    { name: 'To be made', jobs: shown.value.filter(job => !job.hold && !job.done && !job.begun) },
    { name: 'Left the bench', jobs: shown.value.filter(job => job.done) },
  ].filter(group => group.jobs.length),
)
const who = (job: JobLine) => people.value.filter(person => person.assembly === job.id).map(person => person.name)
/** Looked up once for all rows: thousands of jobs would each look through all others. */
const batches = computed(() => {
  const found = new Map<string, string[]>()
  for (const each of jobs.value)
    if (!each.done && !each.hold && !each.begun) {
      const ids = found.get(each.alike)
      if (ids) ids.push(each.id)
      else found.set(each.alike, [each.id])
    }
  return found
})
const alike = (job: JobLine) => batches.value.get(job.alike) ?? []
/** Rows of a group that are drawn at once; find looks through all of them. */
const ROWS = 100
const drawn = ref<Record<string, number>>({})
const rows = (group: string) => drawn.value[group] ?? ROWS
const time = (minutes: number) => (minutes < 90 ? `${Math.ceil(minutes)} min` : `${(minutes / 60).toFixed(1)} h`)
function mark(id: string) {
  marked.value = marked.value.includes(id) ? marked.value.filter(each => each !== id) : [...marked.value, id]
}
/** Where whoever is here was last; else what was given to them, what is in hand, what comes first: nobody is at it. */
const last = computed(() => recent.value.find(each => each.kind === 'job')?.path)
const goOn = computed(() => {
  const free = jobs.value.filter(each => !each.done && !each.hold && who(each).length === 0)
  const rank = (each: JobLine) =>
    `/bench/${each.id}` === last.value && each.begun ? 4 : Number(isMine(each)) * 2 + Number(each.begun)
  return free.reduce<JobLine | null>((best, each) => (!best || rank(each) > rank(best) ? each : best), null)
})
useEventListener(document, 'keydown', event => {
  const isFree = event.target === document.body && !event.ctrlKey && !event.metaKey && !event.altKey && !event.repeat
  if (!isFree || !goOn.value || (event.key !== ' ' && event.key !== 'Enter')) return
  event.preventDefault()
  void router.push(`/bench/${goOn.value.id}`)
})
const batch = computed(() => jobs.value.filter(job => marked.value.includes(job.id)))
const together = (ids: string[]) => void router.push(`/bench/${ids.join(',')}`)
</script>

<template>
  <main class="list">
    <header><h1>Bench</h1><v-text-field
      v-model="words"
      placeholder="find: a code, a loom, a skill"
      aria-label="Find a job"
      clearable />
      <label
        v-if="jobs.some(isMine)"
        class="mine"><input v-model="onlyMine" type="checkbox"> given to me</label>
      <v-btn
        v-if="batch.length > 1"
        color="primary"
        @click="together(marked)">Make {{ batch.length }} together</v-btn></header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <BeingMade v-if="!loaded" />
    <FirstSteps
      v-else-if="jobs.length === 0 && !problem"
      why="There is no job yet: cables that are planned become jobs." />
    <p v-else-if="groups.length === 0 && !problem" class="quiet pad">No job fits.</p>
    <router-link v-if="loaded && goOn && !words" class="go" :to="`/bench/${goOn.id}`"><b>{{ goOn.begun ? 'Go on with'
      : 'Begin with' }} <span class="mono">{{ goOn.codes[0] }}</span></b><span>{{ goOn.next }}<small>{{ goOn.from }} →
      {{ goOn.to }}</small></span></router-link>
    <section v-for="group in groups" :key="group.name">
      <h2>{{ group.name }} <span>{{ group.jobs.length }}</span></h2>
      <div v-for="job in group.jobs.slice(0, rows(group.name))" :key="job.id" class="job">
        <label v-if="!job.done && !job.begun" class="mark"><input
          type="checkbox"
          :checked="marked.includes(job.id)"
          :aria-label="`Mark ${job.codes.join(', ')}`"
          @change="mark(job.id)"></label><span v-else />
        <router-link :to="`/bench/${job.id}`">
          <b class="mono">{{ job.codes[0] }}<small v-if="job.codes.length > 1">and {{ job.codes.length - 1 }}
            more</small>
          </b>
          <span class="way">{{ job.from }} → {{ job.to }}<small>{{ job.cable }}<template v-if="job.loom"> ·
            {{ job.loom }}</template>
          </small></span>
          <span class="next"><template v-if="job.hold"><b class="stop">{{ job.hold }}</b></template>
            <template v-else-if="job.done">made</template><template v-else>{{ job.next }}<small>{{ job.where }}</small>
            </template></span>
          <span class="far"><svg
            width="90"
            height="6"
            viewBox="0 0 90 6"
            role="img"
            :aria-label="`${job.settled} of ${job.count} done`"><rect width="90" height="6" rx="3" class="all" /><rect
              :width="90 * job.settled / job.count"
              height="6"
              rx="3"
              class="part" /></svg><small>{{ job.done ? '' : `${time(job.minutes)} left` }}</small></span>
          <span class="who"><span
            v-for="name in who(job)"
            :key="name"
            class="initial"
            :title="`${name} is at it`">{{ name.slice(0, 1) }}</span><span
              v-if="job.questions"
              class="ask"
              :title="`${job.questions} not answered`">?</span><Strand :beads="job.strand" /></span>
        </router-link>
        <button
          v-if="!job.begun && !job.done && alike(job).length > 1 && alike(job)[0] === job.id"
          type="button"
          class="batch"
          @click="together(alike(job))">{{ alike(job).length }} alike: make them together</button>
      </div>
      <button
        v-if="group.jobs.length > rows(group.name)"
        type="button"
        class="batch more"
        @click="drawn[group.name] = rows(group.name) + ROWS">{{ group.jobs.length - rows(group.name) }} more: show the
        next {{ Math.min(ROWS, group.jobs.length - rows(group.name)) }}</button>
    </section>
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
  gap: 16px;
  padding: 8px 16px;
  border-bottom: 1px solid var(--line);
  position: sticky;
  top: 0;
  background: var(--paper);
  z-index: 1;
}
header > .v-input {
  max-width: 420px;
}
.mine {
  display: flex;
  gap: 6px;
  align-items: center;
  white-space: nowrap;
}
h2 {
  padding: 0 16px;
  margin: 16px 0 4px;
}
h2 span {
  font-family: var(--mono);
  font-weight: 400;
}
.job > a {
  display: grid;
  grid-template-columns: 84px minmax(0, 1.2fr) minmax(0, 1fr) 96px 150px;
  gap: 12px;
  align-items: center;
  padding: 7px 0;
  color: var(--ink) !important;
  text-decoration: none;
  min-height: 46px;
}
.go {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  align-items: center;
  margin: 12px 16px 4px;
  max-width: 640px;
  padding: 8px 14px;
  min-height: 48px;
  border: 1px solid var(--copper);
  border-left-width: 5px;
  border-radius: 4px;
  background: var(--surface);
  color: var(--ink) !important;
  text-decoration: none;
}
.go b {
  font-size: 16px;
}
.job {
  display: grid;
  grid-template-columns: 20px minmax(0, 1fr);
  gap: 8px;
  align-items: center;
  padding: 0 16px;
  border-bottom: 1px solid var(--line);
}
.job:hover {
  background: #f1ece2;
}
.v-theme--dim .job:hover {
  background: var(--surface);
}
.way,
.next {
  line-height: 1.25;
  overflow: hidden;
  text-overflow: ellipsis;
}
small {
  display: block;
  color: var(--slate);
  font-family: var(--sans);
  font-weight: 400;
}
.all {
  fill: var(--panel);
}
.part {
  fill: var(--verdigris);
}
.who {
  display: flex;
  gap: 6px;
  justify-content: flex-end;
  align-items: center;
}
.initial {
  width: 20px;
  height: 20px;
  border-radius: 50%;
  background: var(--copper-fill);
  color: var(--on-action);
  display: grid;
  place-items: center;
  font-size: 12px;
  font-weight: 600;
}
.ask {
  color: var(--amber);
  font-weight: 700;
}
.stop {
  color: var(--flux);
}
.batch {
  all: unset;
  grid-column: 2;
  margin: -2px 0 8px 96px;
  cursor: pointer;
  color: var(--verdigris);
  text-decoration: underline;
  font-size: 13px;
  width: max-content;
}
.more {
  margin: 8px 16px;
}
.batch:focus-visible {
  outline: 2px solid var(--copper);
}
.pad {
  padding: 16px;
}
@media (max-width: 760px) {
  .job > a {
    grid-template-columns: 72px minmax(0, 1fr);
    gap: 2px 10px;
  }
  .next,
  .far {
    grid-column: 2;
  }
  .far {
    display: flex;
    gap: 10px;
    align-items: center;
  }
  .who {
    display: none;
  }
  .batch {
    margin-left: 82px;
  }
}
@media (pointer: coarse), (max-width: 900px) {
  .job {
    grid-template-columns: 48px minmax(0, 1fr);
    padding-left: 4px;
  }
  /* What cannot be marked begins where a mark would. */
  .job:not(:has(> .mark)) {
    grid-template-columns: minmax(0, 1fr);
    padding-left: 16px;
  }
  .job > span:empty {
    display: none;
  }
  .mark {
    justify-content: center;
  }
}
</style>
