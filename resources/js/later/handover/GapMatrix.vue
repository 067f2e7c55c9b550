<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../../api/types'

/** What is missing in which loom: how many cables, each figure a press away from them. */
const props = defineProps<{ groups: Schemas['HandoverPage']['groups'] }>()
const loom = defineModel<string | null>({ required: true })
const emit = defineEmits<{ look: [kind: string] }>()

const collator = new Intl.Collator('en', { numeric: true })
/** Loom → kind → cables, each once. */
const counts = computed(() => {
  const counts = new Map<string, Map<string, Set<string>>>()
  for (const { kind, gaps } of props.groups)
    for (const { loom: of, run } of gaps) {
      if (of === null) continue
      const kinds = counts.get(of) ?? counts.set(of, new Map()).get(of)!
      ;(kinds.get(kind) ?? kinds.set(kind, new Set()).get(kind)!).add(run)
    }
  return counts
})
const looms = computed(() =>
  [...counts.value.keys()].sort((a, b) => Number(a === '') - Number(b === '') || collator.compare(a, b)),
)
const kinds = computed(() => props.groups.filter(({ gaps }) => gaps.some(gap => gap.loom !== null)))
const most = computed(() => Math.max(1, ...[...counts.value.values()].flatMap(of => [...of.values()].map(s => s.size))))
const count = (of: string, kind: string) => counts.value.get(of)?.get(kind)?.size ?? 0
const name = (of: string) => of || 'single runs'
const look = (of: string, kind: string) => {
  loom.value = of
  emit('look', kind)
}
</script>

<template>
  <div v-if="looms.length > 1" class="matrix" tabindex="0" role="region" aria-label="What is missing in which loom">
    <table>
      <thead><tr><td /><th v-for="{ kind, words } in kinds" :key="kind" scope="col">{{ words }}</th></tr></thead>
      <tbody>
        <tr v-for="each in looms" :key="each" :class="{ chosen: loom === each }">
          <th scope="row"><button
            type="button"
            :aria-pressed="loom === each"
            @click="loom = loom === each ? null : each">{{ name(each) }}</button></th>
          <td v-for="{ kind, words } in kinds" :key="kind">
            <button
              v-if="count(each, kind)"
              type="button"
              class="count mono"
              :style="{ '--share': `${Math.round((100 * count(each, kind)) / most)}%` }"
              :aria-label="`${name(each)}, ${words}: ${count(each, kind)}`"
              @click="look(each, kind)">{{ count(each, kind) }}</button>
            <span v-else class="clear" :title="`${name(each)}: nothing ${words}`" />
          </td>
        </tr>
      </tbody>
    </table>
    <p class="quiet"><span class="clear" aria-hidden="true" /> nothing of it is missing there</p>
  </div>
</template>

<style scoped>
.matrix {
  overflow: auto;
  max-height: 420px;
  margin: 10px 0 14px;
}
table {
  border-collapse: collapse;
  font-size: 13px;
}
thead th {
  font-size: 12px;
  font-weight: 500;
  color: var(--slate);
  max-width: 100px;
  padding: 2px 6px 6px;
  vertical-align: bottom;
}
tbody th {
  text-align: left;
  padding-right: 12px;
  font-weight: 500;
}
td {
  padding: 2px 3px;
  text-align: center;
}
p {
  font-size: 12px;
  margin: 6px 0 0;
}
button {
  border: 0;
  background: none;
  font: inherit;
  color: inherit;
  padding: 4px 2px;
  cursor: pointer;
  text-align: left;
}
th button {
  color: var(--verdigris);
  text-decoration: underline;
}
.chosen {
  background: var(--chosen);
}
/* The fuller, the more is missing. */
button.count {
  width: 72px;
  text-align: center;
  border: 1px solid var(--line);
  border-radius: 3px;
  background: linear-gradient(to right, var(--warn) var(--share), var(--surface) var(--share));
  print-color-adjust: exact;
}
button:focus-visible {
  outline: 2px solid var(--copper);
}
.clear {
  display: inline-block;
  width: 9px;
  height: 9px;
  border-radius: 50%;
  background: var(--verdigris);
}
</style>
