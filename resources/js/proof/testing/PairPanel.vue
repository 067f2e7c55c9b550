<script setup lang="ts">
import { computed } from 'vue'
import type { TestSheet } from '../../api/test'
import { token } from './reading'

/** What the tester says of the pairs: whether each is fed by one twist. */
const props = defineProps<{ sheet: TestSheet; splits: string[] | null }>()
const emit = defineEmits<{ splits: [splits: string[] | null] }>()
const name = (nodes: string[]) =>
  nodes
    .map(node => {
      const probe = props.sheet.from.find(each => each.node === node)
      return probe ? token(probe, props.sheet) : node
    })
    .join('–')
const tested = computed(() => props.splits !== null)
function split(id: string) {
  const splits = props.splits ?? []
  emit('splits', splits.includes(id) ? splits.filter(each => each !== id) : [...splits, id])
}
</script>

<template>
  <fieldset class="pairs">
    <legend>Pair test</legend>
    <v-checkbox
      :model-value="tested"
      label="The tester checks pairs too"
      @update:model-value="emit('splits', $event ? [] : null)" />
    <template v-if="splits">
      <p class="quiet">Press a pair that shows as split.</p>
      <button
        v-for="pair in sheet.pairs"
        :key="pair.id"
        type="button"
        :aria-pressed="splits.includes(pair.id)"
        @click="split(pair.id)">{{ name(pair.nodes) }}<template v-if="splits.includes(pair.id)"> split</template>
      </button>
    </template>
  </fieldset>
</template>

<style scoped>
.pairs {
  border: 1px solid var(--line);
  border-radius: 4px;
  margin-top: 12px;
  padding: 4px 12px 10px;
}
.pairs p {
  margin: 0 0 4px;
}
button {
  font: 13px var(--mono);
  border: 1px solid var(--quiet);
  border-radius: 4px;
  background: var(--surface);
  padding: 6px 11px;
  margin: 2px;
  cursor: pointer;
  color: var(--ink);
}
button[aria-pressed='true'] {
  background: var(--flux);
  color: var(--on-action);
  border-color: var(--flux);
}
@media (max-width: 800px) {
  button {
    min-height: 44px;
  }
}
</style>
