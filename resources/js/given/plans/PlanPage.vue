<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '../../api/client'
import { useSession } from '../../api/session'
import type {
  Catalogue,
  Consequences,
  ContactPair,
  Drawing,
  Finding,
  PlanDefinition,
  TypeDetail,
  TypeLine,
} from '../../api/types'
import ConsequenceList from '../rules/ConsequenceList.vue'
import BeingMade from '../../ui/BeingMade.vue'
import { useAttempt } from '../../ui/attempt'
import { blockColour, hex } from '../../ui/colours'
import ConnectorView from '../../ui/ConnectorView.vue'
import { useKeys } from '../../ui/keys'
import Swatch from '../../ui/Swatch.vue'
import LayOut from './LayOut.vue'
import PasteTable from './PasteTable.vue'
import { usePlanDraft } from './usePlanDraft'
import { useLatest } from '../../ui/latest'

const props = defineProps<{ id: string }>()
const session = useSession()
const router = useRouter()
const { draft, past, dirty, channels, functions, start, change, undo, put, setChannels, blockOf } = usePlanDraft()
const detail = ref<TypeDetail | null>(null)
const drawing = ref<Drawing | null>(null)
const mates = ref<{ id: string; name: string; connector: string }[]>([])
const connectors = ref<TypeLine[]>([])
const signals = ref<Catalogue['signals']>([])
const against = ref('')
const problems = ref<Finding[]>([])
const pairs = ref<ContactPair[]>([])
const cell = ref<{ channel: string; fn: string } | null>(null)
const view = ref<'face' | 'wiring'>('face')
const { problem, said, busy, attempt } = useAttempt()
const laying = ref(false)
const pasting = ref(false)
const saving = ref(false)
const preview = ref<Consequences | null>(null)
const asName = ref('')
const isNew = computed(() => props.id === 'new')

async function face() {
  if (!draft.value?.connector) return
  const inserts = new URLSearchParams(
    Object.entries(draft.value.inserts ?? {}).map(([bay, type]) => [`inserts[${bay}]`, type]),
  )
  const answer = await api.get(`connectors/${draft.value.connector}?${inserts}`)
  drawing.value = answer.drawing
  mates.value = answer.mates
  if (!answer.mates.some(mate => mate.id === against.value)) against.value = ''
}
onMounted(() =>
  attempt(async () => {
    const [types, catalogue] = await Promise.all([api.get('types'), api.get('catalogue')])
    connectors.value = types.connector.filter(each => !each.retired)
    signals.value = catalogue.signals
    if (isNew.value) {
      start({ id: '', name: '', connector: '', channels: {} })
    } else {
      detail.value = await api.get(`types/plan/${props.id}`)
      start(detail.value.definition as unknown as PlanDefinition)
      await face()
    }
    await check()
  }),
)
async function check() {
  if (!draft.value?.connector) return
  const answer = await api.post('plans/check', {
    definition: { ...draft.value, id: draft.value.id || 'new-plan', name: draft.value.name || 'new plan' },
    against: against.value,
  })
  problems.value = answer.problems
  pairs.value = answer.pairs
}
let asked = 0
watch(
  [draft, against],
  () => {
    const mine = ++asked
    window.setTimeout(() => {
      if (mine === asked && session.plans) void attempt(check)
    }, 250)
  },
  { deep: true },
)

const wrong = computed(() => pairs.value.filter(pair => !pair.agrees))
const fill = computed(() => {
  const colours: Record<string, string> = {}
  for (const channel of channels.value) {
    const block = blockOf(channel)
    for (const address of Object.values(draft.value!.channels[channel] ?? {})) {
      colours[address] =
        `color-mix(in srgb, ${block ? hex(blockColour(block)) : 'var(--slate)'} ${block ? 45 : 22}%, var(--surface))`
    }
  }
  return colours
})
const lit = computed(() => (cell.value ? Object.values(draft.value?.channels[cell.value.channel] ?? {}) : []))
const serves = (address: string) =>
  channels.value
    .flatMap(channel =>
      Object.entries(draft.value!.channels[channel] ?? {})
        .filter(([, at]) => at === address)
        .map(([fn]) => `${channel} ${fn}`),
    )
    .join(', ')

/** A contact pressed: it takes the function in hand, and the next cell is in hand. */
function press(address: string) {
  if (!session.plans) return
  if (!cell.value) {
    const at = channels.value
      .flatMap(channel =>
        Object.entries(draft.value!.channels[channel] ?? {}).map(([fn, place]) => ({ channel, fn, place })),
      )
      .find(each => each.place === address)
    if (at) cell.value = { channel: at.channel, fn: at.fn }
    return
  }
  put(cell.value.channel, cell.value.fn, address)
  const cells = channels.value.flatMap(channel => functions.value.map(fn => ({ channel, fn })))
  const next = cells[cells.findIndex(each => each.channel === cell.value!.channel && each.fn === cell.value!.fn) + 1]
  cell.value = next ?? null
}
async function connector(id: string) {
  change(plan => {
    plan.connector = id
    plan.channels = {}
    delete plan.inserts
  })
  await attempt(face)
}
const lay = (wanted: { signal: string; channels: number; order: string; first: string; block: number }) =>
  attempt(async () => {
    laying.value = true
    const answer = await api.post('plans/lay', { connector: draft.value?.connector, ...wanted })
    change(plan => {
      plan.channels = answer.channels
      plan.block = wanted.block || undefined
    })
    said.value = `${Object.keys(answer.channels).length} channels laid out.`
  }).finally(() => {
    laying.value = false
  })
const paste = (table: string) =>
  attempt(async () => {
    setChannels((await api.post('plans/table', { table })).channels)
    pasting.value = false
  })
const slug = (name: string) =>
  name
    .toLowerCase()
    .normalize('NFD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
/** A shipped plan is not written over unless asked: it is saved under a name of one's own. */
const target = computed(() =>
  detail.value?.version != null
    ? draft.value!.id
    : isNew.value
      ? slug(`${draft.value?.connector} ${asName.value}`)
      : asName.value === draft.value?.name
        ? draft.value.id
        : slug(`${draft.value?.connector} ${asName.value}`),
)
const definition = () => ({ ...draft.value, id: target.value, name: asName.value })
const openSave = () => {
  asName.value = draft.value?.name ?? ''
  saving.value = true
  preview.value = null
  if (asName.value) void look()
}
watch(
  asName,
  useDebounceFn(() => {
    if (saving.value && asName.value) void look()
  }, 400),
)
const { latest } = useLatest()
const look = () =>
  attempt(() =>
    latest(api.post('types/plan/preview', { definition: definition() }), answer => {
      preview.value = answer
    }),
  )
const save = () =>
  attempt(async () => {
    const kept = detail.value?.version != null && target.value === detail.value.id ? detail.value.version : null
    const { id } = await api.put('types/plan', {
      definition: definition(),
      ...(kept === null ? {} : { version: kept }),
    })
    saving.value = false
    said.value = 'Saved.'
    start(definition() as PlanDefinition)
    if (id !== props.id) await router.push(`/rules/plans/${id}`)
    detail.value = await api.get(`types/plan/${id}`)
  })
const remove = () =>
  attempt(async () => {
    const { done } = await api.delete(
      `types/plan/${props.id}`,
      detail.value?.version == null ? {} : { version: detail.value.version },
    )
    if (done === 'removed') await router.push('/rules/plans')
    else {
      said.value = 'It is retired: those who use it keep it.'
      detail.value = await api.get(`types/plan/${props.id}`)
    }
  })
const leave = () => {
  cell.value = null
}
useKeys({ Escape: leave, u: undo, 'Mod+z': undo })
</script>

<template>
  <main class="plan">
    <header>
      <router-link to="/rules/plans">Contact plans</router-link>
      <h1>{{ isNew ? 'New plan' : draft?.name }}<span v-if="detail?.retired" class="quiet"> · retired</span></h1>
      <span v-if="said" role="status" class="quiet">{{ said }}</span>
      <span class="space" />
      <fieldset class="pick"><legend class="visually-hidden">Side drawn</legend>
        <button
          v-for="each in (['face', 'wiring'] as const)"
          :key="each"
          type="button"
          :aria-pressed="view === each"
          @click="view = each">{{ each === 'face' ? 'Mating face' : 'Wiring side' }}</button>
      </fieldset>
      <v-btn v-if="!isNew" variant="outlined" color="primary" :href="$file(`plans/${id}.csv`)" download>CSV</v-btn>
      <template v-if="session.plans">
        <v-btn variant="outlined" color="primary" :disabled="past.length === 0" @click="undo">Undo</v-btn>
        <v-btn
          v-if="detail && !detail.retired"
          variant="text"
          color="error"
          @click="remove">{{ detail.version != null && !detail.used ? 'Remove' : 'Retire' }}</v-btn>
        <v-btn color="primary" :disabled="!draft?.connector || (!dirty && !isNew)" @click="openSave">Save …</v-btn>
      </template>
    </header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <div v-if="draft" class="columns">
      <section>
        <v-autocomplete
          v-if="isNew"
          :model-value="draft.connector"
          label="Connector"
          :items="connectors"
          item-title="name"
          item-value="id"
          @update:model-value="connector" />
        <p
          v-if="cell"
          class="hand"
          aria-live="polite">In hand: <b>channel {{ cell.channel }} {{ cell.fn }}</b>. Press its contact. Esc lays it
          down.</p>
        <p
          v-else-if="session.plans && channels.length"
          class="quiet">Choose a cell of the table, then press its contact on the
          {{ view === 'face' ? 'mating face' : 'wiring side' }}.</p>
        <ConnectorView
          v-if="drawing"
          :drawing="drawing"
          :view="view"
          :fill="fill"
          :lit="lit"
          :bad="wrong.map(pair => pair.address)"
          :pressable="session.plans"
          :height="drawing.cavities.length > 40 ? 560 : 300"
          :titles="serves"
          @press="press" />
        <p
          v-if="drawing"
          class="quiet name">{{ drawing.name }}<template v-if="draft.source"> · {{ draft.source }}</template></p>
      </section>
      <section class="middle">
        <LayOut
          v-if="session.plans && (drawing || !isNew)"
          :signals="signals"
          :busy="laying"
          @lay="lay"
          @paste="pasting = true" />
        <table v-if="channels.length" class="lines" aria-label="Channels">
          <thead><tr><th>Channel</th><th v-if="draft.block">Block</th><th
            v-for="fn in functions"
            :key="fn">{{ fn }}</th></tr></thead>
          <tbody>
            <tr v-for="channel in channels" :key="channel">
              <td class="mono"><b>{{ channel }}</b></td><td v-if="draft.block">
                <Swatch :colour="blockColour(blockOf(channel))" /></td>
              <td v-for="fn in functions" :key="fn"><button
                type="button"
                class="contact"
                :class="{ held: cell?.channel === channel && cell.fn === fn,
                          off: wrong.some(pair => pair.own === `${channel} ${fn}`) }"
                :disabled="!session.plans"
                :aria-label="`channel ${channel} ${fn}: ${draft.channels[channel]?.[fn] ?? 'no contact'}`"
                @click="cell = { channel, fn }">{{ draft.channels[channel]?.[fn] ?? '–' }}</button></td>
            </tr>
          </tbody>
        </table>
        <p v-else-if="drawing" class="quiet">No channel yet. Lay them out, or paste a table.</p>
      </section>
      <section>
        <h2>Checked</h2>
        <p
          v-for="finding in problems"
          :key="finding.words"
          class="note"
          :class="finding.severity">{{ finding.words }} {{ finding.remedy }}</p>
        <p v-if="drawing && problems.length === 0" class="note good">Every function has a contact of its own.</p>
        <h2>Against the half it mates with</h2>
        <v-select
          v-model="against"
          label="Compare with the plan of"
          :items="mates.map(mate => ({ value: mate.id, title: `${mate.connector}: ${mate.name}` }))"
          clearable
          no-data-text="Nothing mates with it" />
        <template v-if="against">
          <p
            v-if="wrong.length === 0 && pairs.length"
            class="note good">All {{ pairs.length }} contacts meet their own function.</p>
          <template v-else>
            <p class="note stop"><strong>{{ wrong.length }} of {{ pairs.length }} contacts do not agree</strong></p>
            <table class="lines" aria-label="Contacts that do not agree">
              <thead><tr><th>Contact</th><th>Here</th><th>Meets</th><th>There</th></tr></thead>
              <tbody><tr
                v-for="pair in wrong"
                :key="pair.address"><td class="mono"><b>{{ pair.address }}</b></td><td>{{ pair.own || 'free' }}</td>
                <td class="mono">{{ pair.opposite }}</td><td>{{ pair.theirs || 'free' }}</td></tr></tbody>
            </table>
          </template>
        </template>
      </section>
    </div>
    <BeingMade v-if="!draft && !problem" of="the plan" />
    <PasteTable v-model="pasting" :problem="problem" @paste="paste" />
    <v-dialog v-model="saving" max-width="560">
      <v-card class="pa-5"><form @submit.prevent="save">
        <h1>Save the plan</h1>
        <p
          v-if="detail && detail.version == null"
          class="quiet">This plan ships with Sartal. Under its own name, this installation uses yours instead; under
          another, both stay.</p>
        <v-text-field v-model="asName" label="Name" autofocus />
        <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
        <p class="acts"><v-btn
          type="submit"
          color="primary"
          :loading="busy"
          :disabled="!asName">Save</v-btn><v-btn variant="text" @click="saving = false">Cancel</v-btn></p>
        <!-- Below the buttons, so that what comes in late moves nothing that is about to be pressed. -->
        <template v-if="preview"><h2>What this would change</h2><ConsequenceList :changes="preview" /></template>
      </form></v-card>
    </v-dialog>
  </main>
</template>

<style scoped>
.plan {
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
.pick button:focus-visible {
  outline: 2px solid var(--copper);
  outline-offset: -2px;
}
.columns {
  display: grid;
  grid-template-columns: 300px minmax(300px, 1fr) 320px;
  gap: 26px;
  padding: 12px 18px 40px;
}
.columns > section {
  min-width: 0;
}
.hand {
  color: var(--amber);
  margin: 0 0 8px;
}
.name {
  text-align: center;
}
.contact {
  all: unset;
  font: 13px var(--mono);
  min-width: 34px;
  text-align: center;
  padding: 2px 4px;
  border: 1px solid transparent;
  border-radius: 3px;
  cursor: pointer;
}
.contact:hover:not(:disabled) {
  border-color: var(--line);
  background: var(--surface);
}
.contact:focus-visible {
  outline: 2px solid var(--copper);
}
.contact.held {
  background: var(--copper-fill);
  color: var(--on-action);
}
.contact.off {
  border-color: var(--flux);
  color: var(--flux);
  font-weight: 600;
}
.contact.off.held {
  color: var(--on-action);
}
.contact:disabled {
  cursor: default;
}
.acts {
  margin: 14px 0 0;
}
h2:first-child {
  margin-top: 0;
}
@media (max-width: 1000px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
