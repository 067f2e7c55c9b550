<script setup lang="ts">
import { computed } from 'vue'
import type { Circle } from '../../api/looms'
import { hex } from '../../ui/colours'

/** A bundle cut across, each cable in the colour of its sheath. */
const props = defineProps<{ circles: Circle[]; sleeved: boolean }>()
const radius = computed(() => Math.max(2, ...props.circles.map(each => Math.hypot(each.x, each.y) + each.r)))
const dark = (sheath: string) => ['black', 'blue', 'violet', 'brown', 'green', 'red'].includes(sheath)
</script>

<template>
  <svg
    :viewBox="`${-radius * 1.12} ${-radius * 1.12} ${radius * 2.24} ${radius * 2.24}`"
    role="img"
    :aria-label="`Cross-section of ${circles.length} cables`">
    <circle r="0" /><circle
      :r="radius"
      class="round"
      :class="{ sleeved }"
      :stroke-width="radius * (sleeved ? .06 : .015)" />
    <g v-for="each in circles" :key="each.code">
      <circle
        :cx="each.x"
        :cy="each.y"
        :r="each.r"
        :fill="hex(each.sheath)"
        stroke="#22302f"
        :stroke-width="radius * .012"><title>{{ each.code }}, {{ each.sheath }}</title></circle>
      <text
        v-if="each.r > radius * .17"
        :x="each.x"
        :y="each.y + each.r * .14"
        text-anchor="middle"
        :font-size="Math.min(each.r * .5, radius * .13)"
        :fill="dark(each.sheath) ? '#fff' : '#22302f'">{{ each.code }}</text>
    </g>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  max-width: 260px;
  display: block;
  margin: 0 auto;
}
.round {
  fill: none;
  stroke: var(--slate);
  stroke-dasharray: 2 2;
}
.round.sleeved {
  stroke-dasharray: none;
  stroke: var(--ink);
}
text {
  font-family: var(--mono);
}
</style>
