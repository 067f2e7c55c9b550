<script setup lang="ts">
import type { StepRecords } from '../../api/types'
import FigureSum from '../../ui/FigureSum.vue'
import type { MakingStep } from './procedure'

/** What the crew's own record says of a step; once the step was changed, whether that is still the same work. */
const props = defineProps<{
  step: MakingStep
  was?: MakingStep
  known?: StepRecords[string]
  editing: boolean
}>()
const emit = defineEmits<{ since: [value: string | null] }>()
const changed = () =>
  props.was !== undefined &&
  JSON.stringify({ ...props.was, since: '' }) !== JSON.stringify({ ...props.step, since: '' })
const anew = () => (props.step.since ?? '') !== (props.was?.since ?? '')
const begin = () => emit('since', new Date().toISOString())
const goOn = () => emit('since', props.was?.since ?? null)
</script>

<template>
  <div v-if="known || step.since" class="record">
    <dl>
      <template v-if="known?.minutes"><dt>Takes</dt><dd><FigureSum :figure="known.minutes" /></dd></template>
      <template v-if="known?.of && step.catches"><dt>Later</dt>
        <dd>{{ step.catches }} at <b class="mono">{{ known.found }}</b> of <b class="mono">{{ known.of }}</b>
          {{ known.of === 1 ? 'end that was' : 'ends that were' }} looked over</dd></template>
      <template v-if="!editing && step.since"><dt>Counts</dt><dd>from {{ step.since.slice(0, 10) }} on: before that it
        was other work</dd></template>
    </dl>
    <fieldset v-if="known && editing && changed()" class="note check">
      <legend>You changed this step. Is it still the same work?</legend>
      <label><input type="radio" :checked="!anew()" @change="goOn">Yes: what is known of it goes on counting</label>
      <label><input type="radio" :checked="anew()" @change="begin">No: its record begins when this is saved</label>
    </fieldset>
  </div>
</template>

<style scoped>
.record {
  font-size: 13.5px;
  margin: 4px 0 8px;
}
dl {
  display: grid;
  grid-template-columns: 70px minmax(0, 1fr);
  gap: 4px 10px;
  margin: 0;
}
dt {
  color: var(--slate);
}
dd {
  margin: 0;
}
.note label {
  display: block;
  padding: 6px 0;
}
</style>
