<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '../../api/client'
import { useSession } from '../../api/session'
import type { Building, PlacePart, Point, Rerouted } from '../../api/building'
import RuleTabs from '../rules/RuleTabs.vue'
import BeingMade from '../../ui/BeingMade.vue'
import { useAttempt } from '../../ui/attempt'
import UndoButton from '../../ui/UndoButton.vue'
import { inWords, length } from '../../ui/units'
import BuildingMap from './BuildingMap.vue'
import { levelsOf } from './map/useMap'
import MovePanel from './MovePanel.vue'
import PanelForm from './PanelForm.vue'
import PanelPanel from './PanelPanel.vue'
import PlaceForm from './PlaceForm.vue'
import ReroutedList from './ReroutedList.vue'
import WayForm from './WayForm.vue'
import WayPanel from './WayPanel.vue'

const session = useSession()
const building = ref<Building | null>(null)
const { problem, said, attempt } = useAttempt()
const chosen = ref('')
const shown = ref('')
const drawing = ref(false)
const from = ref('')
const form = ref<{
  kind: 'way' | 'location' | 'junction' | 'tail-panel'
  isNew: boolean
  from?: string
  to?: string
  at?: Point
} | null>(null)
const changes = ref<Rerouted | null>(null)

const load = async () => {
  building.value = await api.get('building?brief=1')
}
const route = useRoute()
const router = useRouter()
/** Whoever comes here to make the first of something begins with it. */
function begin() {
  const make = route.query.make
  if (!make || !building.value) return
  if (session.plans && (make === 'location' || make === 'way')) form.value = { kind: make, isNew: true }
  void router.replace({ query: {} })
}
watch(() => route.query.make, begin)
onMounted(async () => {
  await attempt(load)
  begin()
})

const kind = computed(() => chosen.value.split(':')[0])
const id = computed(() => chosen.value.slice(chosen.value.indexOf(':') + 1))
const way = computed(() =>
  kind.value === 'way' ? building.value?.ways.find(each => each.part.id === id.value) : undefined,
)
const location = computed(() =>
  kind.value === 'location' ? building.value?.locations.find(each => each.part.id === id.value) : undefined,
)
const junction = computed(() =>
  kind.value === 'junction' ? building.value?.junctions.find(each => each.part.id === id.value) : undefined,
)
const panel = computed(() =>
  kind.value === 'panel' ? building.value?.panels.find(each => each.part.id === id.value) : undefined,
)
const place = computed(() => location.value ?? junction.value)
const leading = computed(
  () => building.value?.ways.filter(each => each.part.from === id.value || each.part.to === id.value) ?? [],
)
const panelsHere = computed(() => building.value?.panels.filter(each => each.part.location === id.value) ?? [])
const ways = computed(() => building.value?.routes[shown.value] ?? [])
const byLoad = computed(() =>
  [...(building.value?.ways ?? [])].sort(
    (a, b) => (b.fill?.value ?? -1) - (a.fill?.value ?? -1) || b.runs.length - a.runs.length,
  ),
)
const nameOf = (key: string) => building.value?.locations.find(each => each.part.id === key)?.part.name ?? key

function choose(key: string) {
  if (drawing.value && !key.startsWith('way:')) {
    const end = key.slice(key.indexOf(':') + 1)
    if (!from.value) {
      from.value = end
      return
    }
    if (from.value === end) {
      from.value = ''
      return
    }
    form.value = { kind: 'way', isNew: true, from: from.value, to: end }
    drawing.value = false
    from.value = ''
    return
  }
  form.value = null
  changes.value = null
  chosen.value = key
}
async function saved(rerouted: Rerouted, key: string) {
  const what = form.value!.kind
  form.value = null
  await attempt(load, 'Saved.')
  changes.value = rerouted
  chosen.value = `${what === 'tail-panel' ? 'panel' : what}:${key}`
}
async function moved(rerouted: Rerouted) {
  await attempt(load, 'Moved.')
  changes.value = rerouted
}
/** Nothing else follows from where places stand: the rest need not be read again. */
function put(all: Building, at: Record<string, Point>, versions: Record<string, number>): Building {
  const there = <T extends { part: PlacePart; version: number }>(each: T): T =>
    at[each.part.id]
      ? { ...each, part: { ...each.part, at: at[each.part.id]! }, version: versions[each.part.id] ?? each.version }
      : each
  return { ...all, locations: all.locations.map(there), junctions: all.junctions.map(there) }
}
const map = ref<{ settled: () => void } | null>(null)
async function move(by: Map<string, Point>) {
  await attempt(async () => {
    const all = building.value!
    const at = Object.fromEntries([...by].map(([key, point]) => [key.slice(key.indexOf(':') + 1), point]))
    const places = [...all.locations, ...all.junctions].flatMap(({ part: { id }, version }) =>
      at[id] ? [{ id, at: at[id], version }] : [],
    )
    const { versions } = await api.put('building/map', { places })
    building.value = put(all, at, versions)
  }, 'Moved on the map. No length follows from it.')
  map.value?.settled()
}
const level = ref('')
const levels = computed(() => (building.value ? levelsOf(building.value) : []))
const unmeasured = computed(() => building.value?.ways.filter(each => !each.part.measured && each.runs.length).length)
const remove = (what: string, key: string, version: number) =>
  attempt(async () => {
    const answer = await api.delete(`shared/${what}/${key}`, { version })
    chosen.value = ''
    await load()
    changes.value = answer.rerouted
  }, 'Removed.')
async function undo(work: () => Promise<string>) {
  let words = ''
  await attempt(async () => {
    words = await work()
    changes.value = null
    chosen.value = ''
    await load()
  })
  if (words) said.value = words
}
function stop() {
  drawing.value = false
  from.value = ''
}
</script>

<template>
  <!-- eslint-disable-next-line vuejs-accessibility/no-static-element-interactions -- presses inside it bubble up -->
  <main class="building" @keydown.esc="stop">
    <header><h1>Rules</h1><RuleTabs /><span class="space" />
      <span v-if="said" role="status" class="quiet">{{ said }}</span><UndoButton :said="said" @press="undo" /></header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <BeingMade v-if="!building && !problem" of="the building" />
    <div v-if="building" class="split">
      <div class="left">
        <div class="tools">
          <template v-if="session.plans">
            <v-btn
              size="small"
              :color="drawing ? 'secondary' : 'primary'"
              :aria-pressed="drawing"
              @click="drawing ? stop() : (drawing = true)">{{ drawing ? 'Stop drawing' : 'Draw a way' }}</v-btn>
            <v-btn
              size="small"
              variant="text"
              color="primary"
              @click="form = { kind: 'junction', isNew: true }">Add a junction</v-btn>
            <v-btn
              size="small"
              variant="text"
              color="primary"
              @click="form = { kind: 'location', isNew: true }">Add a location</v-btn>
            <v-btn
              size="small"
              variant="text"
              color="primary"
              @click="form = { kind: 'tail-panel', isNew: true }">Add a panel</v-btn>
          </template>
          <span class="space" />
          <router-link v-if="unmeasured" to="/rules/building/walk">{{ unmeasured }} to measure</router-link>
          <label v-if="levels.length" class="quiet">Level <select v-model="level"><option value="">all</option><option
            v-for="each in levels"
            :key="each"
            :value="each">{{ each }}</option></select></label>
          <label class="quiet">Show the way of <select v-model="shown"><option value="">no run</option><option
            v-for="(_, run) in building.routes"
            :key="run"
            :value="run">{{ run }}</option></select></label>
        </div>
        <p
          v-if="drawing"
          class="hint"
          role="status">{{ from ? 'Now press the place where it ends.' : 'Press the place where the way begins.' }}
          <kbd>Esc</kbd> stops.</p>
        <div class="canvas"><BuildingMap
          ref="map"
          :building="building"
          :chosen="chosen"
          :route="ways"
          :drawing="drawing"
          :from="from"
          :edits="session.plans"
          :level="level"
          @choose="choose"
          @place="at => session.plans && (form = { kind: 'junction', isNew: true, at })"
          @move="move" /></div>
        <div class="ways">
          <table class="lines">
            <thead><tr><th>Way</th><th>Kind</th><th class="right">Length</th><th>Measured</th>
              <th class="right">Cables</th><th>Fill</th>
              <th>To see to</th></tr></thead>
            <tbody>
              <tr v-for="each in byLoad" :key="each.part.id" :class="{ chosen: chosen === `way:${each.part.id}` }">
                <td><button
                  type="button"
                  class="link"
                  @click="choose(`way:${each.part.id}`)">{{ each.part.name }}</button></td>
                <td class="quiet">{{ each.part.kind }}</td>
                <td class="mono right">{{ length(each.part.length) }}</td>
                <td class="quiet">{{ each.part.measured ? 'yes' : 'not yet' }}</td>
                <td class="mono right">{{ each.runs.length }}</td>
                <td class="fillcell"><template v-if="each.fill && each.rule"><span
                  class="meter"
                  :class="{ over: (each.fill.value ?? 999) > each.rule.design }">
                  <i :style="{ width: `${Math.min(100, each.fill.value ?? 100)}%` }" />
                  <b :style="{ left: `${each.rule.design}%` }" /></span><span class="mono">{{ each.fill.text }}</span>
                </template></td>
                <td>{{ each.findings.length ? inWords(each.findings[0]!.words) : '' }}</td>
              </tr>
            </tbody>
          </table>
        </div>
      </div>
      <aside class="right-side" aria-label="Selected">
        <WayForm
          v-if="form?.kind === 'way'"
          :key="form.isNew ? `${form.from}-${form.to}` : id"
          :building="building"
          :way="form.isNew ? null : way ?? null"
          :from="form.from ?? ''"
          :to="form.to ?? ''"
          @saved="saved"
          @close="form = null" />
        <PanelForm
          v-else-if="form?.kind === 'tail-panel'"
          :building="building"
          :panel="form.isNew ? null : panel ?? null"
          :location="location?.part.id ?? ''"
          @saved="saved"
          @close="form = null" />
        <PlaceForm
          v-else-if="form"
          :kind="form.kind"
          :place="form.isNew ? null : place?.part ?? null"
          :version="place?.version ?? 0"
          :at="form.at ?? null"
          :levels="levels"
          @saved="saved"
          @close="form = null" />
        <template v-else>
          <ReroutedList v-if="changes" :changes="changes" />
          <WayPanel
            v-if="way"
            :way="way"
            :building="building"
            :edits="session.plans"
            @edit="form = { kind: 'way', isNew: false }"
            @remove="remove('way', way!.part.id, way!.version)" />
          <PanelPanel
            v-else-if="panel"
            :key="panel.part.id"
            :panel="panel"
            :place="nameOf(panel.part.location)"
            :edits="session.plans"
            @edit="form = { kind: 'tail-panel', isNew: false }"
            @remove="remove('tail-panel', panel!.part.id, panel!.version)" />
          <section v-else-if="place">
            <h1>{{ place.part.name }}</h1>
            <p class="quiet">{{ kind }}<template v-if="location"> · {{ location.ends }}
              {{ location.ends === 1 ? 'run ends' : 'runs end' }} here</template>
              <template v-if="location?.part.rack"> · rack of {{ location.part.rack.units }} units, cables come in at
                the {{ location.part.rack.entry }}</template>
            </p>
            <p v-if="session.plans" class="acts"><v-btn
              size="small"
              variant="outlined"
              color="primary"
              @click="form = { kind: kind as 'location' | 'junction', isNew: false }">Edit</v-btn><v-btn
                size="small"
                variant="text"
                color="error"
                @click="remove(kind!, place!.part.id, place!.version)">Remove</v-btn></p>
            <h2>Ways that meet here</h2>
            <p
              v-if="leading.length === 0"
              class="note check">No way leads here. Runs that end here find none: draw one.</p>
            <ul><li v-for="each in leading" :key="each.part.id"><button
              type="button"
              class="link"
              @click="choose(`way:${each.part.id}`)">{{ each.part.name }}</button> <span class="mono quiet">{{
                length(each.part.length) }}</span>
            </li></ul>
            <MovePanel
              v-if="session.plans && leading.length"
              :key="place.part.id"
              :place="place.part"
              :ways="leading"
              @moved="moved" />
            <template v-if="panelsHere.length"><h2>Panels</h2><ul><li
              v-for="each in panelsHere"
              :key="each.part.id"><button
                type="button"
                class="link"
                @click="choose(`panel:${each.part.id}`)">{{ each.part.name }}</button></li></ul></template>
          </section>
          <section v-else>
            <p class="quiet">Press a way to see what lies in it, a place to see where it leads. {{ session.plans
              ? 'Drag a place to tidy the map: nothing is measured by it. Shift and a press picks several.' : '' }}</p>
            <h2>Panels</h2>
            <p
              v-if="building.panels.length === 0"
              class="quiet">None yet. A panel with its pitch and bars says how long each tail is.</p>
            <ul><li v-for="each in building.panels" :key="each.part.id"><button
              type="button"
              class="link"
              @click="choose(`panel:${each.part.id}`)">{{ each.part.name }}</button></li></ul>
            <h2>To see to</h2>
            <p v-if="building.findings.length === 0" class="quiet">Nothing.</p>
            <p
              v-for="finding in building.findings"
              :key="finding.words"
              class="note"
              :class="finding.severity">{{ inWords(finding.words) }} {{ inWords(finding.remedy) }}</p>
          </section>
        </template>
      </aside>
    </div>
  </main>
</template>

<style scoped>
.building {
  height: 100%;
  display: flex;
  flex-direction: column;
  min-height: 0;
}
header {
  display: flex;
  gap: 16px;
  align-items: center;
  padding: 14px 18px;
  border-bottom: 1px solid var(--line);
  flex-wrap: wrap;
}
.space {
  flex: 1;
}
.split {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 370px;
}
.left {
  display: grid;
  grid-template-rows: auto auto minmax(220px, 1.6fr) minmax(120px, 1fr);
  min-height: 0;
  border-right: 1px solid var(--line);
}
.tools {
  grid-row: 1;
  display: flex;
  gap: 6px;
  align-items: center;
  padding: 6px 12px;
  flex-wrap: wrap;
}
.tools select {
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 3px 6px;
  background: var(--surface);
  color: var(--ink);
  font: inherit;
  font-size: 13px;
}
.hint {
  grid-row: 2;
  margin: 0;
  padding: 4px 14px;
  background: var(--chosen);
}
.canvas {
  grid-row: 3;
  min-height: 0;
  border-block: 1px solid var(--line);
}
.ways {
  grid-row: 4;
  overflow: auto;
  padding: 0 12px;
}
.ways thead th {
  position: sticky;
  top: 0;
  background: var(--paper);
}
tr.chosen td {
  background: var(--chosen);
}
.right {
  text-align: right;
  white-space: nowrap;
}
.ways td {
  white-space: nowrap;
  max-width: 260px;
  overflow: hidden;
  text-overflow: ellipsis;
}
.right-side {
  overflow: auto;
  padding: 12px 16px 0;
  background: var(--surface);
}
.fillcell {
  white-space: nowrap;
}
.meter {
  display: inline-block;
  position: relative;
  width: 74px;
  height: 9px;
  background: var(--panel);
  border-radius: 2px;
  margin-right: 8px;
}
.meter i {
  display: block;
  height: 100%;
  background: var(--verdigris);
  border-radius: 2px 0 0 2px;
}
.meter.over i {
  background: var(--amber);
}
.meter b {
  position: absolute;
  top: -2px;
  bottom: -2px;
  width: 2px;
  background: var(--ink);
}
.link {
  all: unset;
  cursor: pointer;
  color: var(--verdigris);
  text-decoration: underline;
  text-underline-offset: 2px;
}
.link:focus-visible {
  outline: 2px solid var(--copper);
}
ul {
  margin: 0;
  padding-left: 18px;
  font-size: 13px;
  line-height: 1.7;
}
@media (max-width: 900px) {
  .building {
    display: block;
    height: 100%;
    overflow: auto;
  }
  .split {
    display: block;
  }
  .left {
    grid-template-rows: auto auto 340px auto;
    border-right: 0;
  }
  .right-side {
    overflow: visible;
  }
}
</style>
