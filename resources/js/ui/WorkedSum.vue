<script setup lang="ts">
import type { Worked } from '../api/types'
import { inWords, length } from './units'

defineProps<{ worked: Worked }>()
</script>

<template>
  <table class="sum">
    <tbody>
      <tr v-for="term in worked.terms" :key="term.label">
        <th scope="row">{{ term.label }}</th>
        <td class="detail">{{ inWords(term.detail) }}<span class="source">{{ term.source }}</span></td>
        <td class="amount">{{ length(term.amount) }}</td>
      </tr>
      <tr class="total">
        <th scope="row">exact</th>
        <td class="detail">rounded {{ inWords(worked.rounding) }}</td>
        <td class="amount">{{ length(worked.exact) }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.sum { width: 100%; border-collapse: collapse; font-size: 13px }
th { text-align: left; font-weight: 400; padding: 3px 8px 3px 0; vertical-align: top; white-space: nowrap }
td { padding: 3px 0; border: 0; vertical-align: top }
tr { border-bottom: 1px solid var(--line) }
.detail { color: var(--slate); padding-right: 8px }
.source { display: block; font-size: 11px; opacity: .85 }
.amount { text-align: right; font-family: var(--mono); white-space: nowrap }
.total th, .total .amount { font-weight: 600 }
</style>
