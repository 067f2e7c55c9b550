<script setup lang="ts">
import { useDebounceFn, useLocalStorage } from '@vueuse/core'
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { api, ApiError } from '../api/client'
import { useSession } from '../api/session'
import type { Judgement, Probe, TestSheet } from '../api/types'
import ConnectorView from '../ui/ConnectorView.vue'
import Strand from '../ui/Strand.vue'
import { when } from '../ui/units'
import { named, same, token, typed } from './reading'
import CoveragePanel from './CoveragePanel.vue'
import VerdictPanel from './VerdictPanel.vue'

const props = defineProps<{ id: string }>()
const session = useSession()
const sheet = ref<TestSheet | null>(null)
const problem = ref('')
const judgement = ref<Judgement | null>(null)
const busy = ref(false)
const at = ref(0)
const entry = ref('')
const entryWrong = ref('')
const instrument = useLocalStorage('sartal.instrument', '')
/** Kept on this device until it is recorded: closing the tab loses nothing. The id makes a repeat the same record. */
const blank = () => ({ id: crypto.randomUUID() as string, fingerprint: '', lights: {} as Record<string, string[]>, splits: null as string[] | null, note: '' })
const draft = useLocalStorage(`sartal.test.${props.id}`, blank())
const recorded = ref('')

const from = computed(() => sheet.value?.from ?? [])
const current = computed<Probe | undefined>(() => from.value[at.value])
const read = computed(() => from.value.filter(probe => draft.value.lights[probe.node]).length)
const expected = (probe: Probe) => sheet.value?.expected[probe.node] ?? []
const state = (probe: Probe) => {
  const lights = draft.value.lights[probe.node]
  return !lights ? 'open' : same(lights, expected(probe)) ? 'good' : 'bad'
}
const tokens = (nodes: string[]) => nodes.length === 0 ? 'nothing' : nodes.map(node => { const probe = sheet.value!.to.find(each => each.node === node); return probe ? token(probe, sheet.value!) : node }).join(' ')

async function load() {
  try {
    sheet.value = await api.get<TestSheet>(`runs/${props.id}/test`)
    if (draft.value.fingerprint !== sheet.value.fingerprint) draft.value = { ...blank(), fingerprint: sheet.value.fingerprint }
    at.value = Math.max(0, from.value.findIndex(probe => !draft.value.lights[probe.node]))
    void judge()
  } catch (error) {
    problem.value = error instanceof ApiError ? error.message : String(error)
  }
}
onMounted(load)

const judge = useDebounceFn(async () => {
  if (read.value === 0 && !draft.value.splits) { judgement.value = null; return }
  try {
    judgement.value = await api.post<Judgement>(`runs/${props.id}/test`, { reading: reading() })
  } catch (error) {
    problem.value = error instanceof ApiError ? error.message : String(error)
  }
}, 250)
const reading = () => ({ lights: draft.value.lights, ...(draft.value.splits ? { splits: draft.value.splits } : {}) })

function set(probe: Probe, lights: string[]) {
  draft.value.lights = { ...draft.value.lights, [probe.node]: lights }
  recorded.value = ''
  void judge()
}
function go(i: number) {
  at.value = Math.max(0, Math.min(from.value.length - 1, i))
  entry.value = ''
  entryWrong.value = ''
  void nextTick(() => document.getElementById(`line-${at.value}`)?.scrollIntoView({ block: 'nearest' }))
}
function next() {
  const open = from.value.findIndex((probe, i) => i > at.value && !draft.value.lights[probe.node])
  go(open === -1 ? Math.min(at.value + 1, from.value.length - 1) : open)
}
function enter() {
  if (!current.value || !sheet.value) return
  const answer = typed(entry.value, expected(current.value), sheet.value)
  if ('wrong' in answer) { entryWrong.value = answer.wrong; return }
  set(current.value, answer.lights)
  next()
}
function nothing() {
  if (!current.value) return
  set(current.value, [])
  next()
}
/** Pressing a contact on the far connector lights it, or puts it out again. */
function press(fitting: string, address: string) {
  const probe = current.value
  const node = sheet.value?.to.find(each => each.fitting === fitting && each.address === address)?.node
  if (!probe || !node) return
  const lit = draft.value.lights[probe.node] ?? []
  set(probe, lit.includes(node) ? lit.filter(each => each !== node) : [...lit, node])
}
const near = computed(() => sheet.value?.fittings[current.value?.fitting ?? ''])
/** The far connector that matters for this line: where something lights or should, else the first. */
const farId = computed(() => {
  if (!sheet.value || !current.value) return ''
  const node = [...(draft.value.lights[current.value.node] ?? []), ...expected(current.value)][0]
  return (node ? sheet.value.to.find(probe => probe.node === node)?.fitting : sheet.value.to[0]?.fitting) ?? ''
})
const chosenFar = ref('')
watch(at, () => { chosenFar.value = '' })
const farShown = computed(() => chosenFar.value || farId.value)
const far = computed(() => sheet.value?.fittings[farShown.value])
const farFittings = computed(() => [...new Set((sheet.value?.to ?? []).map(probe => probe.fitting))].filter(Boolean))
const litFar = computed(() => (draft.value.lights[current.value?.node ?? ''] ?? []).map(node => sheet.value?.to.find(probe => probe.node === node)).filter(probe => probe?.fitting === farShown.value).map(probe => probe!.address))
const pairName = (nodes: string[]) => nodes.map(node => { const probe = from.value.find(each => each.node === node); return probe && sheet.value ? token(probe, sheet.value) : node }).join('–')
function split(id: string) {
  const splits = draft.value.splits ?? []
  draft.value.splits = splits.includes(id) ? splits.filter(each => each !== id) : [...splits, id]
  void judge()
}

async function record() {
  busy.value = true
  problem.value = ''
  try {
    await api.post('events', { id: draft.value.id, kind: 'tested', run: props.id, at: new Date().toISOString(), instrument: instrument.value, note: draft.value.note, reading: reading() })
    recorded.value = judgement.value?.verdict ?? ''
    draft.value = { ...blank(), fingerprint: sheet.value?.fingerprint ?? '' }
    judgement.value = null
    await load()
  } catch (error) {
    problem.value = error instanceof ApiError ? error.message : String(error)
  } finally {
    busy.value = false
  }
}
function again() {
  draft.value = { ...blank(), fingerprint: sheet.value?.fingerprint ?? '' }
  judgement.value = null
  go(0)
}
const ready = computed(() => judgement.value !== null && judgement.value.verdict !== 'incomplete')
</script>

<template>
  <main class="test">
    <header>
      <router-link to="/test">Test</router-link>
      <h1 v-if="sheet"><span class="mono">{{ sheet.run.code }}</span> <span class="way">{{ sheet.run.from }} → {{ sheet.run.to }}</span></h1>
      <span class="space" />
      <b v-if="judgement && judgement.verdict !== 'incomplete'" class="chip" :class="judgement.verdict">{{ judgement.verdict === 'passes' ? 'passes' : 'fails' }}</b>
      <Strand v-if="sheet" :beads="sheet.run.strand" />
    </header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <v-progress-linear v-if="!sheet && !problem" indeterminate color="primary" aria-label="Loading the test" />
    <div v-if="sheet" class="body">
      <section class="work">
        <p v-for="caution in sheet.cautions" :key="caution" class="note stop"><strong>{{ caution }}</strong></p>
        <div class="faces">
          <div v-if="near?.drawing">
            <ConnectorView :drawing="near.drawing" view="face" :current="current?.address" :lit="current ? [current.address] : []" :height="150" />
            <p>{{ near.label }} · {{ near.location }}</p>
          </div>
          <div v-if="far?.drawing">
            <ConnectorView :drawing="far.drawing" view="face" pressable :lit="litFar" :height="far.drawing.cavities.length > 40 ? 330 : 150" @press="press(farShown, $event)" />
            <p>{{ far.label }} · {{ far.location }}
              <button v-for="shell in far.drawing.shells" :key="shell" class="shell" :aria-pressed="litFar.includes(shell)" @click="press(farShown, shell)">{{ shell }}</button></p>
            <p v-if="farFittings.length > 1" class="legs"><button v-for="fitting in farFittings" :key="fitting" :aria-pressed="fitting === farShown" @click="chosenFar = fitting">{{ sheet.fittings[fitting]?.tag }}</button></p>
          </div>
        </div>
        <form v-if="current" class="entry" @submit.prevent="enter">
          <label for="entry">Probe <b class="mono">{{ named(current, sheet) }}</b>: should light <b class="mono">{{ tokens(expected(current)) }}</b></label>
          <div class="keys">
            <input id="entry" v-model="entry" class="mono" autocomplete="off" autocapitalize="off" autofocus placeholder="what lights" :aria-invalid="entryWrong !== ''" aria-describedby="entry-help" @keydown.down.prevent="go(at + 1)" @keydown.up.prevent="go(at - 1)" @input="entryWrong = ''">
            <v-btn type="submit" color="primary">{{ entry.trim() === '' ? 'As expected' : 'Enter' }}</v-btn>
            <v-btn variant="outlined" color="primary" @click="nothing">Nothing</v-btn>
            <v-btn v-if="draft.lights[current.node]" variant="text" @click="next">Next line</v-btn>
          </div>
          <p id="entry-help" class="quiet" :class="{ bad: entryWrong }">{{ entryWrong || 'Enter alone: as expected. 0: nothing lights. Else write or press the contacts that light.' }}</p>
        </form>
        <div class="table">
          <table class="lines">
            <thead><tr><th>Probe</th><th>Should light</th><th>Lights</th><th>{{ read }} of {{ from.length }}</th></tr></thead>
            <tbody>
              <tr v-for="(probe, i) in from" :id="`line-${i}`" :key="probe.node" :class="[state(probe), { at: i === at }]" @click="go(i)">
                <td class="mono">{{ named(probe, sheet) }}</td><td class="mono">{{ tokens(expected(probe)) }}</td>
                <td class="mono">{{ draft.lights[probe.node] ? tokens(draft.lights[probe.node]!) : '' }}</td>
                <td>{{ { open: '', good: 'as expected', bad: 'wrong' }[state(probe)] }}</td>
              </tr>
            </tbody>
          </table>
        </div>
        <fieldset v-if="sheet.pairs.length" class="pairs">
          <legend>Pair test</legend>
          <v-checkbox :model-value="draft.splits !== null" label="The tester checks pairs too" @update:model-value="draft.splits = $event ? [] : null; judge()" />
          <template v-if="draft.splits">
            <p class="quiet">Press a pair that shows as split.</p>
            <button v-for="pair in sheet.pairs" :key="pair.id" type="button" :aria-pressed="draft.splits.includes(pair.id)" @click="split(pair.id)">{{ pairName(pair.nodes) }}<template v-if="draft.splits.includes(pair.id)"> split</template></button>
          </template>
        </fieldset>
      </section>
      <aside>
        <p v-if="recorded" class="note" :class="recorded === 'passes' ? 'good' : 'failed'" role="status"><strong>{{ recorded === 'passes' ? 'Recorded: passes' : 'Recorded: fails' }}</strong>{{ recorded === 'passes' ? '' : 'Mend the end, then test the whole cable again.' }}</p>
        <VerdictPanel :judgement="judgement" :read="read" :all="from.length" />
        <template v-if="session.tests">
          <v-text-field v-model="instrument" label="Instrument" />
          <v-text-field v-model="draft.note" label="Note" />
          <p class="acts"><v-btn color="primary" :disabled="!ready" :loading="busy" @click="record">{{ judgement?.verdict === 'fails' ? 'Record the failure' : 'Record' }}</v-btn><v-btn variant="outlined" color="primary" :disabled="read === 0" @click="again">Start over</v-btn></p>
        </template>
        <p v-else class="quiet">A tester or the lead records; you can look.</p>
        <CoveragePanel :id="id" :pairs="sheet.pairs.length > 0" />
        <h2>Before</h2>
        <p v-if="!sheet.history.some(event => event.kind === 'tested')" class="quiet">No earlier test of this cable.</p>
        <ol aria-label="Earlier tests"><li v-for="event in sheet.history.filter(each => each.kind === 'tested' || each.kind === 'remade')" :key="event.id" :class="event.verdict">
          {{ when(event.at) }} · <b>{{ event.verdict ?? `end ${event.side} made again` }}</b> · {{ event.who }}<template v-if="event.note"> · {{ event.note }}</template><em v-if="event.overtaken"> · overtaken</em></li></ol>
      </aside>
    </div>
  </main>
</template>

<style scoped>
.test { height: 100%; max-height: 100dvh; display: flex; flex-direction: column; min-height: 0 }
header { display: flex; align-items: center; gap: 14px; padding: 11px 18px; border-bottom: 1px solid var(--line) }
.space { flex: 1 }
.chip { display: none; padding: 1px 9px; border-radius: 4px; color: var(--on-action); background: var(--verdigris) }
.chip.fails { background: var(--flux) }
.body { display: grid; grid-template-columns: minmax(0, 1fr) 320px; flex: 1; min-height: 0 }
.work { padding: 12px 18px; display: flex; flex-direction: column; min-height: 0; overflow: auto }
aside { border-left: 1px solid var(--line); background: var(--surface); padding: 14px 16px; overflow: auto; display: flex; flex-direction: column; gap: 10px }
.faces { display: flex; justify-content: space-evenly; gap: 20px; text-align: center; font-size: 13px }
.faces p { margin: 4px 0 }
.legs button, .shell, .pairs button { font: 13px var(--mono); border: 1px solid var(--quiet); border-radius: 4px; background: var(--surface); padding: 4px 9px; margin: 2px; cursor: pointer; color: var(--ink) }
.legs button[aria-pressed=true] { background: var(--panel); border-color: var(--ink) }
.shell[aria-pressed=true] { background: var(--copper-fill); color: var(--on-action); border-color: var(--copper) }
.pairs button[aria-pressed=true] { background: var(--flux); color: var(--on-action); border-color: var(--flux) }
.entry { padding: 8px 0; position: sticky; top: -12px; background: var(--paper); z-index: 1 }
.keys { display: flex; gap: 8px; margin-top: 5px; flex-wrap: wrap }
input { flex: 1; min-width: 120px; border: 1px solid var(--ink); border-radius: 4px; padding: 7px 10px; background: var(--surface); font-size: 16px; color: var(--ink) }
.entry p { margin: 4px 0 0; font-size: 12.5px }
.entry .bad { color: var(--flux) }
.table { min-height: 120px }
tr { cursor: pointer }
tr.bad td { background: var(--bad) }
tr.bad td:last-child { color: var(--flux); font-weight: 600 }
tr.good td:last-child { color: var(--verdigris) }
tr.at td { box-shadow: inset 0 2px var(--copper), inset 0 -2px var(--copper) }
.pairs { border: 1px solid var(--line); border-radius: 4px; margin-top: 12px; padding: 4px 12px 10px }
.pairs p { margin: 0 0 4px }
aside p { margin: 0 }
aside > *, .work > * { flex: none }
.acts { display: flex; gap: 8px }
ol { list-style: none; margin: 0; padding: 0; font-size: 13px }
li { padding: 4px 0; border-bottom: 1px solid var(--line) }
.fails b { color: var(--flux) }
.passes b { color: var(--verdigris) }
@media (max-width: 800px) {
  .test { overflow: auto; display: block }
  .body { display: block }
  .work { overflow: visible; padding: 8px 12px }
  .way { display: none }
  .chip { display: block }
  header { position: sticky; top: 0; background: var(--paper); z-index: 2 }
  .entry { top: 48px }
  aside { border-left: 0; border-top: 1px solid var(--line) }
  .faces { gap: 6px }
  .keys :deep(.v-btn), .acts :deep(.v-btn) { min-height: 44px }
  input { min-height: 44px }
  tr td { padding-block: 9px }
}
</style>
