<script setup lang="ts">
import type { BenchConflict } from '../../api/bench'
import { when } from '../../ui/dates'

/** What was recorded apart from each other: both records stay, and whoever stands before the piece says how it is. */
defineProps<{ conflicts: BenchConflict[]; may: boolean }>()
const emit = defineEmits<{ settle: [conflict: BenchConflict, isDone: boolean] }>()
const DID: Record<string, string> = {
  held: 'stopped the job',
  'taken-back': 'took it back',
  skipped: 'left it out',
  reworked: 'sent it back',
  flagged: 'sent it back',
}
const said = (kind: string) => DID[kind] ?? 'did it'
</script>

<template>
  <div
    v-for="conflict in conflicts"
    :key="conflict.said.map(each => each.id).join()"
    class="note check"
    role="alert">
    <strong>{{ conflict.place }}, {{ conflict.what }}</strong>{{ conflict.words }}
    <span v-for="each in conflict.said" :key="each.id" class="said">{{ each.by }} {{ said(each.kind) }},
      {{ when(each.at) }}{{ each.note ? `: ${each.note}` : '' }}.</span>
    <span v-if="may" class="acts">Look at the piece:
      <button type="button" @click="emit('settle', conflict, true)">it is done</button>
      <button type="button" @click="emit('settle', conflict, false)">it is not</button></span>
  </div>
</template>

<style scoped>
.said {
  display: block;
}
.acts {
  display: flex;
  gap: 14px;
  flex-wrap: wrap;
  align-items: baseline;
}
button {
  all: unset;
  cursor: pointer;
  color: var(--verdigris);
  text-decoration: underline;
  text-underline-offset: 3px;
  padding: 9px 0;
}
button:focus-visible {
  outline: 2px solid var(--copper);
}
</style>
