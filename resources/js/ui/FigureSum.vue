<script setup lang="ts">
import { ref, watch } from 'vue'
import type { Figure } from '../api/building'
import { useAttempt } from './attempt'
import { inFigures } from './units'

/** A number that opens into how it came about; `ask` where that did not come with it. */
const props = defineProps<{ figure: Figure; strong?: boolean; ask?: () => Promise<Figure> }>()
/** Terms from which on they are scrolled in their own place. */
const MANY = 12
const terms = ref(props.figure.terms)
watch(
  () => props.figure,
  figure => {
    terms.value = figure.terms
  },
)
const { problem, busy, attempt } = useAttempt()
const opened = (event: Event) => {
  if ((event.target as HTMLDetailsElement).open && terms.value.length === 0 && props.ask)
    void attempt(async () => {
      terms.value = (await props.ask!()).terms
    })
}
</script>

<template>
  <details class="figure" @toggle="opened">
    <summary><component :is="strong ? 'b' : 'span'" class="mono">{{ inFigures(figure.text) }}</component></summary>
    <p v-if="busy" class="quiet" role="status">Reckoning …</p>
    <p v-else-if="problem" class="quiet" role="alert">{{ problem }}</p>
    <div class="sum" :tabindex="terms.length > MANY ? 0 : undefined"><table>
      <tbody>
        <tr v-for="(term, i) in terms" :key="i">
          <th scope="row">{{ term.label }}</th>
          <td class="detail">{{ inFigures(term.detail) }}<span
            v-if="term.source"
            class="source">{{ term.source }}</span></td>
          <td class="amount">{{ inFigures(term.amount) }}</td>
        </tr>
      </tbody>
    </table></div>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
  white-space: nowrap;
  list-style-position: outside;
  text-decoration: underline dotted 1px;
  text-underline-offset: 3px;
}
summary::marker {
  content: '';
}
p {
  margin: 2px 0;
  font-size: 12px;
}
.sum {
  max-height: 320px;
  overflow: auto;
}
table {
  border-collapse: collapse;
  font-size: 12.5px;
  margin: 4px 0 8px;
  width: 100%;
}
/* In a list as well, whose own headings are bold and ruled. */
.figure th {
  text-align: left;
  font-weight: 400;
  font-size: inherit;
  color: inherit;
  padding: 2px 8px 2px 0;
  border: 0;
  vertical-align: top;
}
.figure td {
  border: 0;
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
