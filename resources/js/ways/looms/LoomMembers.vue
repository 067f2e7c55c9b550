<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import type { Row } from '../../api/types'
import { useRows } from '../../plan/schedule/useRows'
import { useAttempt } from '../../ui/attempt'
import { many } from '../../ui/words'

/** Which runs go into a loom: those that are in none, by where they lead, for those lie together. */
const chosen = defineModel<{ id: string; version: number }[]>({ required: true })
const rows = useRows()
const { problem, busy, attempt } = useAttempt()
onMounted(() => attempt(() => rows.load()))
const sought = ref('')

interface Group {
  name: string
  rows: Row[]
}
const groups = computed<Group[]>(() => {
  const words = sought.value.trim().toLowerCase().split(/\s+/).filter(Boolean)
  const all = new Map<string, Row[]>()
  for (const row of rows.rows) {
    if (row.withdrawn || row.loom || row.build === 'lead') continue
    const text = `${row.code} ${row.from} ${row.to} ${row.cable} ${row.signals.join(' ')}`.toLowerCase()
    if (!words.every(word => text.includes(word))) continue
    const name = `${row.from} → ${row.to}`
    all.set(name, [...(all.get(name) ?? []), row])
  }
  return [...all]
    .map(([name, of]) => ({ name, rows: of }))
    .sort((a, b) => b.rows.length - a.rows.length || a.name.localeCompare(b.name))
})
const ids = computed(() => new Set(chosen.value.map(each => each.id)))
const within = (group: Group) => group.rows.filter(row => ids.value.has(row.id)).length
function put(of: Row[], isIn: boolean) {
  const without = chosen.value.filter(each => !of.some(row => row.id === each.id))
  chosen.value = isIn ? [...without, ...of.map(({ id, version }) => ({ id, version }))] : without
}
const isIn = (event: Event) => (event.target as HTMLInputElement).checked
</script>

<template>
  <fieldset>
    <legend>Runs that go into it: <b>{{ chosen.length || 'none yet' }}</b></legend>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <input
      v-model="sought"
      type="search"
      aria-label="Only runs with"
      placeholder="only runs with: stage box, M-2 …">
    <p v-if="busy && !rows.rows.length" class="quiet">Reading the runs …</p>
    <p v-else-if="groups.length === 0" class="quiet">{{ sought ? 'No run without a loom has all of these words.'
      : 'No run is without a loom.' }}</p>
    <ul v-else>
      <li v-for="group in groups" :key="group.name">
        <details>
          <summary><input
            type="checkbox"
            :aria-label="`${group.name}, all ${group.rows.length}`"
            :checked="within(group) === group.rows.length"
            :indeterminate.prop="within(group) > 0 && within(group) < group.rows.length"
            @click.stop
            @change="put(group.rows, isIn($event))"> <span>{{ group.name }}</span> <span class="quiet">{{ within(group)
              ? `${within(group)} of ${many(group.rows.length, 'run')}` : many(group.rows.length, 'run') }}</span>
          </summary>
          <label v-for="row in group.rows" :key="row.id">
            <input type="checkbox" :checked="ids.has(row.id)" @change="put([row], isIn($event))">
            <span class="mono">{{ row.code }}</span>
            <small class="quiet" v-text="row.cable" />
          </label>
        </details>
      </li>
    </ul>
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
  min-width: 0;
}
legend {
  padding: 0 0 6px;
}
input[type='search'] {
  width: 100%;
  box-sizing: border-box;
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 8px 10px;
  background: var(--surface);
  color: inherit;
  font: inherit;
}
input[type='checkbox'] {
  width: 18px;
  height: 18px;
  flex: none;
  accent-color: var(--verdigris);
}
ul {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
  max-height: 260px;
  overflow: auto;
  border: 1px solid var(--line);
  border-radius: 4px;
}
summary,
label {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 36px;
  padding: 0 10px;
  cursor: pointer;
}
summary .quiet,
label .quiet {
  margin-left: auto;
  white-space: nowrap;
}
label {
  padding-left: 38px;
}
li + li {
  border-top: 1px solid var(--line);
}
summary:focus-visible {
  outline: 2px solid var(--copper);
  outline-offset: -2px;
}
</style>
