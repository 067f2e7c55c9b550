<script setup lang="ts">
import { computed, ref } from 'vue'
import { fieldName } from './names'
import type { Importing } from './useImport'

/** What is wrong with which row: most of it is put right where it stands. */
const { of } = defineProps<{ of: Importing }>()
const FIRST = 100
const all = ref(false)
const shown = computed(() => (all.value ? of.wrong.value : of.wrong.value.slice(0, FIRST)))
/** A cell that holds what was cut off here, or what belongs to no column, is put right in the file. */
const isHere = (column: string, value: string) => column !== '' && column !== 'joined' && !value.endsWith('…')
</script>

<template>
  <section v-if="of.wrong.value.length" aria-label="Rows to put right">
    <h2>Rows to put right</h2>
    <table class="lines" aria-label="What is wrong">
      <thead><tr><th>Row</th><th>Column</th><th>Value</th><th>Remedy</th></tr></thead>
      <tbody><tr v-for="each in shown" :key="`${each.sheet} ${each.row} ${each.column} ${each.value} ${each.remedy}`">
        <td class="mono">{{ each.sheet ? `${each.sheet} ` : '' }}{{ each.row }}</td>
        <td>{{ fieldName(each.column) }}</td>
        <td class="mono"><input
          v-if="each.row > 1 && isHere(each.column, each.value)"
          class="typed"
          :value="each.value"
          :aria-label="`${fieldName(each.column)} of row ${each.row}`"
          @change="of.correct(each, ($event.target as HTMLInputElement).value)"><template
            v-else>{{ each.value }}</template></td>
        <td>{{ each.remedy }}</td></tr></tbody>
    </table>
    <p v-if="shown.length < of.wrong.value.length"><button
      type="button"
      class="plain"
      @click="all = true">Show all {{ of.wrong.value.length }}</button></p>
  </section>
</template>
