<script setup lang="ts">
import type { Geometry } from '../../api/labels'

interface Chosen {
  geometry: string
  own: Geometry | null
  start: number
  right: number
  down: number
}
const sheet = defineModel<Chosen>({ required: true })
const props = defineProps<{ geometries: Geometry[]; chosen: Geometry | null }>()
const FIELDS: [keyof Geometry, string][] = [
  ['pageWidth', 'sheet wide'],
  ['pageHeight', 'sheet high'],
  ['width', 'label wide'],
  ['height', 'label high'],
  ['pitchX', 'pitch across'],
  ['pitchY', 'pitch down'],
  ['left', 'left margin'],
  ['top', 'top margin'],
]
function choose(id: string) {
  if (id === 'own' && !sheet.value.own && props.chosen)
    sheet.value.own = { ...props.chosen, id: 'own', name: 'own sheet' }
  sheet.value = { ...sheet.value, geometry: id }
}
function set(key: keyof Geometry, value: string) {
  if (!sheet.value.own) return
  sheet.value = {
    ...sheet.value,
    own: { ...sheet.value.own, [key]: key === 'columns' || key === 'rows' ? Number(value) : value },
  }
}
</script>

<template>
  <div class="form">
    <label>Sheet <select
      :value="sheet.geometry === 'own' ? 'own' : chosen?.id"
      @change="choose(($event.target as HTMLSelectElement).value)"><option
        v-for="each in geometries"
        :key="each.id"
        :value="each.id">{{ each.name }}</option><option value="own">other measures…</option></select></label>
    <div v-if="sheet.geometry === 'own' && sheet.own" class="own">
      <label v-for="[key, name] in FIELDS" :key="key">{{ name }} <input
        :value="sheet.own[key]"
        @change="set(key, ($event.target as HTMLInputElement).value)"></label>
      <label>columns <input
        type="number"
        min="1"
        :value="sheet.own.columns"
        @change="set('columns', ($event.target as HTMLInputElement).value)"></label>
      <label>rows <input
        type="number"
        min="1"
        :value="sheet.own.rows"
        @change="set('rows', ($event.target as HTMLInputElement).value)"></label>
    </div>
    <label>Fields used up on the first sheet <input
      v-model.number="sheet.start"
      type="number"
      min="0"
      :max="chosen ? chosen.columns * chosen.rows - 1 : 0"></label>
    <label>Shift right, mm <input v-model.number="sheet.right" type="number" step="0.1" min="-20" max="20"></label>
    <label>Shift down, mm <input v-model.number="sheet.down" type="number" step="0.1" min="-20" max="20"></label>
  </div>
</template>

<style scoped>
.form {
  display: grid;
  gap: 6px;
  margin-top: 10px;
  font-size: 13px;
}
label {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
}
select,
input {
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 4px 6px;
  background: var(--surface);
  color: inherit;
  font: inherit;
}
input {
  width: 84px;
}
.own {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 4px 14px;
}
</style>
