<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '../../api/session'
import type { Row } from '../../api/types'
import { length } from '../../ui/units'
import { many } from '../../ui/words'
import { cutOf } from './groups'

/** What is marked: how many, how much cable that is, and what can be done to all of it. */
const props = defineProps<{ rows: Row[]; fill: string }>()
const emit = defineEmits<{ change: []; fill: []; copy: []; none: [] }>()
const session = useSession()
const withdrawn = computed(() => props.rows.filter(row => row.withdrawn).length)
const mm = (value: number) => length(`${value} mm`)
/** The same by cable, the most of it first. */
const cables = computed(() => {
  const of = new Map<string, Row[]>()
  for (const row of props.rows) if (!row.withdrawn) of.set(row.cable, [...(of.get(row.cable) ?? []), row])
  return [...of].map(([name, rows]) => ({ name, runs: rows.length, cut: cutOf(rows) })).sort((a, b) => b.cut - a.cut)
})
</script>

<template>
  <footer class="bar" role="region" aria-label="Marked">
    <b aria-live="polite">{{ many(rows.length, 'run') }} marked</b>
    <v-menu :close-on-content-click="false" location="top">
      <template #activator="{ props: menu }"><button
        v-bind="menu"
        type="button"
        class="plain mono"
        :aria-label="`${mm(cutOf(rows))} to cut`">{{ mm(cutOf(rows)) }} to cut</button></template>
      <v-card class="sum">
        <table class="lines">
          <thead><tr><th>Cable</th><th>Runs</th><th>Cut lengths together</th></tr></thead>
          <tbody>
            <tr v-for="each in cables" :key="each.name"><td>{{ each.name }}</td><td class="mono">{{ each.runs }}</td>
              <td class="mono">{{ mm(each.cut) }}</td></tr>
            <tr class="total"><td>Together</td><td class="mono">{{ rows.length - withdrawn }}</td>
              <td class="mono">{{ mm(cutOf(rows)) }}</td></tr>
          </tbody>
        </table>
        <p v-if="withdrawn" class="quiet">Without {{ withdrawn }} withdrawn.</p>
      </v-card>
    </v-menu>
    <span class="acts">
      <template v-if="session.plans">
        <v-btn size="small" color="secondary" @click="emit('change')">Change …</v-btn>
        <v-btn
          v-if="fill && rows.length > 1"
          size="small"
          variant="outlined"
          color="primary"
          title="Control D"
          @click="emit('fill')">Fill {{ fill }} down</v-btn>
      </template>
      <v-btn size="small" variant="text" @click="emit('copy')">Copy all fields</v-btn>
      <v-btn size="small" variant="text" :to="`/parts?scope=runs:${rows.map(each => each.id).join(',')}`">Parts</v-btn>
      <v-btn size="small" variant="text" @click="emit('none')">Unmark</v-btn>
    </span>
  </footer>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 16px;
  padding: 6px 16px;
  border-top: 1px solid var(--verdigris);
  background: var(--good);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-left: auto;
}
.sum {
  padding: 10px 14px;
}
.total td {
  border-top: 1px solid var(--ink);
  font-weight: 600;
}
</style>
