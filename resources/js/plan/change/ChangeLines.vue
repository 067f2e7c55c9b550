<script setup lang="ts">
import { computed } from 'vue'
import type { ChangeLine } from '../../api/change'
import { inWords } from '../../ui/units'

/** Two states side by side: what came, what went, and of the rest field by field. */
const props = defineProps<{ lines: ChangeLine[] }>()
const groups = computed(() => {
  const kinds = new Map<string, ChangeLine[]>()
  for (const line of props.lines) kinds.set(line.kind, [...(kinds.get(line.kind) ?? []), line])
  return [...kinds]
})
const said = (text: string) => (text === '' ? 'nothing' : inWords(text))
</script>

<template>
  <p v-if="lines.length === 0" class="quiet">They say the same.</p>
  <section v-for="[kind, all] in groups" :key="kind">
    <h3>{{ kind }} <small class="quiet">{{ all.length }}</small></h3>
    <details v-for="line in all" :key="line.name" :open="lines.length < 12">
      <summary><b class="mono">{{ line.name || 'the whole' }}</b> <span
        class="change"
        :class="line.change">{{ line.change }}</span> <span
          v-if="line.change !== 'added'"
          class="quiet">{{ line.fields.map(field => field.field).slice(0, 6).join(', ') }}</span></summary>
      <table v-if="line.fields.length" class="lines">
        <thead><tr><th>Field</th><th>Was</th><th>Is</th></tr></thead>
        <tbody><tr
          v-for="field in line.fields"
          :key="field.field"><td>{{ field.field }}</td><td class="was">{{ said(field.was) }}</td>
          <td>{{ said(field.is) }}</td></tr></tbody>
      </table>
    </details>
  </section>
</template>

<style scoped>
h3 {
  margin: 10px 0 2px;
  font-size: 14px;
}
details {
  font-size: 13px;
  border-top: 1px solid var(--line);
  padding: 4px 0;
}
summary {
  cursor: pointer;
}
.change {
  font-size: 12px;
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 0 5px;
}
.added {
  border-color: var(--verdigris);
  color: var(--verdigris);
}
.removed,
.withdrawn {
  border-color: var(--flux);
  color: var(--flux);
}
.was {
  color: var(--slate);
}
</style>
