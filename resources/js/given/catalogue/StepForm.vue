<script setup lang="ts">
import { computed } from 'vue'
import {
  FROMS,
  JOINS,
  KINDS,
  MEASURES,
  VERBS,
  type Choice,
  type MakingStep,
  type Measure,
  type Procedure,
} from './procedure'

/** One step in fields. What is locked is shown, and cannot be changed. */
const props = defineProps<{ procedure: Procedure; step: MakingStep; at: number; answers: Choice[] }>()
const emit = defineEmits<{
  set: [key: keyof MakingStep, value: unknown]
  rename: [name: string]
}>()
const fixed = computed(() => props.step.locked === true)
const parts = computed(() => [
  ...new Set(props.procedure.steps.map(each => each.part ?? '').filter(part => part !== '')),
])
const before = computed(() => props.procedure.steps.slice(0, props.at + 1).map(each => each.id))
const marks = computed(() =>
  props.procedure.steps
    .slice(0, props.at)
    .filter(each => each.do === 'mark')
    .map(each => each.id),
)
function measure(change: Partial<Measure>) {
  const now = { length: '10 mm', kind: 'mark', from: 'cut-end', ...props.step.measure, ...change }
  if (!now.asked) delete now.asked
  if (now.from !== 'mark') delete now.mark
  else now.mark ??= marks.value[0]
  emit('set', 'measure', now)
}
const ONLY = [
  { key: 'has', label: 'Only of an end that has' },
  { key: 'lacks', label: 'Only of an end without' },
] as const
const LENGTH = [
  { key: 'kind', label: 'Which length', items: MEASURES },
  { key: 'from', label: 'From where', items: FROMS },
] as const
const WORDS = [
  { key: 'tool', label: 'With' },
  { key: 'check', label: 'Look' },
  { key: 'catches', label: 'Finds the defect' },
  { key: 'why', label: 'Why' },
  { key: 'caution', label: 'Caution' },
] as const
const typed = (event: Event) => (event.target as HTMLInputElement).value.trim()
</script>

<template>
  <v-form :disabled="fixed" @submit.prevent>
    <p v-if="fixed" class="note check">This step secures somebody’s life. It stays as it is, in every copy and in its
      place.</p>
    <fieldset class="fields" :disabled="fixed">
      <legend class="visually-hidden">What is done</legend>
      <v-select :model-value="step.do" :items="VERBS" label="Does" @update:model-value="emit('set', 'do', $event)" />
      <v-select
        :model-value="step.of ?? []"
        :items="KINDS"
        label="To"
        multiple
        @update:model-value="emit('set', 'of', $event)" />
      <v-select
        :model-value="step.joins ?? null"
        :items="JOINS"
        label="Those alone"
        clearable
        @update:model-value="emit('set', 'joins', $event)" />
      <v-combobox
        :model-value="step.part ?? ''"
        :items="parts"
        label="Part"
        clearable
        @update:model-value="emit('set', 'part', $event)" />
    </fieldset>
    <fieldset class="fields" :disabled="fixed">
      <legend>Length</legend>
      <v-btn v-if="!step.measure && !fixed" size="small" variant="outlined" color="primary" @click="measure({})">It has
        one</v-btn>
      <template v-else-if="step.measure">
        <v-text-field
          :model-value="step.measure.length"
          label="How long, in its own unit"
          @change="measure({ length: typed($event) })" />
        <v-select
          v-for="{ key, ...list } in LENGTH"
          :key="key"
          v-bind="list"
          :model-value="step.measure[key]"
          @update:model-value="measure({ [key]: $event })" />
        <v-select
          v-if="step.measure.from === 'mark'"
          :model-value="step.measure.mark ?? ''"
          :items="marks"
          label="Mark"
          @update:model-value="measure({ mark: $event })" />
        <label><input
          type="checkbox"
          :checked="step.measure.asked === true"
          @change="measure({ asked: ($event.target as HTMLInputElement).checked })"> its maker’s figure is
          needed</label>
        <v-btn size="small" variant="text" @click="emit('set', 'measure', null)">No length</v-btn>
      </template>
    </fieldset>
    <fieldset class="fields" :disabled="fixed">
      <legend>How, and what to look for</legend>
      <v-text-field
        v-for="{ key, label } in WORDS"
        :key="key"
        :model-value="step[key] ?? ''"
        :label="label"
        @change="emit('set', key, typed($event))" />
      <v-text-field
        :model-value="step.seconds ?? ''"
        label="Seconds to wait"
        inputmode="numeric"
        @change="emit('set', 'seconds', Number(typed($event)) || null)" />
      <v-select
        v-if="step.catches"
        :model-value="step.redo ?? []"
        :items="before"
        label="Where it is found, back to"
        multiple
        @update:model-value="emit('set', 'redo', $event)" />
    </fieldset>
    <details>
      <summary>Only for some ends, and its name</summary>
      <fieldset class="fields" :disabled="fixed">
        <legend class="visually-hidden">Only for some ends</legend>
        <v-select
          v-for="{ key, label } in ONLY"
          :key="key"
          :model-value="step[key] ?? []"
          :items="KINDS"
          :label="label"
          multiple
          @update:model-value="emit('set', key, $event)" />
        <v-autocomplete
          :model-value="step.under ?? []"
          :items="answers"
          label="Only where the house has it so"
          multiple
          chips
          closable-chips
          @update:model-value="emit('set', 'under', $event)" />
        <v-text-field
          :model-value="step.id"
          label="Its name among the steps"
          @change="emit('rename', typed($event))" />
      </fieldset>
    </details>
  </v-form>
</template>

<style scoped>
details {
  margin: 6px 0;
}
</style>
