<script setup lang="ts">
import type { Remedy } from '../../api/change'
import FigureSum from '../../ui/FigureSum.vue'
import { inWords } from '../../ui/units'

/** One remedy: what is done, how long it takes, what it costs. */
defineProps<{ remedy: Remedy; best: boolean }>()
</script>

<template>
  <div class="remedy" :class="{ best }">
    <span class="words"><b v-if="best" class="tag">cheapest</b>{{ inWords(remedy.words) }}<span
      v-if="remedy.parts"
      class="quiet"> · {{ remedy.parts }} {{ remedy.parts === 1 ? 'part' : 'parts' }} to have</span></span>
    <FigureSum :figure="remedy.minutes" /><FigureSum :figure="remedy.cost" :strong="best" />
    <slot />
  </div>
</template>

<style scoped>
.remedy {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(70px, auto) minmax(80px, auto) auto;
  gap: 10px;
  align-items: start;
  padding: 3px 0 3px 10px;
  border-left: 2px solid var(--line);
}
.remedy.best {
  border-color: var(--verdigris);
}
.tag {
  font-size: 11px;
  font-weight: 600;
  color: var(--verdigris);
  margin-right: 6px;
}
.remedy :deep(.figure) {
  text-align: right;
}
.remedy :deep(.figure[open]) {
  text-align: left;
  min-width: 260px;
}
@media (max-width: 700px) {
  .remedy {
    grid-template-columns: minmax(0, 1fr) auto auto;
  }
}
</style>
