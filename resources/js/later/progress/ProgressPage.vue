<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { computed, onMounted, ref } from 'vue'
import { api } from '../../api/client'
import type { Board } from '../../api/crew'
import { useLive } from '../../api/live'
import type { Group, ProgressAnswer } from '../../api/progress'
import { useAttempt } from '../../ui/attempt'
import BeingMade from '../../ui/BeingMade.vue'
import { late } from '../../ui/late'
import { STAGE } from '../../ui/stages'
import { many } from '../../ui/words'
import { behind, WAYS, type Way } from './behind'
import CableOff from './CableOff.vue'
import HoursLeft from './HoursLeft.vue'
import HoursSpent from './HoursSpent.vue'
import RightAtOnce from './RightAtOnce.vue'
import RunsBehind from './RunsBehind.vue'
import StageMatrix from './StageMatrix.vue'

const FirstSteps = late(() => import('../../ui/FirstSteps.vue'))

const told = ref<ProgressAnswer | null>(null)
const board = ref<Board | null>(null)
const { problem, attempt } = useAttempt()
const load = () =>
  attempt(async () => {
    told.value = await api.get('progress')
    board.value = await api.get('crew/board?roughly=1')
  })
onMounted(load)
useLive(['decided', 'recorded', 'told'], 15_000, load)

const by = useLocalStorage<Way>('sartal.progress.by', 'loom')
const all = computed(() => told.value?.groups.all ?? null)
const headline = computed(() =>
  [
    `${told.value?.made ?? 0} of ${all.value?.runs ?? 0} made`,
    `${all.value?.stages.test?.done ?? 0} tested`,
    `${all.value?.stages.signed?.done ?? 0} signed`,
  ].join(', '),
)
/** Whoever recorded something: on so many runs, of as many as each stage has. */
const people = computed<Group[]>(() =>
  (told.value?.people ?? []).map(person => ({
    name: person.name,
    runs: person.runs,
    stages: Object.fromEntries(
      Object.entries(person.stages).map(([stage, count]) => [
        stage,
        { of: Math.max(count, all.value?.stages[stage]?.of ?? 0), done: count, failed: 0, overtaken: 0 },
      ]),
    ),
  })),
)
const groups = computed<Group[]>(() =>
  !told.value ? [] : by.value === 'person' ? people.value : told.value.groups[by.value],
)
/** The runs on which one person recorded a stage. */
const looked = ref<{ person: string; stage: string; words: string } | null>(null)
function look(group: Group, stage: string) {
  const person = told.value?.people[people.value.indexOf(group)]
  if (person) looked.value = { person: person.id, stage, words: `${person.name}, ${STAGE[stage] ?? stage}` }
}
/** As many as are looked over at once. */
const MANY = 24
const wholly = ref(false)
const shown = computed(() => (wholly.value ? groups.value : groups.value.slice(0, MANY)))
const failed = computed(() => told.value?.failed ?? 0)
const waits = (job: Board['stopped'][number]) => job.hold ?? `${many(job.questions, 'question')} not answered`
const explained = computed(() => {
  if (by.value === 'place') return 'A run is counted at both of its places.'
  if (by.value === 'person') return 'Runs on which each recorded it, whether that stands or was done again since.'
  return 'Press a bead for the runs that are left there.'
})
const print = () => window.print()
</script>

<template>
  <main class="progress">
    <header>
      <h1>Progress</h1>
      <span class="quiet">{{ all ? many(all.runs, 'run') : '' }}</span>
      <nav v-if="all && all.runs > 0" class="by" aria-label="Put together by"><span class="quiet">by</span><button
        v-for="way in WAYS"
        :key="way"
        type="button"
        :aria-pressed="by === way"
        @click="by = way">{{ way }}</button></nav>
      <v-btn v-if="all && all.runs > 0" variant="outlined" size="small" class="print" @click="print">Print</v-btn>
    </header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <BeingMade v-if="!told && !problem" of="how far it has come" />
    <FirstSteps
      v-if="told && told.groups.all.runs === 0"
      why="There is nothing to look back at yet: what is recorded on cables is drawn here." />
    <div v-else-if="told" class="body">
      <div>
        <section>
          <p class="big">{{ headline }}</p>
          <StageMatrix
            v-if="groups.length"
            :groups="shown"
            :by="by"
            :stages="told.stages"
            :whole="by === 'person' ? null : all"
            @look="look" />
          <p v-else class="quiet">Nobody has recorded anything yet.</p>
          <RunsBehind v-if="looked && by === 'person'" of="hands" v-bind="looked" @close="looked = null" />
          <p v-if="groups.length > MANY" class="told"><v-btn
            variant="text"
            size="small"
            @click="wholly = !wholly">{{ wholly ? `The first ${MANY}` : `All ${groups.length}` }}</v-btn></p>
          <p class="quiet small">{{ explained }}</p>
        </section>
        <RightAtOnce :tests="told.tests" :families="board?.families ?? []" />
        <HoursSpent :hours="told.hours" />
      </div>
      <div>
        <HoursLeft :hours="told.hours" :wanted="told.wanted" :today="told.today" :board="board" />
        <section>
          <h2>Waiting for somebody</h2>
          <p v-if="failed" class="told"><router-link :to="behind('failed')">{{ many(failed, 'run') }}
            failed</router-link><span class="quiet">to be mended</span></p>
          <p v-for="job in board?.stopped ?? []" :key="job.id" class="told"><router-link
            :to="`/bench/${job.id}`"
            class="mono">{{ job.codes[0] }}</router-link><span>{{ waits(job) }}</span></p>
          <p v-if="board && !failed && board.stopped.length === 0" class="quiet">Nothing is stopped, and nothing
            failed.</p>
        </section>
        <CableOff :cables="told.cables" />
      </div>
    </div>
  </main>
</template>

<style scoped>
.progress {
  height: 100%;
  overflow: auto;
}
header {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 14px;
  padding: 10px 16px;
  border-bottom: 1px solid var(--line);
  position: sticky;
  top: 0;
  background: var(--paper);
  z-index: 2;
}
.by {
  display: flex;
  align-items: center;
  gap: 2px;
}
.by button {
  border: 0;
  background: none;
  font: inherit;
  color: var(--ink);
  padding: 4px 9px;
  border-radius: 4px;
  cursor: pointer;
}
.by button[aria-pressed='true'] {
  background: var(--surface);
  font-weight: 650;
  box-shadow: inset 0 -2px 0 var(--copper);
}
.print {
  margin-left: auto;
}
.body {
  display: grid;
  grid-template-columns: minmax(0, 1.4fr) minmax(320px, 1fr);
  gap: 6px 40px;
  padding: 4px 20px 30px;
  max-width: 1500px;
  align-items: start;
}
.big {
  font-size: 24px;
  font-weight: 650;
  margin: 12px 0 10px;
}
.small {
  font-size: 12.5px;
}
@media print {
  header {
    position: static;
  }
  .by {
    display: none;
  }
}
@media (max-width: 1000px) {
  .body {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
