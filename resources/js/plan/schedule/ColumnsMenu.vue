<script setup lang="ts">
import { computed } from 'vue'
import type { ScheduleView } from '../../api/types'
import { COLUMNS, KEYS, type ColumnKey } from './columns'
import { GROUPS, type Grouping } from './groups'

/** Which columns stand, in which order, and what stands together. */
const props = defineProps<{ columns: ScheduleView['columns']; isNarrow: boolean }>()
const group = defineModel<Grouping>('group', { required: true })
const emit = defineEmits<{
  show: [key: ColumnKey, isShown: boolean]
  place: [key: ColumnKey, before: ColumnKey | null]
  widths: []
}>()
const shown = computed(() => props.columns.map(each => each.key))
/** A phone has its own columns: there it says what stands together, and nothing else. */
const called = computed(() =>
  group.value !== '' ? `By ${GROUPS[group.value]}` : props.isNarrow ? 'Together' : 'Columns',
)
const hidden = computed(() => KEYS.filter(key => !shown.value.includes(key)))
function later(at: number) {
  emit('place', shown.value[at]!, shown.value[at + 2] ?? null)
}
</script>

<template>
  <v-menu :close-on-content-click="false">
    <template #activator="{ props: menu }"><v-btn
      v-bind="menu"
      size="small"
      variant="text"
      :color="group === '' ? 'primary' : 'secondary'"
      :aria-label="called">{{ called }}</v-btn>
    </template>
    <v-card class="columns">
      <fieldset>
        <legend>Together stand those of one</legend>
        <label v-for="(words, key) in GROUPS" :key="key"><input v-model="group" type="radio" :value="key">
          {{ words }}</label>
      </fieldset>
      <fieldset v-if="!isNarrow">
        <legend>Columns, from the left</legend>
        <p v-for="(key, at) in shown" :key="key" class="column">
          <label><input
            type="checkbox"
            :checked="true"
            :disabled="shown.length === 1"
            @change="emit('show', key, false)"> {{ COLUMNS[key].name }}</label>
          <button
            type="button"
            class="plain"
            :disabled="at === 0"
            :aria-label="`${COLUMNS[key].name} further left`"
            @click="emit('place', key, shown[at - 1]!)">←</button>
          <button
            type="button"
            class="plain"
            :disabled="at === shown.length - 1"
            :aria-label="`${COLUMNS[key].name} further right`"
            @click="later(at)">→</button>
        </p>
        <p v-for="key in hidden" :key="key" class="column"><label><input
          type="checkbox"
          :checked="false"
          @change="emit('show', key, true)"> {{ COLUMNS[key].name }}</label></p>
      </fieldset>
      <v-btn
        v-if="!isNarrow && columns.some(each => each.width)"
        size="small"
        variant="text"
        @click="emit('widths')">As wide as there is room</v-btn>
    </v-card>
  </v-menu>
</template>

<style scoped>
.columns {
  padding: 12px 16px;
  display: grid;
  grid-template-columns: auto auto;
  gap: 0 28px;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
}
legend {
  font-weight: 600;
  color: var(--slate);
  font-size: 12.5px;
  padding-bottom: 4px;
}
label {
  display: block;
  padding: 2px 0;
}
.column {
  display: flex;
  gap: 10px;
  margin: 0;
  align-items: center;
}
.column label {
  flex: 1;
}
.plain:disabled {
  visibility: hidden;
}
</style>
