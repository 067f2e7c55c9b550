<script setup lang="ts">
import type { Schemas } from '../api/types'
import FigureSum from '../ui/FigureSum.vue'

/** What something takes at the bench and in parts; each figure opens into how it came about. Null: not known yet. */
defineProps<{ takes: Schemas['Takes'] | null }>()
</script>

<template>
  <template v-if="takes"><p>At the bench <FigureSum :figure="takes.minutes" strong /></p>
    <details><summary>Parts <b class="mono">{{ takes.cost.toFixed(2) }} {{ takes.currency }}</b> <span
               class="quiet">bought for it alone<template v-if="takes.unpriced"> · {{ takes.unpriced }} without a
               price</template></span></summary>
      <table class="lines"><tbody><tr v-for="part in takes.parts" :key="part.name"><td>{{ part.name }}</td>
        <td class="right mono">{{ part.needed.text }}</td></tr></tbody></table></details></template>
  <template v-else><p>At the bench <span class="quiet">being worked out</span></p>
    <details><summary>Parts <span class="quiet">being worked out</span></summary></details></template>
</template>
