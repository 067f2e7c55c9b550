<script setup lang="ts">
import type { Worked } from '../api/types'
import { inFigures, inWords, length, short } from './units'

/** Fine: short lengths of the bench stay in millimetres. */
const props = defineProps<{ worked: Worked; fine?: boolean }>()
const words = (text: string) => (props.fine ? inFigures(text) : inWords(text))
const amount = (text: string) => (props.fine && Number.parseFloat(text) < 1000 ? short(text) : length(text))
</script>

<template>
  <table class="sum">
    <tbody>
      <tr v-for="term in worked.terms" :key="term.label">
        <th scope="row">{{ term.label }}</th>
        <td class="detail">{{ words(term.detail) }}<span class="source">{{ term.source }}</span></td>
        <td class="amount">{{ amount(term.amount) }}</td>
      </tr>
      <tr class="total">
        <th scope="row">exact</th>
        <td class="detail">{{ worked.rounding === 'not rounded' ? '' : `rounded ${words(worked.rounding)}` }}</td>
        <td class="amount">{{ amount(worked.exact) }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.sum {
  text-align: left;
  width: 100%;
  border-collapse: collapse;
  font-size: 13px;
}
th {
  text-align: left;
  font-weight: 400;
  padding: 3px 8px 3px 0;
  vertical-align: top;
  white-space: nowrap;
}
td {
  padding: 3px 0;
  border: 0;
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
  opacity: 0.85;
}
.amount {
  text-align: right;
  font-family: var(--mono);
  white-space: nowrap;
}
.total th,
.total .amount {
  font-weight: 600;
}
</style>
