<script setup lang="ts">
import { computed } from 'vue'
import type { Bead } from '../api/types'
import { spoken, STAGE } from './stages'

const props = withDefaults(defineProps<{ beads: Bead[]; named?: boolean }>(), { named: false })
const step = computed(() => (props.named ? 35 : 12.6))
const width = computed(() => props.beads.length * step.value + 12)
const x = (i: number) => 6 + step.value * (i + 0.5)
</script>

<template>
  <svg
    class="strand"
    role="img"
    :aria-label="spoken(beads)"
    :width="width"
    :height="named ? 34 : 16"
    :viewBox="`0 0 ${width} ${named ? 34 : 16}`">
    <path
      :d="`M5 2.5H1.5V13.5H5 M${width - 5} 2.5H${width - 1.5}V13.5H${width - 5} M1.5 8H${width - 1.5}`"
      class="string" />
    <g v-for="(bead, i) in beads" :key="bead.stage" :class="bead.state">
      <title>{{ STAGE[bead.stage] }}</title>
      <circle v-if="bead.state === 'overtaken'" :cx="x(i)" cy="8" r="6.4" class="ring" />
      <circle v-if="bead.state !== 'failed'" :cx="x(i)" cy="8" :r="bead.state === 'overtaken' ? 3 : 4.4" class="bead" />
      <path
        v-else
        :d="`M${x(i) + 4.6} 3.4H${x(i) - 2.4}L${x(i) - 4.8} 8L${x(i) - 2.4} 12.6H${x(i) + 4.6}L${x(i) + 0.8} 8Z`"
        class="bead" />
      <text v-if="named" :x="x(i)" y="30" text-anchor="middle">{{ STAGE[bead.stage] }}</text>
    </g>
  </svg>
</template>

<style scoped>
.strand {
  display: block;
  overflow: visible;
}
.string {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.2;
}
.bead {
  stroke-width: 1.4;
  fill: var(--paper);
  stroke: var(--quiet);
}
.done .bead {
  fill: var(--verdigris);
  stroke: var(--verdigris);
}
.overtaken .bead {
  fill: var(--verdigris);
  stroke: var(--verdigris);
}
.overtaken .ring {
  fill: none;
  stroke: var(--amber);
  stroke-width: 1.8;
}
.failed .bead {
  fill: var(--flux);
  stroke: var(--flux);
}
text {
  font-size: 10.5px;
  fill: var(--slate);
}
</style>
