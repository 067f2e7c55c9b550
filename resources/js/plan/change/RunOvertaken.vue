<script setup lang="ts">
import { computed } from 'vue'
import type { Remedy, RunImpact } from '../../api/change'
import WorkedSum from '../../ui/WorkedSum.vue'
import { inWords } from '../../ui/units'
import RemedyLine from './RemedyLine.vue'

/** What is overtaken on one run, and every remedy with its price. */
const props = defineProps<{ run: RunImpact; open?: boolean }>()
defineSlots<{ default(slot: { remedy: Remedy }): unknown }>()
const isBest = (remedy: Remedy) => props.run.best.includes(remedy.key)
const remake = computed(() => isBest(props.run.remake))
</script>

<template>
  <article class="run">
    <h3><router-link :to="`/runs/${encodeURIComponent(run.id)}`" class="mono">{{ run.code }}</router-link></h3>
    <div class="all">
      <section v-for="each in run.overtaken" :key="each.key">
        <p class="what">{{ inWords(each.words) }}</p>
        <details v-if="each.missing"><summary>how that is reckoned</summary><WorkedSum :worked="each.missing" />
        </details>
        <details v-if="each.details.length"><summary>{{ each.details.length }} in detail</summary><ul><li
          v-for="line in each.details"
          :key="line"
          class="mono">{{ line }}</li></ul></details>
        <RemedyLine
          v-for="remedy in each.remedies"
          :key="remedy.key"
          :remedy="remedy"
          :best="isBest(remedy)"><slot :remedy="remedy" /></RemedyLine>
        <p v-for="no in each.ruledOut" :key="no" class="no">{{ inWords(no) }}</p>
      </section>
      <RemedyLine :remedy="run.remake" :best="remake"><slot :remedy="run.remake" /></RemedyLine>
    </div>
  </article>
</template>

<style scoped>
.run {
  display: grid;
  grid-template-columns: 92px minmax(0, 1fr);
  gap: 12px;
  padding: 9px 0;
  border-top: 1px solid var(--line);
}
h3 {
  margin: 0;
  font-size: 14px;
}
.all {
  font-size: 13px;
}
section {
  margin-bottom: 6px;
}
.what {
  margin: 0 0 2px;
  font-weight: 600;
}
details {
  font-size: 12.5px;
  margin-bottom: 3px;
}
summary {
  cursor: pointer;
  color: var(--slate);
}
ul {
  margin: 2px 0 6px;
  padding-left: 16px;
  max-height: 200px;
  overflow: auto;
}
.no {
  margin: 1px 0;
  color: var(--slate);
  font-size: 12.5px;
  padding-left: 12px;
}
.no::before {
  content: 'not: ';
}
@media (max-width: 700px) {
  .run {
    grid-template-columns: 1fr;
    gap: 2px;
  }
}
</style>
