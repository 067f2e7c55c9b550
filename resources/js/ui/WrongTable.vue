<script setup lang="ts">
import type { RowProblem } from '../api/types'

/** What is wrong with a file, and how each of it is mended. */
defineProps<{ problems: RowProblem[] }>()
</script>

<template>
  <table class="lines" aria-label="What is wrong">
    <thead><tr><th v-if="problems[0]?.row">Row</th><th>{{ problems[0]?.row ? 'Column' : 'Field' }}</th>
      <th>Value</th><th>Remedy</th></tr></thead>
    <tbody><tr
      v-for="(each, i) in problems"
      :key="i"><td
                 v-if="each.row"
                 class="mono">{{ each.row }}</td><td>{{ each.column }}</td><td class="mono">{{ each.value }}</td>
      <td>{{ each.remedy }}</td></tr></tbody>
  </table>
</template>
