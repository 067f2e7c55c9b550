<script setup lang="ts">
import { useIntervalFn, useLocalStorage, useMediaQuery, useWindowSize } from '@vueuse/core'
import { computed, onMounted, onUnmounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { BenchConflict, Piece } from '../../api/bench'
import { api } from '../../api/client'
import { useSession } from '../../api/session'
import BeingMade from '../../ui/BeingMade.vue'
import ConnectorView from '../../ui/ConnectorView.vue'
import { hex } from '../../ui/colours'
import { inFigures, short, system } from '../../ui/units'
import { small } from '../../ui/words'
import AskDialog from './AskDialog.vue'
import ConflictNotes from './ConflictNotes.vue'
import GatePanel from './GatePanel.vue'
import InspectPanel from './InspectPanel.vue'
import PickedUp from './PickedUp.vue'
import PieceWords from './PieceWords.vue'
import SlideStack from './SlideStack.vue'
import { aloud, say, spoken } from './speech'
import StepList from './StepList.vue'
import TalkPanel from './TalkPanel.vue'
import { useJob } from './useJob'

const props = defineProps<{ ids: string }>()
const session = useSession()
const router = useRouter()
const bench = useJob(() => props.ids)
const { job, state, problem, at, unsent, byId, people } = bench
onMounted(bench.load)
/** What a change has overtaken in work that was recorded as a whole; where there is a network. */
const mends = ref<string[]>([])
watch(
  () => job.value?.runs.map(run => run.id).join('|') ?? '',
  async ids => {
    const found = await Promise.all(
      ids
        .split('|')
        .filter(Boolean)
        .map(id => api.get(`overtaken/${encodeURIComponent(id)}`).catch(() => ({ run: null }))),
    )
    mends.value = found.flatMap(({ run }) => (run ? run.overtaken.map(each => `${run.code}: ${each.words}.`) : []))
  },
)

// How this technician's vice holds things stays with the device, and is the sheet's too.
const view = useLocalStorage<'wiring' | 'face'>('sartal.vice.view', 'wiring')
const turn = useLocalStorage<number>('sartal.vice.turn', 0)
const rotate = () => {
  turn.value = (turn.value + 90) % 360
}
const why = ref(false)
const narrow = useMediaQuery('(max-width: 900px)')
const { height } = useWindowSize()
const tall = computed(() => Math.max(300, Math.min(560, height.value - (narrow.value ? 514 : 280))))
const list = ref(false)
const asking = ref<'' | 'pause' | 'skip' | 'flag' | 'hold' | 'ask'>('')
const paused = ref('')
const lasting = (seconds: number) =>
  seconds < 60 ? `about ${Math.max(1, Math.round(seconds))} s` : `about ${Math.round(seconds / 6) / 10} min`

const place = computed(() => byId.value.get(at.value))
const piece = computed(() => place.value?.piece)
const step = computed(() => place.value?.step)
const fitting = computed(() => job.value?.fittings[piece.value?.fitting ?? ''])
const done = computed(() => bench.places.value.filter(each => bench.settled(each.piece.id)).length)
const inStep = computed(() => step.value?.pieces.filter(each => bench.settled(each.id)).length ?? 0)
const minutesLeft = computed(() =>
  bench.places.value
    .filter(each => !bench.settled(each.piece.id) && each.step.task !== 'test')
    .reduce((sum, each) => sum + each.piece.seconds / 60, 0),
)
/** What comes after is cut to it: it is written down before it is done. */
const unmeasured = computed(() => step.value?.task === 'measure' && !place.value?.piece.at)
const mayWork = computed(() => session.can('bench', 'installer', 'lead'))
const hold = computed(() => state.value?.holds[0])
const title = computed(() => job.value?.runs.map(run => run.code).join(', ') ?? '')
const onlyTest = computed(() => step.value?.task === 'test')
const skipped = computed(() => bench.places.value.filter(each => bench.standing(each.piece.id).status === 'skipped'))
const overtaken = computed(() =>
  bench.places.value.filter(each => bench.standing(each.piece.id).status === 'overtaken'),
)
const drawn = ({ run, side, leg, step: after }: NonNullable<Piece['picture']>) =>
  `runs/${run}/sheet/${side}/strip.svg?leg=${encodeURIComponent(leg)}&step=${encodeURIComponent(after)}`
/** As it is said in the middle of a sentence; codes stay as they are. */
const gate = ref<InstanceType<typeof GatePanel> | null>(null)
/** What tells it from others of its step. */
function whichOne({ cores, address, place: where }: Piece) {
  const core = cores?.[0]
  if (!core || !address) return where
  return `${core.channel ? `channel ${core.channel} ` : ''}${core.function} · ${core.colour}`
}
const upcoming = computed(() =>
  bench.places.value
    .slice(bench.places.value.findIndex(each => each.piece.id === at.value) + 1)
    .filter(each => !bench.settled(each.piece.id))
    .slice(0, 3),
)

/** Seconds that something still has to cool before this piece. */
const clock = ref(Date.now())
useIntervalFn(() => {
  clock.value = Date.now()
}, 1000)
const cooled = ref('')
const cooling = computed(() =>
  Math.max(
    0,
    ...(piece.value?.needs ?? []).map(([before]) => {
      const wait = byId.value.get(before)?.piece.wait ?? 0
      const since = bench.standing(before).at
      return wait && since ? Math.ceil(wait - (clock.value - Date.parse(since)) / 1000) : 0
    }),
  ),
)
const missing = computed(() => (piece.value && !bench.settled(piece.value.id) ? bench.waitsFor(piece.value) : []))
const waits = computed(() => piece.value && cooling.value > 0 && cooled.value !== piece.value.id)

/** Contacts by what is done on them: filled in their block's colour. */
const fill = computed(() => {
  const colours: Record<string, string> = {}
  const block = (channel: string) => fitting.value?.blocks.find(each => each.channels.includes(channel))?.colour
  for (const each of bench.places.value) {
    if (each.step.task !== 'join' || each.piece.fitting !== piece.value?.fitting || !bench.settled(each.piece.id))
      continue
    for (const address of each.piece.address ? [each.piece.address] : [])
      colours[address] = hex(block(each.piece.cores?.[0]?.channel ?? '') ?? 'green')
  }
  return colours
})
/** Block of the channel in hand, by number and colour. */
const block = computed(() =>
  fitting.value?.blocks.find(each => each.channels.includes(piece.value?.cores?.[0]?.channel ?? '')),
)
const joining = computed(() => step.value?.task === 'join' || step.value?.task === 'crimp')
const lit = computed(() => (piece.value?.address ? [piece.value.address] : []))
const others = computed(() => people.value.filter(person => byId.value.has(person.step)))
const bad = computed(() =>
  bench.places.value
    .filter(
      each =>
        each.piece.fitting === piece.value?.fitting &&
        each.piece.address &&
        ['damaged', 'extracted'].includes(bench.standing(each.piece.id).flag ?? '') &&
        !bench.settled(each.piece.id),
    )
    .map(each => each.piece.address!),
)
const theirs = (address: string) =>
  others.value.find(person => byId.value.get(person.step)?.piece.address === address)?.name ?? ''
const titles = (address: string) => {
  const at = bench.places.value.find(
    each => each.step.task === 'join' && each.piece.fitting === piece.value?.fitting && each.piece.address === address,
  )
  const core = at?.piece.cores?.[0]
  return [
    core ? `${core.channel ? `channel ${core.channel} ` : ''}${core.function}, ${core.colour}` : '',
    theirs(address),
  ]
    .filter(Boolean)
    .join(' · ')
}
/** Another contact may be touched to load it first. */
function press(address: string) {
  const chosen = bench.places.value.find(
    each =>
      each.step.task === step.value?.task &&
      each.piece.fitting === piece.value?.fitting &&
      each.piece.address === address,
  )
  if (chosen) at.value = chosen.piece.id
}

/** Whoever looks at the piece says how it is, knowing what both of them recorded. */
function settle(conflict: BenchConflict, isDone: boolean) {
  bench.record({ kind: isDone ? conflict.kind : 'taken-back', run: conflict.run, step: conflict.step })
  if (state.value) state.value.conflicts = state.value.conflicts.filter(each => each.step !== conflict.step)
}
function confirm() {
  const here = place.value
  if (
    !here ||
    unmeasured.value ||
    !mayWork.value ||
    hold.value ||
    onlyTest.value ||
    here.step.task === 'inspect' ||
    bench.settled(here.piece.id)
  )
    return
  if (waits.value) {
    cooled.value = here.piece.id
    return
  }
  if (bench.waitsFor(here.piece).length) return
  if (here.step.task === 'gate') gate.value?.press()
  else bench.confirm(here)
}
/** Like pieces at once, where each by itself says nothing more. */
const together = computed(() =>
  step.value &&
  step.value.pieces.length > 1 &&
  ['strip', 'dress', 'tin', 'fit', 'tug', 'close', 'shrink', 'label', 'mark'].includes(step.value.task)
    ? step.value.pieces.filter(each => !bench.settled(each.id) && bench.waitsFor(each).length === 0)
    : [],
)
function confirmAll() {
  if (!hold.value) bench.confirmAll(together.value.flatMap(each => byId.value.get(each.id) ?? []))
}
function back() {
  const before = bench.places.value
    .slice(
      0,
      bench.places.value.findIndex(each => each.piece.id === at.value) === -1
        ? undefined
        : bench.places.value.findIndex(each => each.piece.id === at.value),
    )
    .reverse()
  const last = before.find(each => bench.settled(each.piece.id) && each.step.task !== 'test')
  if (!last || !mayWork.value) return
  bench.record({ kind: 'taken-back', run: last.piece.run, step: last.piece.id })
  at.value = last.piece.id
}
function told(words: string, flag?: string, asks: string[] = []) {
  const here = place.value
  const what = asking.value
  asking.value = ''
  if (!here) return
  const base = { run: here.piece.run, step: here.piece.id, note: words }
  if (what === 'pause') {
    paused.value = words
    bench.record({ ...base, kind: 'paused' })
  }
  if (what === 'skip') {
    bench.record({ ...base, kind: 'skipped' })
    at.value = bench.next(here.piece.id)
  }
  if (what === 'flag') bench.record({ ...base, kind: 'flagged', flag })
  if (what === 'hold') bench.record({ ...base, kind: 'held' })
  if (what === 'ask') bench.record({ ...base, kind: 'asked', ...(asks.length ? { asks } : {}) })
  if (what === 'hold' || what === 'ask') window.setTimeout(() => void bench.refresh(), 600)
}
function resume() {
  if (place.value) bench.record({ kind: 'resumed', run: place.value.piece.run, step: place.value.piece.id })
  paused.value = ''
  bench.restart()
}

/** What space and Enter do: the next thing, whatever it is. A verdict on an end is never among it. */
function onward() {
  if (paused.value) resume()
  else if (job.value && !place.value) void router.push('/bench')
  else confirm()
}
function onKey(event: KeyboardEvent) {
  const target = event.target as HTMLElement
  if (
    ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName) ||
    event.ctrlKey ||
    event.metaKey ||
    event.altKey ||
    asking.value ||
    document.querySelector('.v-overlay--active:not(.v-snackbar)')
  )
    return
  const keys: Record<string, () => void> = {
    ' ': () => (event.shiftKey ? confirmAll() : onward()),
    Enter: onward,
    Backspace: back,
    p: () => {
      if (paused.value) resume()
      else asking.value = 'pause'
    },
    x: () => {
      asking.value = 'flag'
    },
    k: () => {
      asking.value = 'skip'
    },
    v: () => {
      aloud.value = !aloud.value
    },
    w: () => {
      why.value = !why.value
    },
    l: () => {
      list.value = !list.value
    },
    r: rotate,
    m: () => {
      view.value = view.value === 'face' ? 'wiring' : 'face'
    },
    q: () => {
      asking.value = 'ask'
    },
  }
  const act = keys[event.key]
  if (!act) return
  // A contact in focus is pressed by the space bar; everywhere else that confirms, once for each time it is struck.
  const isNext = event.key === ' ' || event.key === 'Enter'
  if (isNext && (event.repeat || target.closest('[role=button], button, a, summary'))) return
  event.preventDefault()
  act()
}
onMounted(() => window.addEventListener('keydown', onKey))
onUnmounted(() => window.removeEventListener('keydown', onKey))
watch([at, aloud], () => {
  if (place.value) say(spoken(place.value))
})
</script>

<template>
  <main class="bench">
    <header>
      <router-link to="/bench">Bench</router-link>
      <h1 class="mono">{{ title }}</h1>
      <span
        v-for="person in others"
        :key="person.person"
        class="other"
        :title="`${person.name} is at ${byId.get(person.step)?.piece.place}`">
        <span class="initial">{{ person.name.slice(0,
                                                   1) }}</span>{{ person.name.split(' ')[0] }}
        <span class="mono">{{ byId.get(person.step)?.piece.address
          || byId.get(person.step)?.step.number }}</span>
      </span>
      <span class="space" />
      <button type="button" class="plain" @click="list = true">Steps <kbd>l</kbd></button>
      <a class="plain" :href="$file(`bench/${ids}/traveller.pdf?units=${system}`)" target="_blank">Print</a>
      <v-btn v-if="place && mayWork && !paused" size="small" variant="outlined" @click="asking = 'pause'">Pause</v-btn>
    </header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }} <button
      type="button"
      class="plain"
      @click="bench.load()">Load again</button></p>
    <p
      v-if="hold"
      class="note stop"
      role="alert">
      <strong>On hold: {{ hold.note }}</strong>{{ hold.by }} stopped this job. Nothing is confirmed until that is
      lifted.
      <button
        v-if="hold.own === session.session.person?.id || session.can('lead')"
        type="button"
        class="plain"
        @click="bench.record({ kind: 'lifted', run: job!.runs[0]!.id, of: hold.id }); state!.holds.shift()">Lift the
        hold</button>
    </p>
    <ConflictNotes v-if="state" :conflicts="state.conflicts ?? []" :may="mayWork" @settle="settle" />
    <p
      v-if="mends.length"
      class="note check">
      <strong>Overtaken by a change</strong>{{ mends.slice(0, 2).map(inFigures).join(' ') }}<template
        v-if="mends.length > 2"> And {{ mends.length - 2 }} more.</template> <router-link
        to="/handover/overtaken">Choose a remedy</router-link>
    </p>
    <BeingMade v-if="!job && !problem" of="the job" />
    <div
      v-if="job && paused"
      class="rest"><h2>Paused: {{ paused }}</h2>
      <p>The clock stands still. The place is kept: {{ piece?.place }}, {{ piece?.words }}.</p><v-btn
        size="x-large"
        color="primary"
        @click="resume">Go on <kbd>Space</kbd></v-btn></div>
    <div v-else-if="job && !place" class="rest">
      <h2>{{ mends.length ? 'Nothing to do here until a remedy is chosen.' : 'Nothing is left to do here.' }}</h2>
      <p v-if="skipped.length">{{ skipped.length }} left out: <span
        v-for="each in skipped"
        :key="each.piece.id"
        class="left">{{ each.piece.place }}, {{ each.piece.words }} ({{ bench.standing(each.piece.id).note }})</span>
      </p>
      <p><router-link :to="`/test/${job.assemblies[0]}`">Test it</router-link> · <router-link to="/bench">Take the next
        job</router-link>
      </p>
    </div>
    <div v-else-if="job && place && piece && step" class="work" :class="{ pictured: joining }">
      <section class="say" aria-live="polite">
        <PickedUp class="picked" :bench="bench" />
        <p class="kicker"><span>Step {{ step.number }} of {{ job.steps.length }}</span>
          <span v-if="step.side">end {{ step.side }}</span><span
            v-if="step.pieces.length > 1"
            class="mono">{{ inStep + (bench.settled(piece.id) ? 0 : 1) }} of {{ step.pieces.length }}</span><span
              v-if="piece.timed"
              class="mono"
              :title="`By the crew’s own times: ${piece.timed} so far`">{{ lasting(piece.seconds) }}</span></p>
        <PieceWords :place="place" :block="block" />
        <p v-if="piece.seen" class="note check seen"><strong>Take care here.</strong>{{ piece.seen.found }} of
          {{ piece.seen.of }} ends that were made so had it: {{ piece.seen.what }}.</p>
        <p
          v-if="overtaken.some(each => each.piece.id === piece!.id)"
          class="note check">
          <strong>Done before, by another description.</strong>The plan has changed since: do it as it says now.</p>
        <p
          v-if="missing.length"
          class="note check"
          role="status">
          <strong>First: {{ byId.get(missing[0]![0])?.piece.place }},
            {{ small(byId.get(missing[0]![0])?.piece.words ?? '') }}.</strong>{{ inFigures(missing[0]![1]) }} <button
            type="button"
            class="plain"
            @click="bench.go(missing[0]![0])">Go there</button></p>
        <p
          v-if="waits"
          class="note check cool"
          role="status">Let it cool: {{ Math.floor(cooling / 60) }}:{{ String(cooling % 60).padStart(2, '0') }}</p>
        <p
          v-if="step.unforgiving"
          class="note check must"><strong>On it now, or the end is lost.</strong>{{ inFigures(piece.why ?? '') }}</p>
        <p v-for="caution in piece.cautions ?? []" :key="caution" class="note stop">{{ caution }}</p>
        <div v-if="why && piece.why" class="note"><strong>Why</strong>{{ inFigures(piece.why) }}<ul><li
          v-for="[before, reason] in piece.needs ?? []"
          :key="before">after {{ small(byId.get(before)?.piece.words ?? '') }}: {{ inFigures(reason) }}</li></ul></div>
        <img
          v-if="piece.picture && step.task !== 'slide-on' && !joining"
          :key="piece.picture.step"
          class="strip"
          :src="$file(drawn(piece.picture))"
          :alt="`The end after this, to scale: ${piece.words}`">
        <p v-if="unmeasured" class="note check"><strong>Nobody has measured it
          yet.</strong>Hold it to the equipment, then <router-link :to="`/runs/${piece.run}/sheet/${step.side}`">write
          down on the sheet how far it reaches</router-link>: what comes after is cut to that.</p>
        <GatePanel
          v-if="step.task === 'gate'"
          ref="gate"
          :key="piece.id"
          :place="place"
          :bench="bench"
          :may="mayWork && !hold && missing.length === 0"
          @done="bench.confirm(place)" />
        <SlideStack
          v-if="step.task === 'slide-on'"
          :place="place"
          :drawing="fitting?.drawing ?? null"
          :places="bench.places.value"
          :settled="bench.settled" />
        <InspectPanel
          v-if="step.task === 'inspect' && mayWork && !hold"
          :key="piece.id"
          :ids="ids"
          :place="place"
          :bench="bench" />
        <p
          v-if="onlyTest"
          class="note good"><strong>The bench is done with it.</strong>
          <router-link :to="`/test/${piece.run}`">Test it and record what lights</router-link></p>
        <template v-if="upcoming.length && step.task !== 'inspect'">
          <h2>Next</h2>
          <ol class="next"><li
            v-for="each in upcoming"
            :key="each.piece.id"><span
              v-if="each.piece.address"
              class="mono">{{ each.piece.address }}</span> {{ each.step === step ? whichOne(each.piece)
                : each.piece.words }}<template v-if="(each.piece.mark ?? each.piece.at)
              && each.step !== step"> · {{ each.piece.mark ?? short(each.piece.at!) }}</template>
          </li></ol>
        </template>
        <TalkPanel :ids="ids" :place="place" :bench="bench" @ask="asking = 'ask'" @hold="asking = 'hold'" />
      </section>
      <aside v-if="fitting?.drawing && (joining || step.task === 'inspect' || step.task === 'tug')" class="face">
        <ConnectorView
          :drawing="fitting.drawing"
          :view="view"
          :turn="turn"
          :fill="fill"
          :lit="joining ? lit : []"
          :halo="joining ? piece.address : ''"
          :bad="bad"
          :pressable="joining"
          :height="tall"
          :titles="titles"
          @press="press" />
        <p class="turn"><button type="button" class="chip" @click="rotate">turn <kbd>r</kbd></button><button
          type="button"
          class="chip"
          @click="view = view === 'face' ? 'wiring' : 'face'">{{ view === 'face' ? 'see the wiring side'
                                                                : 'see the mating face' }}
          <kbd>m</kbd>
        </button></p>
        <ul v-if="fitting.blocks.length" class="blocks"><li v-for="each in fitting.blocks" :key="each.number"><span
          class="dot"
          :style="{ background: hex(each.colour) }" />{{ each.colour }} <span class="quiet">ch
            {{ each.channels[0] }}–{{ each.channels.at(-1) }}, {{ short(each.offset) }} longer</span>
        </li></ul>
      </aside>
    </div>
    <footer v-if="place && !paused">
      <button
        v-if="!onlyTest && step?.task !== 'inspect' && step?.task !== 'gate'"
        type="button"
        class="do"
        :disabled="!mayWork || !!hold || unmeasured"
        @click="confirm">
        <kbd>Space</kbd> {{ waits ? 'it has cooled' : step?.task === 'join' ? 'it is in' : 'done' }}</button>
      <button
        v-if="together.length > 1"
        type="button"
        @click="confirmAll"><kbd>⇧ Space</kbd> all {{ together.length }}</button>
      <button type="button" @click="back"><kbd>⌫</kbd> back</button>
      <button v-if="joining" type="button" @click="asking = 'flag'"><kbd>x</kbd> flag</button>
      <button type="button" @click="asking = 'skip'"><kbd>k</kbd> leave out</button>
      <button
        type="button"
        class="desk"
        :aria-pressed="aloud"
        @click="aloud = !aloud"><kbd>v</kbd> {{ aloud ? 'be quiet' : 'read aloud' }}</button>
      <button type="button" class="desk" @click="why = !why"><kbd>w</kbd> why</button>
      <span class="space" />
      <span class="left">{{ done }} of {{ bench.places.value.length }} · about {{ Math.ceil(minutesLeft) }} min
        left<template v-if="unsent.length"> · saving {{ unsent.length }}</template>
      </span>
    </footer>
    <StepList v-model="list" :bench="bench" />
    <AskDialog v-if="asking" :what="asking" :unforgiving="!!step?.unforgiving" @told="told" @close="asking = ''" />
  </main>
</template>

<style scoped>
.bench {
  height: 100%;
  min-height: 0;
  overflow: hidden;
  display: flex;
  flex-direction: column;
  min-width: 0;
}
header,
footer {
  display: flex;
  align-items: center;
  gap: 14px;
  padding: 8px 20px;
  border-bottom: 1px solid var(--line);
  flex-wrap: wrap;
}
footer {
  border-bottom: 0;
  border-top: 1px solid var(--line);
  background: var(--surface);
  gap: 8px 18px;
}
.space {
  flex: 1;
}
.note {
  margin: 8px 20px 0;
}
.say .note {
  margin: 10px 0 0;
}
footer button:focus-visible,
.chip:focus-visible {
  outline: 2px solid var(--copper);
  outline-offset: 2px;
}
.other {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  font-size: 13px;
}
.initial {
  width: 20px;
  height: 20px;
  border-radius: 50%;
  background: var(--slate);
  color: var(--on-action);
  display: grid;
  place-items: center;
  font-size: 12px;
  font-weight: 600;
}
.work {
  flex: 1;
  min-height: 0;
  overflow: auto;
  padding: 14px 26px 20px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 24px;
  align-content: start;
}
.work:has(.face) {
  grid-template-columns: minmax(0, 1fr) minmax(300px, 40%);
}
.kicker {
  margin: 0;
  font-size: 17px;
  color: var(--slate);
  display: flex;
  flex-wrap: wrap;
  gap: 0 14px;
  white-space: nowrap;
}
.cool {
  font-size: 26px;
  font-weight: 650;
}
.must {
  font-size: 15px;
}
.strip {
  width: min(100%, 620px);
  margin-top: 14px;
  background: #fff;
  border: 1px solid var(--line);
  border-radius: 4px;
}
.next {
  list-style: none;
  padding: 0;
  margin: 0;
  font-size: 18px;
  line-height: 1.6;
}
.next .mono {
  display: inline-block;
  min-width: 2.6em;
}
.turn {
  display: flex;
  gap: 8px;
  justify-content: center;
  margin: 8px 0;
}
.chip {
  all: unset;
  border: 1px solid var(--verdigris);
  color: var(--verdigris);
  border-radius: 4px;
  padding: 4px 10px;
  cursor: pointer;
  font-weight: 600;
  font-size: 13px;
}
.blocks {
  list-style: none;
  padding: 0;
  margin: 8px auto 0;
  font-size: 14px;
  display: grid;
  gap: 4px;
  width: max-content;
}
.dot {
  display: inline-block;
  width: 12px;
  height: 12px;
  border-radius: 50%;
  margin-right: 8px;
  border: 1px solid var(--ink);
  vertical-align: -1px;
}
footer button {
  all: unset;
  cursor: pointer;
  font-size: 15px;
  min-height: 40px;
  display: inline-flex;
  align-items: center;
  gap: 7px;
}
footer .do {
  background: var(--verdigris);
  color: var(--on-action);
  border-radius: 4px;
  padding: 0 18px;
  font-weight: 650;
}
footer .do[disabled] {
  opacity: 0.5;
  cursor: not-allowed;
}
footer .do kbd {
  color: var(--ink);
}
.left {
  color: var(--slate);
}
.rest {
  padding: 40px 30px;
  font-size: 18px;
  max-width: 60ch;
}
.rest h2 {
  font-size: 30px;
  color: var(--ink);
}
.rest .left {
  display: block;
}
@media (max-width: 900px) {
  .work,
  .work:has(.face) {
    grid-template-columns: minmax(0, 1fr);
    padding: 10px 14px;
  }
  header,
  footer {
    padding: 6px 12px;
  }
  .desk,
  footer kbd {
    display: none;
  }
  footer .do {
    flex: 1 1 100%;
    justify-content: center;
    min-height: 54px;
    font-size: 19px;
  }
  .say {
    display: contents;
  }
  .say > * {
    order: 2;
    margin: 0;
  }
  .say > .picked,
  .say > .kicker,
  .say > .kicker + div,
  .say > .cool,
  .say > .seen {
    order: 0;
  }
  .face {
    order: 1;
  }
  .work {
    gap: 10px;
  }
  footer {
    gap: 4px 18px;
  }
  footer .space {
    display: none;
  }
  footer .left {
    font-size: 12.5px;
    margin-left: auto;
  }
}
/* At arm's length, on whatever screen. */
header :is(.plain, .v-btn),
header > a {
  display: inline-flex;
  align-items: center;
  min-height: 48px;
  min-width: 48px;
}
</style>
