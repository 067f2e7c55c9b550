<script setup lang="ts">
import { CARRIES, CENTRES, JOININGS, JOINS, OVER, type Procedure } from './procedure'

/** What a procedure says beside its steps: how far terminals are, what is closed and crimped, how legs go on. */
defineProps<{ procedure: Procedure }>()
const emit = defineEmits<{ change: [work: (of: Procedure) => void] }>()
const typed = (event: Event) => (event.target as HTMLInputElement).value.trim()
type Lists = 'closes' | 'crimps' | 'legs' | 'reaches'
const NEW = {
  closes: { part: 'cover' },
  crimps: { part: 'ferrule', times: 2 },
  legs: { carries: 'signal' },
  reaches: { length: '12 mm' },
} as const
const put = (list: Lists, i: number, key: string, value: unknown) =>
  emit('change', of => {
    const entry = of[list]![i]! as unknown as Record<string, unknown>
    if (value === null || value === '' || value === false) delete entry[key]
    else entry[key] = value
  })
const add = (list: Lists) =>
  emit('change', of => {
    const entries = (of[list] ?? []) as unknown[]
    of[list] = [...entries, { ...NEW[list] }] as never
  })
const remove = (list: Lists, i: number) =>
  emit('change', of => {
    of[list]!.splice(i, 1)
    if (!of[list]!.length) delete of[list]
  })
const mark = (key: 'centre' | 'throughLugs', value: unknown) =>
  emit('change', of => {
    if (value) of[key] = value as never
    else delete of[key]
  })
const words = (text: string) => text.split(/[\s,]+/).filter(Boolean)
const standsIn = (joinings: string[]) =>
  emit('change', of => {
    if (joinings.length) of.standsIn = joinings
    else delete of.standsIn
  })
const times = (event: Event) => Math.max(1, Math.min(9, Math.round(Number(typed(event)) || 1)))
</script>

<template>
  <details>
    <summary>How far terminals are, what is closed and crimped, and how legs go on</summary>
    <fieldset class="fields" v-for="(each, i) in procedure.reaches ?? []" :key="`reaches ${i}`">
      <legend>From the sheath to a terminal; the first that is meant counts</legend>
      <v-text-field
        :model-value="each.length"
        label="Length"
        @change="put('reaches', i, 'length', typed($event))" />
      <v-select
        :model-value="each.joins ?? null"
        :items="JOINS.filter(one => ['screen', 'core', 'earth'].includes(one.value))"
        label="Of what goes there"
        clearable
        @update:model-value="put('reaches', i, 'joins', $event)" />
      <v-text-field
        :model-value="each.function ?? ''"
        label="That carries"
        placeholder="hot"
        @change="put('reaches', i, 'function', typed($event))" />
      <v-text-field
        :model-value="(each.of ?? []).join(', ')"
        label="Of cables prepared as"
        placeholder="star-quad"
        @change="put('reaches', i, 'of', words(typed($event)).length ? words(typed($event)) : null)" />
      <label><input
        type="checkbox"
        :checked="each.asked === true"
        @change="put('reaches', i, 'asked', ($event.target as HTMLInputElement).checked)"> maker’s figure needed</label>
      <v-btn size="small" variant="text" color="error" @click="remove('reaches', i)">Remove</v-btn>
    </fieldset>
    <fieldset class="fields" v-for="(each, i) in procedure.closes ?? []" :key="`closes ${i}`">
      <legend>Closed over what is joined</legend>
      <v-text-field
        :model-value="each.part"
        label="Part of the connector"
        @change="put('closes', i, 'part', typed($event))" />
      <v-select
        :model-value="each.over ?? null"
        :items="OVER"
        label="Over"
        clearable
        @update:model-value="put('closes', i, 'over', $event)" />
      <v-btn size="small" variant="text" color="error" @click="remove('closes', i)">Remove</v-btn>
    </fieldset>
    <fieldset class="fields" v-for="(each, i) in procedure.crimps ?? []" :key="`crimps ${i}`">
      <legend>Crimped more than once</legend>
      <v-text-field
        :model-value="each.part"
        label="Part"
        @change="put('crimps', i, 'part', typed($event))" />
      <v-text-field
        :model-value="each.times"
        label="Times"
        inputmode="numeric"
        @change="put('crimps', i, 'times', times($event))" />
      <v-btn size="small" variant="text" color="error" @click="remove('crimps', i)">Remove</v-btn>
    </fieldset>
    <fieldset class="fields" v-for="(each, i) in procedure.legs ?? []" :key="`legs ${i}`">
      <legend>A leg that goes on</legend>
      <v-select
        :model-value="each.carries"
        :items="CARRIES"
        label="Which carries"
        @update:model-value="put('legs', i, 'carries', $event)" />
      <v-text-field
        :model-value="each.procedure ?? ''"
        label="By the procedure, or whichever it has"
        @change="put('legs', i, 'procedure', typed($event))" />
      <label><input
        type="checkbox"
        :checked="each.last === true"
        @change="put('legs', i, 'last', ($event.target as HTMLInputElement).checked)"> once the others are finished at
        both ends</label>
      <v-btn size="small" variant="text" color="error" @click="remove('legs', i)">Remove</v-btn>
    </fieldset>
    <p class="acts">
      <v-btn size="small" variant="outlined" color="primary" @click="add('reaches')">How far a terminal is</v-btn>
      <v-btn size="small" variant="outlined" color="primary" @click="add('closes')">Something is closed</v-btn>
      <v-btn size="small" variant="outlined" color="primary" @click="add('crimps')">Something is crimped twice</v-btn>
      <v-btn size="small" variant="outlined" color="primary" @click="add('legs')">A leg goes on</v-btn>
    </p>
    <fieldset class="fields">
      <legend class="visually-hidden">Its connectors</legend>
      <v-select
        :model-value="procedure.centre ?? 'none'"
        :items="CENTRES"
        label="Of coax, the centre is taken by"
        @update:model-value="mark('centre', $event === 'none' ? null : $event)" />
      <v-select
        :model-value="procedure.standsIn ?? []"
        :items="JOININGS"
        label="Stands in where a connector names nothing, for"
        multiple
        @update:model-value="standsIn($event)" />
      <label><input
        type="checkbox"
        :checked="procedure.throughLugs === true"
        @change="mark('throughLugs', ($event.target as HTMLInputElement).checked)"> wires go through open lugs; none is
        filled before</label>
    </fieldset>
  </details>
</template>

<style scoped>
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
summary {
  padding: 8px 0;
  cursor: pointer;
}
</style>
