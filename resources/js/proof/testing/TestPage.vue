<script setup lang="ts">
import { useDebounceFn, useLocalStorage } from '@vueuse/core'
import { computed, onScopeDispose, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, ApiError } from '../../api/client'
import { useOutbox } from '../../api/outbox'
import { useSession } from '../../api/session'
import type { Sample, Judgement, Reading, Stage, TestSheet, Value } from '../../api/test'
import type { Row } from '../../api/types'
import BeingMade from '../../ui/BeingMade.vue'
import { useAttempt } from '../../ui/attempt'
import { sorted } from '../../plan/schedule/order'
import { useRows } from '../../plan/schedule/useRows'
import Strand from '../../ui/Strand.vue'
import CoveragePanel from './CoveragePanel.vue'
import InstrumentPanel from './InstrumentPanel.vue'
import MapPanel from './MapPanel.vue'
import MethodPanel from './MethodPanel.vue'
import PairPanel from './PairPanel.vue'
import { answered, partly, provisional } from './provisional'
import TrialsPanel from './TrialsPanel.vue'
import { useDraft } from './useDraft'
import VerdictPanel from './VerdictPanel.vue'
import { useLatest } from '../../ui/latest'
import { lately } from '../../ui/recent'

const props = defineProps<{ id: string }>()
const session = useSession()
const outbox = useOutbox()
const route = useRoute()
const router = useRouter()
const STAGES: { id: Stage; name: string }[] = [
  { id: 'before-closing', name: 'Before closing' },
  { id: 'bench', name: 'Bench' },
  { id: 'installed', name: 'In place' },
]
const nameOf = (each: string) => sheet.value?.cards[each]?.name ?? ''
const stage = computed<Stage>(() => STAGES.find(each => each.id === route.query.stage)?.id ?? 'bench')
const sheet = ref<TestSheet | null>(null)
const judgement = ref<Judgement | null>(null)
const instrument = useLocalStorage<string | null>('sartal.instrument', '')
const { draft, samples, reading, isEmpty, light, answer, take, follow } = useDraft(
  () => props.id,
  () => stage.value,
)
const { problem, busy, attempt } = useAttempt()
/** A sheet that is read again meanwhile is no reason to hold a finger back. */
const recording = ref(false)
/** What was recorded last on this page: id, verdict, and the causes that can go back to the bench. */
const recorded = ref<{ id: string; verdict: string; part: string; edges: { words: string; edges: string[] }[] } | null>(
  null,
)
const recordWords = computed(() =>
  verdict.value === 'fails'
    ? 'Record the failure'
    : verdict.value === 'incomplete' && part.value
      ? `Record the ${part.value}`
      : 'Record',
)
const sentBack = ref<string[]>([])
const after = computed(() => {
  const { part: read_ = '', verdict: came = '' } = recorded.value ?? {}
  if (came === 'fails') return sentBack.value.length ? '' : 'Mend the end, then test the whole cable again.'
  return read_ && came === 'incomplete' ? `Its ${read_ === 'mains' ? 'signal' : 'mains'} is still to be tested.` : ''
})
const method = ref('map')
const unplugged = ref(false)
watch(
  () => props.id,
  () => {
    unplugged.value = false
  },
)

const read = computed(() => sheet.value?.from.filter(probe => draft.value.lights[probe.node]).length ?? 0)
/** What the plan has at this stage; the rest can be added. */
const planned = computed(() => sheet.value?.plan ?? [])
const tabs = computed(() => {
  const own = [...new Set(planned.value.map(each => tabOf(each.method)))]
  const extra = [...extras.value, ...draft.value.samples.map(sample => sample.method)].filter(
    each => !own.includes(each),
  )
  return [...own, ...new Set(extra)]
})
const extras = ref<string[]>([])
const more = computed(() =>
  Object.keys(sheet.value?.cards ?? {}).filter(
    each =>
      nameOf(each) &&
      !tabs.value.includes(each) &&
      (each === 'map' || each === 'pairs'
        ? each === 'map' || (sheet.value?.pairs.length ?? 0) > 0
        : (sheet.value?.methods[each] ?? []).length > 0),
  ),
)
/** The plan's methods, and whatever was added or read. */
const covering = computed(() => [
  ...planned.value.map(each => each.method),
  ...tabs.value,
  ...(draft.value.splits ? ['pairs'] : []),
])
const done = (each: string) => sheet.value !== null && answered(each, sheet.value, reading.value, draft.value.samples)
const licensed = (each: string) => planned.value.find(test => test.method === each)?.licensed ?? false
const guess = computed(() => (sheet.value && !isEmpty.value ? provisional(sheet.value, reading.value) : null))
const verdict = computed(() => judgement.value?.verdict ?? guess.value)
/** Of a composite, what is whole while the other is not: it can be recorded by itself. */
const part = computed(() => (sheet.value && !isEmpty.value ? partly(sheet.value, reading.value) : null))
const complete = computed(() => verdict.value !== null && (verdict.value !== 'incomplete' || part.value !== null))
const mayMains = computed(() => session.session.person?.skills?.includes('mains') ?? false)
/** Something of it is for a licensed person: what is being read, or what is looked at. */
const unlicensed = computed(
  () => !mayMains.value && (licensed(method.value) || draft.value.samples.some(sample => licensed(sample.method))),
)
/** What somebody begins with: of a composite, what they may read. */
const begins = computed(() => tabs.value.find(each => mayMains.value || !licensed(each)) ?? tabs.value[0] ?? 'map')
const own = computed(() => sheet.value?.makers.includes(session.session.person?.id ?? '') ?? false)

const load = () =>
  attempt(async () => {
    sheet.value = await api.get(`runs/${props.id}/test?stage=${stage.value}`)
    lately({ kind: 'test', name: sheet.value.run.code, about: 'its test', path: `/test/${props.id}` })
    follow(sheet.value)
    if (!tabs.value.includes(method.value)) method.value = begins.value
    judge()
  })
watch(
  stage,
  () => {
    judgement.value = null
    recorded.value = null
    sheet.value = null
    method.value = ''
    void load()
  },
  { immediate: true },
)

const { latest, forget } = useLatest()
const ask = useDebounceFn(async () => {
  if (isEmpty.value) {
    judgement.value = null
    return
  }
  try {
    const asked = api.post(`runs/${props.id}/test`, { reading: reading.value, stage: stage.value })
    await latest(asked, answer_ => {
      judgement.value = answer_
    })
  } catch (error) {
    // Out of reach: what this device can tell stands in for it.
    judgement.value = null
    if (!(error instanceof ApiError)) throw error
    // Signed out, or somebody else is signed in by now: what is read is still this person's, and waits for them.
    const isOut = error.status === 401 || error.body.somebodyElse !== undefined
    if (error.status !== 0 && error.status < 500 && !isOut) problem.value = error.message
    else if (!isOut) outbox.offline = true
  }
}, 250)
/** What was known a moment ago no longer is. */
function judge() {
  forget()
  judgement.value = null
  void ask()
}

function onLight(node: string, lights: string[], declared: boolean) {
  light(node, lights, declared)
  judge()
}
function onAnswer(at: string, state: string, value: Value | null, declared: boolean) {
  answer(method.value as Sample['method'], at, state, value, declared)
  judge()
}
function onSplits(splits: string[] | null) {
  draft.value.splits = splits
  judge()
}
function onRead(taken: Reading) {
  take(taken, instrument.value ?? '')
  judge()
}
/** Shells are lines of the map. */
const tabOf = (each: string) => (each === 'shells' ? 'map' : each)
function add(each: string) {
  extras.value = [...extras.value, tabOf(each)]
  method.value = tabOf(each)
}
const sought = ref('')
function readNext(each: string, at: string) {
  if (!tabs.value.includes(tabOf(each))) extras.value = [...extras.value, tabOf(each)]
  method.value = tabOf(each)
  sought.value = at
}

const path = 'events'
const stop = outbox.listen(path, {
  sent: (item, answered_) => {
    if (item.id === recorded.value?.id) {
      recorded.value = {
        ...recorded.value,
        verdict: (answered_ as { verdict?: string }).verdict ?? recorded.value.verdict,
      }
      void load()
    }
  },
  refused: (item, error) => {
    if (item.id !== recorded.value?.id) return false
    problem.value = error.message
    recorded.value = null
    return false
  },
})
onScopeDispose(stop)

async function record() {
  if (!sheet.value) return
  const id = draft.value.id
  recorded.value = {
    id,
    verdict: verdict.value ?? '',
    part: verdict.value === 'incomplete' ? (part.value ?? '') : '',
    edges: (judgement.value?.troubles ?? [])
      .flatMap(trouble => trouble.causes.slice(0, 4))
      .map(cause => ({
        words: cause.map(fault => fault.words).join(', and '),
        edges: cause.flatMap(fault => fault.edges).filter(edge => edge.startsWith('j:')),
      }))
      .filter(cause => cause.edges.length),
  }
  sentBack.value = []
  const body = {
    id,
    kind: 'tested',
    run: props.id,
    at: new Date().toISOString(),
    // What was under the probes when the reading began, whatever the server has heard of since.
    on: draft.value.on,
    stage: stage.value,
    instrument: [...new Set([...draft.value.used, instrument.value ?? ''])].filter(Boolean).join(', '),
    note: draft.value.note,
    fingerprint: sheet.value.fingerprint,
    reading: { ...reading.value },
  }
  begin(sheet.value)
  recording.value = true
  await outbox.add(path, body, `Test of ${sheet.value.run.code}, ${recorded.value.verdict}`)
  recording.value = false
  void look()
}
/** What a tester takes next: the first that is ready after this one. */
const following = ref<Row | null>(null)
const schedule = useRows()
const stageOf = (row: Row, id: string) => row.strand.find(each => each.stage === id)?.state
async function look() {
  // Without a network, what is known of them will do.
  await schedule.load().catch(() => undefined)
  const ready = sorted(
    schedule.rows.filter(
      row =>
        !row.withdrawn &&
        stageOf(row, 'test') === 'to-do' &&
        stageOf(row, 'end-a') !== 'to-do' &&
        stageOf(row, 'end-b') !== 'to-do' &&
        row.id !== props.id &&
        !outbox.items.some(item => item.body.run === row.id),
    ),
    [{ key: 'code', down: false }],
  )
  following.value =
    ready.find(row => row.code.localeCompare(sheet.value?.run.code ?? '', undefined, { numeric: true }) > 0) ??
    ready[0] ??
    null
}
/** All is to be read anew: what was asked about the reading before says nothing of this one. */
function begin(of: TestSheet) {
  follow(of, true)
  forget()
  judgement.value = null
}
function again() {
  if (sheet.value) begin(sheet.value)
}
const settle = (id: string) =>
  attempt(async () => {
    await api.post('events', {
      id: crypto.randomUUID(),
      kind: 'settled',
      run: props.id,
      of: id,
      stage: stage.value,
      at: new Date().toISOString(),
    })
    await load()
  })
const mend = (edges: string[], words: string) =>
  attempt(async () => {
    const back = await api.post(`runs/${props.id}/mend`, {
      test: recorded.value!.id,
      edges,
      note: words,
    })
    sentBack.value = back.again
    await load()
  })
const waits = computed(() => outbox.items.some(item => item.id === recorded.value?.id))
const switchLights = computed(() =>
  Object.fromEntries(
    draft.value.samples
      .filter(sample => sample.method === 'switches' && sample.state === state.value)
      .map(sample => [sample.at, sample.value as string[]]),
  ),
)
const state = ref('')
watch(sheet, now => {
  if (now && !now.states.some(each => each.id === state.value)) state.value = now.states[0]?.id ?? ''
})
const switchExpected = computed(() =>
  Object.fromEntries(
    (sheet.value?.methods.switches ?? [])
      .filter(each => each.state === state.value)
      .map(each => [each.at, each.expected as string[]]),
  ),
)
const stateDone = (id: string) =>
  draft.value.samples.filter(sample => sample.method === 'switches' && sample.state === id).length
function onSwitch(node: string, lights: string[], declared: boolean) {
  answer('switches', node, state.value, [...lights].sort(), declared)
  judge()
}
</script>

<template>
  <main class="test">
    <header>
      <router-link to="/test">Test</router-link>
      <h1 v-if="sheet">
        <span class="mono">{{ sheet.run.code }}</span> <span class="way">{{ sheet.run.from }} →
          {{ sheet.run.to }}</span>
      </h1>
      <span class="stages" role="group" aria-label="Stage"><button
        v-for="each in STAGES"
        :key="each.id"
        type="button"
        :aria-pressed="each.id === stage"
        @click="router.replace({ query: { stage: each.id } })">{{ each.name }}</button></span>
      <span class="space" />
      <b v-if="verdict !== null && verdict !== 'incomplete'" class="chip" :class="verdict">{{ verdict }}</b>
      <Strand v-if="sheet" :beads="sheet.run.strand" />
    </header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <BeingMade v-if="!sheet && !problem" of="the test" />
    <div v-if="sheet" class="body">
      <section class="work">
        <p v-for="caution in sheet.cautions" :key="caution" class="note stop"><strong>{{ caution }}</strong></p>
        <nav class="methods" aria-label="What is tested">
          <button
            v-for="each in tabs"
            :key="each"
            type="button"
            :class="{ licensed: licensed(each) }"
            :aria-pressed="each === method"
            @click="method = each">
            <span
              class="dot"
              :class="{ done: done(each) }"
              aria-hidden="true" />{{ nameOf(each) }}<small v-if="licensed(each)">mains, licensed</small>
          </button>
          <v-menu v-if="more.length"><template #activator="{ props: menu }"><button
                                       v-bind="menu"
                                       type="button"
                                       class="add">Add a method</button></template>
            <v-list density="compact"><v-list-item
              v-for="each in more"
              :key="each"
              :title="nameOf(each)"
              @click="add(each)" /></v-list></v-menu>
        </nav>
        <MapPanel
          v-if="method === 'map'"
          :sheet="sheet"
          :lights="draft.lights"
          :declared="draft.declared"
          @light="onLight" />
        <template v-else-if="method === 'switches'">
          <p class="states" role="group" aria-label="Operate"><button
            v-for="each in sheet.states"
            :key="each.id"
            type="button"
            :aria-pressed="each.id === state"
            @click="state = each.id">{{ each.name }}<small>{{ stateDone(each.id) }} of {{ (sheet.methods.switches
              ?? []).filter(question => question.state === each.id).length }}</small>
          </button></p>
          <MapPanel
            :key="state"
            :sheet="sheet"
            :lights="switchLights"
            :declared="[]"
            :expected-in="switchExpected"
            @light="onSwitch" />
        </template>
        <MethodPanel
          v-else-if="method !== 'pairs' && method !== ''"
          :sheet="sheet"
          :method="method"
          :planned="planned.find(each => each.method === method)"
          :samples="samples"
          :sought="sought"
          v-model:unplugged="unplugged"
          @answer="onAnswer" />
        <PairPanel
          v-if="sheet.pairs.length && (method === 'pairs' || method === 'map')"
          :sheet="sheet"
          :splits="draft.splits"
          @splits="onSplits" />
      </section>
      <aside>
        <div
          v-if="recorded"
          class="note"
          :class="recorded.verdict === 'fails' ? 'failed' : 'good'"
          role="status">
          <strong>{{ waits ? 'Waits here' : 'Recorded' }}: {{ recorded.part || recorded.verdict }}</strong>{{ after }}
          <template v-if="recorded.verdict === 'fails' && !waits && !sentBack.length && session.tests">
            <p v-for="cause in recorded.edges" :key="cause.words"><v-btn
              size="small"
              variant="outlined"
              color="primary"
              :loading="busy"
              @click="mend(cause.edges, cause.words)">Send to the bench</v-btn> {{ cause.words }}</p>
          </template>
          <p v-if="following"><router-link :to="`/test/${following.id}`">Next: {{ following.code }}</router-link></p>
          <template v-if="sentBack.length">
            <p>Back at the bench: {{ sentBack.join('; ') }}. Then the whole test again.</p></template>
        </div>
        <template v-if="session.tests">
          <p
            v-if="unlicensed"
            class="note stop">
            <strong>You are not licensed for mains.</strong>You can look; a licensed person reads and records it. The
            lead keeps who is.</p>
          <p v-if="own" class="note check">You made an end of it: another pair of eyes would see more.</p>
          <InstrumentPanel
            :id="id"
            :model-value="instrument ?? ''"
            :sheet="sheet"
            :method="method"
            v-model:unplugged="unplugged"
            @update:model-value="instrument = $event"
            @read="onRead" />
          <v-text-field v-model="draft.note" label="Note" />
          <p class="acts"><v-btn
                            color="primary"
                            :disabled="!complete || unlicensed"
                            :loading="recording"
                            @click="record">{{ recordWords }}</v-btn>
            <v-btn
              variant="outlined"
              color="primary"
              :disabled="isEmpty"
              @click="again">Start over</v-btn></p>
        </template>
        <p v-else class="quiet">A tester or the lead records; you can look.</p>
        <!-- Below what is pressed: what the server adds to it must not move a button from under a finger. -->
        <VerdictPanel
          :judgement="judgement"
          :provisional="guess"
          :read="read"
          :all="sheet.from.length"
          :map="tabs.includes('map')"
          :begun="!isEmpty"
          :sheet="sheet"
          @next="readNext" />
        <TrialsPanel :sheet="sheet" :settles="session.tests" @settle="settle" />
        <CoveragePanel :id="id" :methods="covering" @add="add" />
      </aside>
    </div>
  </main>
</template>

<style scoped>
.test {
  height: 100%;
  max-height: 100dvh;
  display: flex;
  flex-direction: column;
  min-height: 0;
}
header {
  display: flex;
  align-items: center;
  gap: 14px;
  padding: 11px 18px;
  border-bottom: 1px solid var(--line);
}
.space {
  flex: 1;
}
.stages {
  display: flex;
  gap: 2px;
}
.stages button,
.methods button,
.states button {
  font: inherit;
  font-size: 13px;
  border: 0;
  background: none;
  color: var(--ink);
  padding: 4px 9px;
  border-radius: 4px;
  cursor: pointer;
}
.stages button[aria-pressed='true'] {
  background: var(--surface);
  box-shadow: inset 0 -2px var(--copper);
  font-weight: 600;
}
.methods {
  display: flex;
  gap: 2px;
  flex-wrap: wrap;
  border-bottom: 1px solid var(--line);
  padding-bottom: 6px;
  margin-bottom: 10px;
}
.methods button {
  display: inline-flex;
  gap: 7px;
  align-items: center;
}
.methods button[aria-pressed='true'] {
  background: var(--surface);
  box-shadow: inset 0 -2px var(--copper);
  font-weight: 600;
}
.methods .add {
  color: var(--verdigris);
}
.methods small,
.states small {
  color: var(--amber);
  font-size: 11px;
  margin-left: 5px;
}
.dot {
  width: 9px;
  height: 9px;
  border-radius: 50%;
  border: 2px solid var(--quiet);
}
.dot.done {
  background: var(--verdigris);
  border-color: var(--verdigris);
}
.states {
  margin: 0 0 8px;
  display: flex;
  flex-wrap: wrap;
  gap: 3px;
}
.states button {
  border: 1px solid var(--line);
}
.states button[aria-pressed='true'] {
  border-color: var(--copper);
  background: var(--chosen);
}
.chip {
  display: none;
  padding: 1px 9px;
  border-radius: 4px;
  color: var(--on-action);
  background: var(--verdigris);
}
.chip.fails {
  background: var(--flux);
}
.body {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
  flex: 1;
  min-height: 0;
}
.work {
  padding: 12px 18px;
  display: flex;
  flex-direction: column;
  min-height: 0;
  overflow: auto;
}
aside {
  border-left: 1px solid var(--line);
  background: var(--surface);
  padding: 14px 16px;
  overflow: auto;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
aside p {
  margin: 0;
}
aside > *,
.work > * {
  flex: none;
}
@media (max-width: 1000px) {
  .way {
    display: none;
  }
}
@media (max-width: 800px) {
  .test {
    overflow: auto;
    display: block;
  }
  .body {
    display: block;
  }
  .work {
    overflow: visible;
    padding: 8px 12px;
  }
  .chip {
    display: block;
  }
  header {
    position: sticky;
    top: 0;
    background: var(--paper);
    z-index: 2;
    padding: 6px 10px;
    gap: 8px;
    min-height: 48px;
  }
  header :deep(.strand) {
    display: none;
  }
  .stages button,
  .methods button,
  .states button {
    min-height: 40px;
  }
  .stages button {
    padding: 4px 5px;
    font-size: 12.5px;
  }
  .states {
    flex-wrap: nowrap;
    overflow-x: auto;
  }
  .states button {
    flex: none;
  }
  aside {
    border-left: 0;
    border-top: 1px solid var(--line);
  }
  .acts :deep(.v-btn) {
    min-height: 44px;
  }
}
</style>
