<script setup lang="ts">
import { computed } from 'vue'
import { FROMS, JOINS, KINDS, MEASURES, VERBS, type MakingStep, type Measure, type Procedure } from './procedure'

/** One step in fields. What is locked is shown, and cannot be changed. */
const props = defineProps<{ procedure: Procedure; step: MakingStep; at: number }>()
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
const typed = (event: Event) => (event.target as HTMLInputElement).value.trim()
</script>

<template>
  <div class="form">
    <p v-if="fixed" class="note check">This step secures somebody’s life. It stays as it is, in every copy and in its
      place.</p>
    <fieldset :disabled="fixed">
      <legend class="visually-hidden">What is done</legend>
      <v-select
        :model-value="step.do"
        :items="VERBS"
        label="Does"
        :disabled="fixed"
        hide-details
        @update:model-value="emit('set', 'do', $event)" />
      <v-select
        :model-value="step.of ?? []"
        :items="KINDS"
        label="To"
        multiple
        :disabled="fixed"
        hide-details
        @update:model-value="emit('set', 'of', $event)" />
      <v-select
        :model-value="step.joins ?? null"
        :items="JOINS"
        label="Those alone"
        clearable
        :disabled="fixed"
        hide-details
        @update:model-value="emit('set', 'joins', $event)" />
      <v-combobox
        :model-value="step.part ?? ''"
        :items="parts"
        label="Part"
        clearable
        :disabled="fixed"
        hide-details
        @update:model-value="emit('set', 'part', $event)" />
    </fieldset>
    <fieldset :disabled="fixed" class="length">
      <legend>Length</legend>
      <v-btn
        v-if="!step.measure"
        size="small"
        variant="outlined"
        color="primary"
        :disabled="fixed"
        @click="measure({})">It has one</v-btn>
      <template v-else>
        <v-text-field
          :model-value="step.measure.length"
          label="How long, in its own unit"
          :disabled="fixed"
          hide-details
          @change="measure({ length: typed($event) })" />
        <v-select
          :model-value="step.measure.kind"
          :items="MEASURES"
          label="Which length"
          :disabled="fixed"
          hide-details
          @update:model-value="measure({ kind: $event })" />
        <v-select
          :model-value="step.measure.from"
          :items="FROMS"
          label="From where"
          :disabled="fixed"
          hide-details
          @update:model-value="measure({ from: $event })" />
        <v-select
          v-if="step.measure.from === 'mark'"
          :model-value="step.measure.mark ?? ''"
          :items="marks"
          label="Mark"
          :disabled="fixed"
          hide-details
          @update:model-value="measure({ mark: $event })" />
        <label class="tick"><input
          type="checkbox"
          :checked="step.measure.asked === true"
          :disabled="fixed"
          @change="measure({ asked: ($event.target as HTMLInputElement).checked })"> its maker’s figure is
          needed</label>
        <v-btn size="small" variant="text" :disabled="fixed" @click="emit('set', 'measure', null)">No length</v-btn>
      </template>
    </fieldset>
    <fieldset :disabled="fixed">
      <legend>How, and what to look for</legend>
      <v-text-field
        v-for="[key, label] in ([['tool', 'With'], ['check', 'Look'], ['catches', 'Finds the defect'],
                                 ['why', 'Why'], ['caution', 'Caution']] as const)"
        :key="key"
        :model-value="step[key] ?? ''"
        :label="label"
        :disabled="fixed"
        hide-details
        @change="emit('set', key, typed($event))" />
      <v-text-field
        :model-value="step.seconds ?? ''"
        label="Seconds to wait"
        inputmode="numeric"
        :disabled="fixed"
        hide-details
        @change="emit('set', 'seconds', Number(typed($event)) || null)" />
      <v-select
        v-if="step.catches"
        :model-value="step.redo ?? []"
        :items="before"
        label="Where it is found, back to"
        multiple
        :disabled="fixed"
        hide-details
        @update:model-value="emit('set', 'redo', $event)" />
    </fieldset>
    <details>
      <summary>Only for some ends, and its name</summary>
      <fieldset :disabled="fixed">
        <legend class="visually-hidden">Only for some ends</legend>
        <v-select
          :model-value="step.has ?? []"
          :items="KINDS"
          label="Only of an end that has"
          multiple
          :disabled="fixed"
          hide-details
          @update:model-value="emit('set', 'has', $event)" />
        <v-select
          :model-value="step.lacks ?? []"
          :items="KINDS"
          label="Only of an end without"
          multiple
          :disabled="fixed"
          hide-details
          @update:model-value="emit('set', 'lacks', $event)" />
        <v-combobox
          :model-value="step.under ?? []"
          label="Only where the house has it so"
          placeholder="mainsEnds=ferrule"
          multiple
          chips
          :disabled="fixed"
          hide-details
          @update:model-value="emit('set', 'under', $event)" />
        <v-text-field
          :model-value="step.id"
          label="Its name among the steps"
          :disabled="fixed"
          hide-details
          @change="emit('rename', typed($event))" />
      </fieldset>
    </details>
  </div>
</template>

<style scoped>
fieldset {
  border: 0;
  margin: 0 0 10px;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: 8px;
}
legend {
  font-size: 12.5px;
  font-weight: 600;
  color: var(--slate);
  padding: 4px 0;
}
.tick {
  display: flex;
  gap: 8px;
  align-items: center;
  font-size: 13.5px;
}
details {
  margin: 6px 0;
}
</style>
