<script setup lang="ts">
import { DEMANDED, JOINS, KINDS, title, type Demand, type Procedure } from './procedure'

/** What the connector wants of the finished end. */
defineProps<{ procedure: Procedure; unmet: string[]; editing: boolean }>()
const emit = defineEmits<{ change: [work: (of: Procedure) => void] }>()
const typed = (event: Event) => (event.target as HTMLInputElement).value.trim()
const of = (each: Demand) =>
  [(each.of ?? []).map(kind => title(KINDS, kind)).join(', '), each.joins ? title(JOINS, each.joins) : '']
    .filter(Boolean)
    .join(' ')
const set = (i: number, key: 'name' | 'least' | 'most' | 'defect', value: string) =>
  emit('change', it => {
    it.demands![i]![key] = value
  })
</script>

<template>
  <section>
    <h2>Of the finished end it is demanded</h2>
    <ul v-if="unmet.length" class="unmet" aria-label="Not as demanded"><li
      v-for="each in unmet"
      :key="each">{{ each }}</li></ul>
    <table v-if="procedure.demands?.length" class="lines">
      <thead><tr><th>What</th><th>Of</th><th>At least</th><th>At most</th><th>Else it is called</th></tr></thead>
      <tbody><tr v-for="(each, i) in procedure.demands" :key="i">
        <td>{{ each.name }}<br><span class="quiet">{{ title(DEMANDED, each.what) }}</span></td>
        <td>{{ of(each) }}</td>
        <template v-if="editing">
          <td><input
            :value="each.least ?? '0 mm'"
            :aria-label="`At least, ${each.name}`"
            @change="set(i, 'least', typed($event))"></td>
          <td><input
            :value="each.most"
            :aria-label="`At most, ${each.name}`"
            @change="set(i, 'most', typed($event))"></td>
          <td><input
            :value="each.defect ?? ''"
            :aria-label="`Else it is called, ${each.name}`"
            @change="set(i, 'defect', typed($event))"></td>
        </template>
        <template v-else><td class="mono">{{ each.least ?? '0 mm' }}</td><td class="mono">{{ each.most }}</td>
          <td>{{ each.defect }}</td></template>
      </tr></tbody>
    </table>
    <p v-else class="quiet">Nothing but that every terminal is joined.</p>
  </section>
</template>

<style scoped>
input {
  width: 100%;
  min-width: 64px;
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 5px 6px;
  background: var(--surface);
  color: inherit;
  font: inherit;
}
input:focus-visible {
  outline: 2px solid var(--copper);
}
.unmet {
  color: var(--flux);
  padding-left: 18px;
}
</style>
