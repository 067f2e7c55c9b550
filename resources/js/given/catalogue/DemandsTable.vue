<script setup lang="ts">
import { DEMANDED, JOINS, KINDS, LIES, title, type Choice, type Demand, type Procedure } from './procedure'

/** What the connector wants of the finished end. */
defineProps<{ procedure: Procedure; unmet: string[]; editing: boolean; answers: Choice[] }>()
const emit = defineEmits<{ change: [work: (of: Procedure) => void] }>()
const typed = (event: Event) => (event.target as HTMLInputElement).value.trim()
const of = (each: Demand) =>
  [(each.of ?? []).map(kind => title(KINDS, kind)).join(', '), each.joins ? title(JOINS, each.joins) : '']
    .filter(Boolean)
    .join(' ')
/** What is empty is left out. */
const set = <K extends keyof Demand>(i: number, key: K, value: Demand[K] | null | undefined) =>
  emit('change', it => {
    const demand = it.demands![i]!
    const isNothing = value === null || value === undefined || value === '' || (Array.isArray(value) && !value.length)
    if (isNothing && key !== 'name' && key !== 'most' && key !== 'what') delete demand[key]
    else demand[key] = value as Demand[K]
  })
const add = () =>
  emit('change', it => {
    it.demands = [...(it.demands ?? []), { name: 'what is wanted', what: 'bare', of: ['metal'], most: '10 mm' }]
  })
const remove = (i: number) =>
  emit('change', it => {
    it.demands!.splice(i, 1)
  })
const FIELDS = [
  ['name', 'What is wanted, in words'],
  ['least', 'At least'],
  ['most', 'At most'],
  ['defect', 'Else it is called'],
] as const
const LISTS = [
  { key: 'what', label: 'Which length', items: DEMANDED, clearable: false },
  { key: 'joins', label: 'Those alone', items: JOINS, clearable: true },
  { key: 'lies', label: 'How it has to lie', items: LIES, clearable: true },
] as const
</script>

<template>
  <section>
    <h2>Of the finished end it is demanded</h2>
    <ul v-if="unmet.length" class="unmet" aria-label="Not as demanded"><li
      v-for="each in unmet"
      :key="each">{{ each }}</li></ul>
    <template v-if="editing">
      <fieldset class="fields" v-for="(each, i) in procedure.demands ?? []" :key="i">
        <legend>{{ each.name }}</legend>
        <v-text-field
          v-for="[key, label] in FIELDS"
          :key="key"
          :model-value="each[key] ?? ''"
          :label="label"
          @change="set(i, key, typed($event))" />
        <v-select
          v-for="{ key, ...list } in LISTS"
          :key="key"
          v-bind="list"
          :model-value="each[key] ?? null"
          @update:model-value="set(i, key, $event)" />
        <v-select
          :model-value="each.of ?? []"
          :items="KINDS"
          label="Of"
          multiple
          @update:model-value="set(i, 'of', $event)" />
        <v-autocomplete
          :model-value="each.under ?? []"
          :items="answers"
          label="Only where the house has it so"
          multiple
          chips
          closable-chips
          @update:model-value="set(i, 'under', $event)" />
        <v-btn size="small" variant="text" color="error" @click="remove(i)">Remove</v-btn>
      </fieldset>
      <v-btn size="small" variant="outlined" color="primary" @click="add">Add a demand</v-btn>
    </template>
    <table v-else-if="procedure.demands?.length" class="lines">
      <thead><tr><th>What</th><th>Of</th><th>At least</th><th>At most</th><th>Else it is called</th></tr></thead>
      <tbody><tr v-for="(each, i) in procedure.demands" :key="i">
        <td>{{ each.name }}<br><span class="quiet">{{ title(DEMANDED, each.what) }}<template
          v-for="answer in each.under ?? []"
          :key="answer">; {{ title(answers, answer) }}</template></span></td>
        <td>{{ of(each) }}</td>
        <td class="mono">{{ each.least ?? '0 mm' }}</td><td class="mono">{{ each.most }}</td>
        <td>{{ each.defect }}</td>
      </tr></tbody>
    </table>
    <p v-else class="quiet">Nothing but that every terminal is joined.</p>
  </section>
</template>

<style scoped>
.unmet {
  color: var(--flux);
  padding-left: 18px;
}
</style>
