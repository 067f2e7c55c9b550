<script setup lang="ts">
import { reactive, ref } from 'vue'
import { api, ApiError } from '../../api/client'
import { useSession } from '../../api/session'
import type { CircuitOf } from '../../api/types'
import { refusal } from '../../ui/attempt'

/** What is decided about each circuit: how it is shared, where it comes from, where power comes in, where it ends. */
defineProps<{ circuits: CircuitOf[] }>()
const emit = defineEmits<{ changed: [] }>()
const session = useSession()
const editing = ref<CircuitOf | null>(null)
const problem = ref('')
const TOPOLOGY: Record<string, string> = {
  'point-to-point': 'point to point',
  split: 'split',
  'daisy-chain': 'daisy chain',
}
const label = (circuit: CircuitOf, id: string) => circuit.fittings.find(each => each.id === id)?.label ?? id
async function save() {
  const it = editing.value!
  problem.value = ''
  try {
    const demand = Object.fromEntries(
      Object.entries(asked)
        .filter(([, value]) => value.trim() !== '')
        .map(([key, value]) => [key, key === 'rate' ? value : Number(value.replace(',', '.'))]),
    )
    await api.patch(`circuits/${it.id}`, {
      version: it.version,
      demand,
      name: it.name,
      topology: it.topology,
      from: it.from,
      phantom: it.phantom,
      terminator: it.terminator,
    })
    editing.value = null
    emit('changed')
  } catch (error) {
    problem.value = error instanceof ApiError ? refusal(error) : String(error)
  }
}
/** What reach depends on, by the kind of limit. */
const ASKS: Record<string, [string, string][]> = {
  corner: [['source', 'Source, Ω']],
  loudspeaker: [
    ['load', 'Load, Ω'],
    ['line', 'Line, V (70 or 100)'],
    ['power', 'Power, W'],
  ],
  category: [
    ['power', 'Power over the cable, W'],
    ['line', 'Supply, V'],
  ],
  'voltage-drop': [
    ['power', 'Power, W'],
    ['line', 'Supply, V'],
  ],
}
const asked = reactive<Record<string, string>>({})
function edit(circuit: CircuitOf) {
  for (const key of Object.keys(asked)) asked[key] = ''
  for (const [key, value] of Object.entries(circuit.demand ?? {})) asked[key] = String(value)
  editing.value = { ...circuit }
}
const said = (circuit: CircuitOf) =>
  Object.entries(circuit.demand ?? {}).map(([key, value]) =>
    key === 'rate' ? String(value) : `${key} ${value} ${{ source: 'Ω', load: 'Ω', line: 'V', power: 'W' }[key] ?? ''}`,
  )
const choices = (circuit: CircuitOf, ports: boolean) => [
  { id: '', label: 'nobody said' },
  ...circuit.fittings.filter(each => ports || !each.id.includes(':')),
]
</script>

<template>
  <table class="lines">
    <thead><tr><th>Circuit</th><th>Signal</th><th>Shared</th><th>Said of it</th><th></th></tr></thead>
    <tbody><tr v-for="circuit in circuits" :key="circuit.id">
      <td>{{ circuit.name }}</td><td class="quiet">{{ circuit.signalName }}</td>
      <td>{{ TOPOLOGY[circuit.topology] }}</td>
      <td class="quiet">{{ [circuit.from && `from ${label(circuit, circuit.from)}`, circuit.phantom
        && `phantom by ${label(circuit, circuit.phantom)}`, circuit.terminator
        && `terminated at ${label(circuit, circuit.terminator)}`, ...said(circuit)].filter(Boolean).join(', ') }}</td>
      <td><v-btn
        v-if="session.plans"
        size="x-small"
        variant="text"
        color="primary"
        :aria-label="`Edit circuit ${circuit.name}`"
        @click="edit(circuit)">Edit</v-btn></td>
    </tr></tbody>
  </table>
  <v-dialog :model-value="editing !== null" max-width="440" @update:model-value="editing = null">
    <v-card v-if="editing" class="pa-5"><form class="form" @submit.prevent="save">
      <h1>Circuit</h1>
      <v-text-field v-model="editing.name" label="Name" />
      <v-select
        v-model="editing.topology"
        label="Shared"
        :items="Object.entries(TOPOLOGY).map(([value, title]) => ({ value, title }))" />
      <v-select
        v-model="editing.from"
        label="Comes from"
        :items="choices(editing, false)"
        item-title="label"
        item-value="id" />
      <v-select
        v-if="editing.takesPhantom"
        v-model="editing.phantom"
        label="Phantom power comes in by"
        :items="choices(editing, false)"
        item-title="label"
        item-value="id" />
      <v-select
        v-if="editing.joins === 'chain'"
        v-model="editing.terminator"
        label="Terminated at"
        :items="choices(editing, true)"
        item-title="label"
        item-value="id" />
      <v-select
        v-if="editing.asks === 'loss'"
        v-model="asked.rate"
        label="How fast"
        :items="[{ value: '', title: 'nobody said (planned as 3G)' }, 'HD', '3G', '6G', '12G']" />
      <v-text-field
        v-for="[key, name] in ASKS[editing.asks] ?? []"
        :key="key"
        v-model="asked[key]"
        :label="name"
        placeholder="the usual of its signal"
        inputmode="decimal" />
      <p
        v-if="editing.asks === 'voltage-drop'"
        class="quiet">Information alone: what mains needs is for local code and a licensed person.</p>
      <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
      <p class="acts"><v-btn type="submit" color="primary">Save</v-btn><v-btn
        variant="text"
        @click="editing = null">Cancel</v-btn></p>
    </form></v-card>
  </v-dialog>
</template>

<style scoped>
.form {
  display: grid;
  gap: 10px;
}
.acts {
  margin: 4px 0 0;
}
</style>
