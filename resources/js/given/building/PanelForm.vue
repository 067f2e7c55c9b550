<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import { api } from '../../api/client'
import type { Building, Panel, Rerouted } from '../../api/building'
import { useAttempt } from '../../ui/attempt'
import { useLatest } from '../../ui/latest'
import { slug } from '../../ui/slug'

const props = defineProps<{ building: Building; panel: Panel | null; location: string }>()
const emit = defineEmits<{ saved: [Rerouted, string]; close: [] }>()
const { problem, busy, attempt } = useAttempt()
const { latest } = useLatest()
const was = props.panel?.part
const draft = reactive({
  name: was?.name ?? '',
  location: was?.location ?? props.location,
  rows: String(was?.rows ?? 2),
  columns: String(was?.columns ?? 8),
  left: was?.left ?? '40 mm',
  top: was?.top ?? '26 mm',
  pitch: was?.pitch ?? '52 mm',
  rise: was?.rise ?? '36 mm',
  entryAcross: was?.entryAcross ?? '0 mm',
  entryDown: was?.entryDown ?? '84 mm',
  bars: (was?.bars ?? ['62 mm']).join(', '),
  depth: was?.depth ?? '70 mm',
  dressing: was?.dressing ?? '120 mm',
  tails: was?.tails ?? 'equal',
  unit: was?.unit === undefined ? '' : String(was.unit),
  places: { ...(was?.places ?? {}) } as Record<string, string>,
})
const LENGTHS = [
  ['left', 'Edge to the first column'],
  ['top', 'Edge to the first row'],
  ['pitch', 'Column to column'],
  ['rise', 'Row to row'],
  ['entryAcross', 'Entry, from the left'],
  ['entryDown', 'Entry, from the top'],
  ['depth', 'Bar to connector'],
  ['dressing', 'To dress and open'],
] as const
const grid = computed(() =>
  Array.from({ length: Math.min(40, Number(draft.rows) || 0) }, (_, row) =>
    Array.from({ length: Math.min(40, Number(draft.columns) || 0) }, (_, column) => `${row + 1}-${column + 1}`),
  ),
)
const fittings = ref<{ id: string; label: string }[] | null>(null)
watch(
  () => draft.location,
  location => {
    fittings.value = location ? null : []
    if (!location) return
    return attempt(() =>
      latest(api.get(`building/fittings/${encodeURIComponent(location)}`), found => {
        fittings.value = found.fittings
      }),
    )
  },
  { immediate: true },
)

/** All fittings of the location, row by row. */
function fillAll() {
  const free = grid.value.flat()
  const placed = (fittings.value ?? []).slice(0, free.length)
  draft.places = Object.fromEntries(placed.map((fitting, i) => [free[i]!, fitting.id]))
}
const save = () =>
  attempt(async () => {
    const { rows, columns, bars, unit, places, ...rest } = draft
    const inside = new Set(grid.value.flat())
    const held = Object.fromEntries(Object.entries(places).filter(([place, fitting]) => fitting && inside.has(place)))
    const part = {
      id: was?.id ?? slug(draft.name),
      ...rest,
      rows: Number(rows),
      columns: Number(columns),
      bars: bars
        .split(',')
        .map(bar => bar.trim())
        .filter(Boolean),
      ...(unit ? { unit: Number(unit) } : {}),
      ...(Object.keys(held).length ? { places: held } : {}),
    }
    const answer = await api.put('shared/tail-panel', {
      part,
      ...(props.panel ? { version: props.panel.version } : {}),
    })
    emit('saved', answer.rerouted, part.id)
  })
</script>

<template>
  <!-- eslint-disable-next-line vuejs-accessibility/no-static-element-interactions -- presses inside it bubble up -->
  <form class="panel-form" @submit.prevent="save" @keydown.esc.stop="$emit('close')">
    <h1>{{ panel ? 'Edit panel' : 'New panel' }}</h1>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <v-text-field v-model="draft.name" label="Name" :autofocus="!panel" />
    <v-autocomplete
      v-model="draft.location"
      label="Where"
      :items="building.locations.map(each => ({ value: each.part.id, title: each.part.name }))" />
    <div class="two">
      <v-text-field v-model="draft.rows" label="Rows" type="number" min="1" /><v-text-field
        v-model="draft.columns"
        label="Columns"
        type="number"
        min="1" />
      <v-text-field v-for="[key, label] in LENGTHS" :key="key" v-model="draft[key]" :label="label" />
      <v-text-field
        v-model="draft.bars"
        label="Lacing bars, how far down"
        placeholder="62 mm, 134 mm" /><v-text-field
          v-model="draft.unit"
          label="Rack unit of its top edge"
          type="number"
          min="1" />
    </div>
    <v-select
      v-model="draft.tails"
      label="A group of tails is cut"
      :items="[{ value: 'equal', title: 'equal, each like the longest' },
               { value: 'graded', title: 'graded, each to its place' }]" />
    <h2>What sits where, from behind</h2>
    <p v-if="!draft.location" class="quiet">Say where it is, and what is there can be placed.</p>
    <p v-else-if="!fittings" class="quiet">Looking for what is there.</p>
    <p v-else-if="fittings.length === 0" class="quiet">No fitting is at this location yet.</p>
    <template v-else>
      <div class="grid"><div v-for="row in grid" :key="row[0]"><select
        v-for="place in row"
        :key="place"
        v-model="draft.places[place]"
        :aria-label="`place ${place}`"><option value="">·</option><option
          v-for="fitting in fittings"
          :key="fitting.id"
          :value="fitting.id">{{ fitting.label }}</option></select></div></div>
      <p><v-btn size="small" variant="text" color="primary" @click="fillAll">Fill row by row</v-btn></p>
    </template>
    <p class="acts"><v-btn
      type="submit"
      color="primary"
      :loading="busy">Save</v-btn><v-btn variant="text" @click="$emit('close')">Cancel</v-btn></p>
  </form>
</template>

<style scoped>
.panel-form {
  display: grid;
  gap: 10px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
.grid {
  overflow: auto;
}
.grid > div {
  display: flex;
  gap: 2px;
  margin-bottom: 2px;
}
select {
  flex: 0 0 96px;
  width: 96px;
  border: 1px solid var(--line);
  border-radius: 3px;
  background: var(--surface);
  color: inherit;
  font: inherit;
  font-size: 12px;
  padding: 3px 2px;
}
.acts {
  margin: 0;
  position: sticky;
  bottom: 0;
  background: var(--surface);
  padding: 8px 0;
  z-index: 1;
}
h2,
.panel-form p {
  margin: 4px 0;
}
</style>
