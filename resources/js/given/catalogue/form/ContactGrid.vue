<script setup lang="ts">
import { ref } from 'vue'
import { onGrid, pasted, type Cavity, type Grid } from './grid'

/** All contacts at once: laid on a grid, or pasted from a table. */
const emit = defineEmits<{ lay: [Cavity[]] }>()
const grid = ref<Grid>({ columns: 3, rows: 1, across: 5, down: 5, naming: 'by row', first: '1' })
const text = ref('')
const wrong = ref<string[]>([])
const NAMING: Grid['naming'][] = ['by row', 'by column', 'letter by column', 'letter by row']
const named = (naming: Grid['naming']) => {
  grid.value.naming = naming
  grid.value.first = naming.startsWith('letter') ? 'A' : '1'
}
function paste() {
  const { cavities, wrong: lines } = pasted(text.value)
  wrong.value = lines
  if (lines.length === 0 && cavities.length > 0) emit('lay', cavities)
}
</script>

<template>
  <details class="grid-of">
    <summary>Lay all contacts at once</summary>
    <div class="entry">
      <label>Columns <input v-model.number="grid.columns" type="number" min="1" max="60"></label>
      <label>Rows <input v-model.number="grid.rows" type="number" min="1" max="60"></label>
      <label>mm across <input v-model.number="grid.across" type="number" min="0.1" step="any"></label>
      <label>mm down <input v-model.number="grid.down" type="number" min="0.1" step="any"></label>
      <label>Called <select
        :value="grid.naming"
        @change="named(($event.target as HTMLSelectElement).value as Grid['naming'])"><option
          v-for="each in NAMING"
          :key="each">{{ each }}</option></select></label>
      <label>First <input v-model="grid.first" maxlength="4"></label>
      <button type="button" @click="emit('lay', onGrid({ ...grid }))">Lay {{ grid.columns * grid.rows }}
        contacts</button>
    </div>
    <label class="field"><span>Or paste a table: contact, x, y in mm on the mating face; x and y on the wiring side
      where that is no mirror image</span><textarea v-model="text" rows="4" class="mono" /></label>
    <p class="entry"><button type="button" :disabled="!text.trim()" @click="paste">Take the table</button></p>
    <p v-if="wrong.length" class="wrong" role="alert">These lines have no contact with two numbers, so nothing was
      taken: {{ wrong.slice(0, 5).join(' ') }}</p>
  </details>
</template>

<style scoped src="./form.css" />
<style scoped>
.grid-of {
  grid-column: 1 / -1;
  padding: 4px 0;
}
summary {
  cursor: pointer;
  color: var(--verdigris);
}
.entry {
  flex-wrap: wrap;
  align-items: end;
  gap: 10px;
}
.entry label {
  font-size: 13px;
}
.entry input,
.entry select {
  width: 100px;
  display: block;
}
</style>
