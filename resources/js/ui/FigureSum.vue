<script setup lang="ts">
import type { Figure } from '../api/building'
import { inFigures } from './units'

/** A number that opens into how it came about. */
defineProps<{ figure: Figure; strong?: boolean }>()
</script>

<template>
  <details class="figure">
    <summary><component :is="strong ? 'b' : 'span'" class="mono">{{ inFigures(figure.text) }}</component></summary>
    <table>
      <tbody>
        <tr v-for="(term, i) in figure.terms" :key="i">
          <th scope="row">{{ term.label }}</th>
          <td class="detail">{{ inFigures(term.detail) }}<span
            v-if="term.source"
            class="source">{{ term.source }}</span></td>
          <td class="amount">{{ inFigures(term.amount) }}</td>
        </tr>
      </tbody>
    </table>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
  list-style-position: outside;
  text-decoration: underline dotted 1px;
  text-underline-offset: 3px;
}
summary::marker {
  content: '';
}
table {
  border-collapse: collapse;
  font-size: 12.5px;
  margin: 4px 0 8px;
  width: 100%;
}
th {
  text-align: left;
  font-weight: 400;
  padding: 2px 8px 2px 0;
  vertical-align: top;
}
td {
  padding: 2px 0;
  vertical-align: top;
}
tr {
  border-bottom: 1px solid var(--line);
}
.detail {
  color: var(--slate);
  padding-right: 8px;
}
.source {
  display: block;
  font-size: 11px;
}
.amount {
  text-align: right;
  font-family: var(--mono);
  white-space: nowrap;
}
</style>
