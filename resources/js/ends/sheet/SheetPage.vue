<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, ApiError, saying } from '../../api/client'
import { useSession } from '../../api/session'
import type { Sheet, SheetLeg } from '../../api/types'
import BeingMade from '../../ui/BeingMade.vue'
import { hex } from '../../ui/colours'
import ConnectorView from '../../ui/ConnectorView.vue'
import Swatch from '../../ui/Swatch.vue'
import { short, system } from '../../ui/units'
import WorkedSum from '../../ui/WorkedSum.vue'
import CoreTable from './CoreTable.vue'
import MadeSteps from './MadeSteps.vue'
import OpeningPart from './OpeningPart.vue'
import ReachChoice from './ReachChoice.vue'
import ProcedureChoice from './ProcedureChoice.vue'
import RuleList from './RuleList.vue'
import SleeveChoice from './SleeveChoice.vue'

const props = defineProps<{ id: string; side: string }>()
const session = useSession()
const router = useRouter()
const sheet = ref<Sheet | null>(null)
const other = ref<Sheet | null>(null)
const problem = ref('')
const busy = ref(false)
const at = ref(0)
/** Of an end that is opened into unlike legs, that comes first. */
const opening = ref(true)
// How this technician's vice holds things stays with the device.
const view = useLocalStorage<'wiring' | 'face'>('sartal.vice.view', 'wiring')
const turn = useLocalStorage<number>('sartal.vice.turn', 0)

async function load() {
  try {
    const answer = await api.get(`runs/${props.id}/sheet/${props.side}`)
    sheet.value = answer.sheet
    other.value = answer.other
    problem.value = ''
  } catch (error) {
    problem.value = error instanceof ApiError ? error.message : String(error)
  }
}
onMounted(load)
watch(
  () => props.side,
  () => {
    at.value = 0
    opening.value = true
    void load()
  },
)

const opened = computed(() => (opening.value ? (sheet.value?.opened ?? null) : null))
const group = computed(() => sheet.value?.alike[at.value] ?? [])
const fitting = computed(() => sheet.value?.fittings[group.value[0] ?? 0])
const leg = computed(() => fitting.value?.legs[0])
/** All that are made alike, with the one that is shown. */
const alike = computed(() => group.value.flatMap(i => sheet.value?.fittings[i]?.legs ?? []))
const legs = computed(() => alike.value.map(each => each.id))
const slides = computed(() => [...(sheet.value?.breakout ? [sheet.value.breakout] : []), ...(leg.value?.slides ?? [])])
const cautions = computed(() => [
  ...new Set([
    ...(sheet.value?.bare?.cautions ?? []),
    ...(sheet.value?.fittings.flatMap(each => each.legs.flatMap(one => one.cautions)) ?? []),
  ]),
])
const tint = (colour: string) => `color-mix(in srgb, ${hex(colour.split('/').at(-1) ?? '')} 42%, var(--surface))`
const fill = (of?: Sheet['fittings'][number]) =>
  Object.fromEntries((of?.legs ?? []).flatMap(each => each.cores).map(core => [core.address, tint(core.colour)]))
const name = (members: number[]) => {
  const labels = members.map(i => sheet.value?.fittings[i]?.legs[0]?.label ?? '')
  return members.length > 1
    ? `legs ${labels[0]} to ${labels.at(-1)}`
    : (sheet.value?.fittings[members[0] ?? 0]?.label ?? '')
}
/** Of another edition it is another picture. */
const drawn = ({ id: leg, made }: SheetLeg) =>
  `runs/${props.id}/sheet/${props.side}/strip.svg?leg=${encodeURIComponent(leg)}&edition=${made.edition}`
const query = computed(() => `view=${view.value}&turn=${turn.value}&units=${system.value}`)
const rotate = (by: number) => {
  turn.value = (turn.value + by + 360) % 360
}

async function set(change: { exit?: string; clocking?: number | null }) {
  const it = fitting.value
  if (!it) return
  busy.value = true
  try {
    await api.patch(`fittings/${it.id}`, { version: it.version, ...change })
    await load()
  } catch (error) {
    problem.value = saying(error)
  } finally {
    busy.value = false
  }
}
const otherSide = computed(() => (props.side.toUpperCase() === 'A' ? 'B' : 'A'))
</script>

<template>
  <main class="sheet">
    <header>
      <router-link :to="`/runs/${id}`">{{ sheet?.code ?? 'Run' }}</router-link>
      <h1 v-if="sheet"><span class="end">End {{ sheet.side }}</span> {{ sheet.location }}</h1>
      <span class="space" />
      <fieldset class="pick"><legend class="visually-hidden">Side drawn</legend>
        <button
          v-for="each in (['wiring', 'face'] as const)"
          :key="each"
          type="button"
          :aria-pressed="view === each"
          @click="view = each">{{ each === 'face' ? 'Mating face' : 'Wiring side' }}</button>
      </fieldset>
      <fieldset class="pick"><legend class="visually-hidden">Turn</legend>
        <button
          type="button"
          aria-label="Turn anticlockwise"
          @click="rotate(90)">↺</button><button
            type="button"
            aria-label="Turn clockwise"
            @click="rotate(-90)">↻</button>
        <button type="button" :aria-pressed="turn === 180" @click="turn = turn === 180 ? 0 : 180">Left-handed</button>
      </fieldset>
      <v-btn
        variant="outlined"
        color="primary"
        @click="router.push(`/runs/${id}/sheet/${otherSide}`)">End {{ otherSide }}</v-btn>
      <v-btn color="primary" :href="$file(`runs/${id}/sheet/${side}/sheet.pdf?${query}`)" target="_blank">Print</v-btn>
    </header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <BeingMade v-if="!sheet && !problem" of="the sheet" />
    <div v-if="sheet" class="body">
      <p
        v-if="cautions.length"
        class="note"
        :class="sheet.mains ? 'stop' : 'check'"><template
          v-for="caution in cautions"
          :key="caution">{{ caution }}<br></template></p>
      <p
        v-if="sheet.fittings.length === 0"
        class="note check">This end has no connector, so there is nothing to make at the vice{{
          sheet.bare?.words ? `: it is ${sheet.bare.words}` : '' }}.</p>
      <div v-if="sheet.alike.length > 1" class="legs" role="tablist" aria-label="Connectors of this end">
        <button
          v-if="sheet.opened"
          role="tab"
          :aria-selected="!!opened"
          @click="opening = true">open the cable</button>
        <button
          v-for="(members, i) in sheet.alike"
          :key="i"
          role="tab"
          :aria-selected="i === at && !opened"
          @click="((at = i), (opening = false))">{{ name(members) }}</button>
      </div>
      <OpeningPart v-if="opened" :opened="opened" :src="$file(`runs/${id}/sheet/${side}/strip.svg?leg=`)" />
      <div v-else-if="fitting && leg" class="columns">
        <section class="drawn">
          <ConnectorView
            v-if="fitting.drawing"
            :drawing="fitting.drawing"
            :view="view"
            :turn="turn"
            :fill="fill(fitting)"
            :height="fitting.drawing.cavities.length > 40 ? 430 : 250" />
          <p><b>{{ fitting.drawing?.name }}</b><br>
            <span class="quiet">{{ group.length > 1 ? `${group.length} alike, ${name(group)}`
              : fitting.label }}<br>{{ fitting.plan }}</span>
          </p>
          <details v-if="leg && (leg.tail || Number.parseFloat(leg.length) > 0)">
            <summary>Tail of {{ leg.label }} cut to <b class="mono">{{ short(leg.length) }}</b></summary><WorkedSum
              v-if="leg.tail"
              :worked="leg.tail"
              fine /><p v-else class="quiet">as stated for the run</p></details>
          <p v-if="fitting.exits.length > 1" class="exits"><span class="quiet">Cable leaves</span>
            <button
              v-for="exit in fitting.exits"
              :key="exit"
              type="button"
              :aria-pressed="exit === fitting.exit"
              :disabled="!session.plans || busy"
              @click="set({ exit })">{{ exit }}</button>
          </p>
          <p v-if="fitting.clockings.length" class="exits"><span class="quiet">Points to</span>
            <button
              v-for="degrees in fitting.clockings"
              :key="degrees"
              type="button"
              :aria-pressed="degrees === fitting.clocking"
              :disabled="!session.plans || busy"
              @click="set({ clocking: degrees })">{{ degrees }}°</button>
          </p>
          <div v-if="other?.fittings[0]?.drawing" class="other">
            <ConnectorView
              :drawing="other.fittings[0].drawing"
              :view="view"
              :turn="turn"
              :fill="fill(other.fittings[0])"
              :height="120" />
            <p class="quiet">end {{ other.side }}, same view<br>{{ other.fittings[0].drawing.name }}</p>
          </div>
        </section>
        <section>
          <h2>1 · On the cable first</h2>
          <ol class="steps">
            <li v-for="slide in slides" :key="slide.name"><Swatch
              v-if="slide.colour"
              :colour="slide.colour" /> {{ slide.name }}<span
                v-if="slide.note"
                class="mind"> {{ slide.note }}</span><span
                  v-if="!slide.before"
                  class="quiet"> (can wait)</span></li>
            <li v-if="slides.length === 0" class="quiet">Nothing.</li>
          </ol>
          <h2>2 · Make it, step by step</h2>
          <div v-if="leg.bench" class="note check"><strong>{{ leg.made.id
            ? `${leg.made.name} does not make this end right.`
            : 'Nobody has said how this end is made.' }}</strong>Choose a procedure that does, or change this one. Until
            then the bench shows what goes on, the joints and what to look at, and no length.
            <template v-if="leg.made.id"><p v-for="words in leg.made.wrong.slice(0, 2)" :key="words">{{ words }}</p>
              <details v-if="leg.made.wrong.length > 2"><summary>What follows from that
                                                          ({{ leg.made.wrong.length - 2 }})</summary>
                <p v-for="words in leg.made.wrong.slice(2)" :key="words">{{ words }}</p></details></template></div>
          <MadeSteps
            :key="`${leg.id} ${leg.made.id} ${leg.made.edition}`"
            :made="leg.made"
            :src="$file(drawn(leg))" />
          <ProcedureChoice
            v-if="session.plans"
            :run="id"
            :side="sheet.side"
            :version="sheet.version"
            :legs="legs"
            :chosen="leg.chosen"
            @changed="load" />
          <SleeveChoice
            v-if="leg.sleeving"
            :run="id"
            :side="sheet.side"
            :version="sheet.version"
            :legs="legs"
            :sleeving="leg.sleeving"
            :may="session.plans"
            @changed="load" />
          <component
            :is="group.length > 1 ? 'details' : 'div'"
            v-if="leg.measurable && session.can('planner', 'bench', 'installer', 'lead')"
            class="reaches">
            <summary v-if="group.length > 1">Legs that are measured on the equipment</summary>
            <ReachChoice
              v-for="each in alike"
              :key="each.id"
              :run="id"
              :side="sheet.side"
              :version="sheet.version"
              :leg="each"
              :named="group.length > 1"
              @changed="load" />
          </component>
          <h2>Tools</h2>
          <p>{{ leg.tools.join(' · ') }}</p>
          <p v-if="leg.contacts.length">{{ leg.contacts.join(' · ') }}</p>
          <template v-if="fitting.mates.length"><h2>Hold it with its mate</h2>
            <p>{{ fitting.mates.slice(0, 2).join(', or ') }}</p></template>
          <h2>House rules in force</h2>
          <RuleList :sheet="sheet" :may="session.plans" @changed="load" />
        </section>
        <section>
          <h2>3 · Join, in this order</h2>
          <p class="quiet">{{ fitting.join.join(' · ') }}</p>
          <table v-if="fitting.blocks.length" class="lines blocks" aria-label="Staggered cut">
            <thead><tr><th>Block</th><th></th><th>Channels</th><th>Cut to</th><th>Longer by</th></tr></thead>
            <tbody><tr
              v-for="block in fitting.blocks"
              :key="block.number"><td class="mono">{{ block.number }}</td><td><Swatch :colour="block.colour" /></td>
              <td>{{ block.channels[0] }} to {{ block.channels.at(-1) }}</td>
              <td class="mono">{{ short(block.cut) }}</td>
              <td class="mono">{{ block.offset === '0 mm' ? 'shortest' : short(block.offset) }}</td></tr></tbody>
          </table>
          <template v-for="i in group" :key="i">
            <h3 v-if="group.length > 1">leg {{ sheet.fittings[i]?.legs[0]?.label }}<span
              v-if="Number.parseFloat(sheet.fittings[i]?.legs[0]?.length ?? '0') > 0"
              class="quiet">, tail <b class="mono">{{ short(sheet.fittings[i]!.legs[0]!.length) }}</b></span></h3>
            <CoreTable
              :cores="sheet.fittings[i]?.legs.flatMap(each => each.cores) ?? []"
              :channels="fitting.channels > 1"
              :mains="fitting.mains" />
          </template>
          <p
            v-if="fitting.print.length"
            class="note">Slots as the jack prints them: <b class="mono">{{ fitting.print.join(' ') }}</b>. The test goes
            by pin, 1 to {{ fitting.print.length }}.</p>
          <details v-if="sheet.unused.length"><summary>{{ sheet.unused.length }} not joined</summary>
            <ul class="rules"><li
              v-for="each in sheet.unused"
              :key="each.conductor">
              <Swatch :colour="each.colour || 'bare'" /> {{ each.conductor }}: {{ each.reason }}</li></ul>
          </details>
        </section>
      </div>
    </div>
  </main>
</template>

<style scoped>
.sheet {
  height: 100%;
  overflow: auto;
}
header {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 9px 18px;
  border-bottom: 1px solid var(--line);
  position: sticky;
  top: 0;
  background: var(--paper);
  z-index: 2;
  flex-wrap: wrap;
}
.space {
  flex: 1;
}
.end {
  color: var(--slate);
}
.pick {
  border: 1px solid var(--verdigris);
  border-radius: 4px;
  padding: 0;
  display: flex;
  overflow: hidden;
}
.pick button {
  all: unset;
  padding: 6px 10px;
  font-size: 13px;
  font-weight: 600;
  color: var(--verdigris);
  cursor: pointer;
}
.pick button[aria-pressed='true'] {
  background: var(--verdigris);
  color: var(--on-action);
}
.pick button:focus-visible,
.exits button:focus-visible,
.legs button:focus-visible {
  outline: 2px solid var(--copper);
  outline-offset: -2px;
}
.body {
  padding: 4px 18px 40px;
}
.columns {
  display: grid;
  grid-template-columns: 290px minmax(280px, 1fr) minmax(390px, 1fr);
  gap: 26px;
}
.drawn {
  text-align: center;
}
.drawn p {
  margin: 6px 0;
  font-size: 13px;
}
.other {
  border-top: 1px solid var(--line);
  margin-top: 12px;
  padding-top: 12px;
  display: flex;
  align-items: center;
  gap: 12px;
  text-align: left;
}
.exits {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  align-items: center;
  justify-content: center;
}
.exits button,
.legs button {
  all: unset;
  font-size: 12.5px;
  padding: 3px 8px;
  border: 1px solid var(--line);
  border-radius: 3px;
  cursor: pointer;
}
.exits button[aria-pressed='true'],
.legs button[aria-selected='true'] {
  background: var(--copper-fill);
  border-color: var(--copper);
  color: var(--on-action);
}
.exits button:disabled:not([aria-pressed='true']) {
  opacity: 0.6;
  cursor: default;
}
.legs {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin: 8px 0;
}
.steps {
  margin: 0;
  padding-left: 20px;
}
.steps li {
  padding: 2px 0;
}
.mind {
  color: var(--amber);
  font-weight: 600;
}
.source {
  font-size: 12px;
  margin: 4px 0;
}
.rules {
  list-style: none;
  padding: 0;
  margin: 0;
  font-size: 13px;
}
.rules li {
  padding: 2px 0;
}
h3 {
  font-size: 13px;
  margin: 14px 0 2px;
}
.blocks {
  margin-bottom: 8px;
}
p {
  margin: 4px 0;
}
@media (max-width: 1100px) {
  .columns {
    grid-template-columns: 280px minmax(0, 1fr);
  }
  .columns > section:last-child {
    grid-column: 1 / -1;
  }
}
@media (max-width: 700px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
  .space {
    display: none;
  }
}
</style>
