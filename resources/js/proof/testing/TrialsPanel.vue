<script setup lang="ts">
import { computed } from 'vue'
import type { Stage, TestSheet, Trial } from '../../api/test'
import { when } from '../../ui/dates'

/** What was recorded before: bench and in place side by side, and what came between. */
const props = defineProps<{ sheet: TestSheet; settles: boolean }>()
defineEmits<{ settle: [id: string] }>()
const COLUMNS: { stage: Stage; name: string }[] = [
  { stage: 'before-closing', name: 'Before closing' },
  { stage: 'bench', name: 'Bench' },
  { stage: 'installed', name: 'In place' },
]
const columns = computed(() =>
  COLUMNS.map(column => ({
    ...column,
    trials: props.sheet.trials.filter(trial => trial.kind === 'tested' && trial.stage === column.stage),
  })).filter(column => column.trials.length || column.stage !== 'before-closing'),
)
const between = computed(() => props.sheet.trials.filter(trial => trial.kind !== 'tested'))
const apart = computed(() => props.sheet.trials.filter(trial => props.sheet.contradiction.includes(trial.id)))
const read = (trial: Trial) =>
  Object.entries(trial.read ?? {})
    .map(([method, of]) => `${method} ${of.read}${of.declared ? `, ${of.declared} declared` : ''}`)
    .join(' · ')
const event = (trial: Trial) =>
  trial.kind === 'remade'
    ? `end ${trial.side} made again`
    : trial.kind === 'reworked'
      ? `sent back to the bench, end ${trial.side}`
      : 'settled which record holds'
</script>

<template>
  <section class="trials" aria-label="Records">
    <div v-if="apart.length" class="note stop" role="alert">
      <strong>{{ apart.length }} people tested it and do not agree</strong>
      <p
        v-for="trial in apart"
        :key="trial.id">{{ trial.who }}, {{ when(trial.at) }}:
        <b>{{ trial.verdict }}</b>{{ trial.note ? `, ${trial.note}` : '' }}
        <v-btn
          v-if="settles"
          size="small"
          variant="outlined"
          color="primary"
          @click="$emit('settle', trial.id)">This one holds</v-btn></p>
    </div>
    <h2>Before</h2>
    <p v-if="sheet.trials.length === 0" class="quiet">No earlier test of this cable.</p>
    <div v-else class="columns">
      <div v-for="column in columns" :key="column.stage">
        <h3>{{ column.name }}</h3>
        <p v-if="column.trials.length === 0" class="quiet">Not yet.</p>
        <ol :aria-label="`Earlier tests, ${column.name.toLowerCase()}`">
          <li v-for="trial in column.trials" :key="trial.id" :class="trial.verdict">
            {{ when(trial.at) }} · <b>{{ trial.verdict }}</b> · {{ trial.who }}<template v-if="trial.note"> ·
              {{ trial.note }}</template>
            <em v-if="trial.overtaken"> · overtaken</em>
            <small class="quiet">{{ read(trial) }}{{ trial.instrument ? ` · ${trial.instrument}` : '' }}</small>
            <small v-if="trial.missing?.length" class="quiet">without: {{ trial.missing.join(', ') }}</small>
            <small v-for="finding in trial.findings" :key="finding.words" class="check">{{ finding.words }}</small>
          </li>
        </ol>
      </div>
    </div>
    <ol
      v-if="between.length"
      aria-label="Between the tests"><li
        v-for="trial in between"
        :key="trial.id">{{ when(trial.at) }} · {{ event(trial) }} ·
        {{ trial.who }}{{ trial.note ? ` · ${trial.note}` : '' }}</li>
    </ol>
  </section>
</template>

<style scoped>
.columns {
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: minmax(0, 1fr);
  gap: 12px;
}
h3 {
  font-size: 12.5px;
  margin: 0 0 2px;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  font-size: 13px;
}
li {
  padding: 4px 0;
  border-bottom: 1px solid var(--line);
}
small {
  display: block;
  font-size: 11.5px;
}
.check {
  color: var(--amber);
}
.fails b {
  color: var(--flux);
}
.passes b {
  color: var(--verdigris);
}
p {
  margin: 4px 0;
}
</style>
