<script setup lang="ts">
import { computed } from 'vue'
import type { Panel } from '../../api/building'

/**
 * A panel from behind, to scale: places in the order in which they are filled, entry, bars, and one tail as it lies.
 */
const props = defineProps<{ panel: Panel; chosen: string }>()
defineEmits<{ choose: [string] }>()
const mm = (text?: string) => Number.parseFloat(text ?? '0') || 0
const geometry = computed(() => {
  const p = props.panel.part
  const x = (column: number) => mm(p.left) + (column - 1) * mm(p.pitch)
  const y = (row: number) => mm(p.top) + (row - 1) * mm(p.rise)
  const [width, height] = [
    Math.max(x(p.columns) + mm(p.left), mm(p.entryAcross)),
    Math.max(y(p.rows) + mm(p.top), mm(p.entryDown)),
  ]
  return {
    x,
    y,
    width: Math.max(40, width),
    height: Math.max(30, height),
    r: Math.max(4, Math.min(11, mm(p.pitch) * 0.36, (p.rows > 1 ? mm(p.rise) : 30) * 0.36)),
  }
})
const places = computed(() =>
  props.panel.tails.map(tail => {
    const [row, column] = tail.place.split('-').map(Number) as [number, number]
    return { ...tail, x: geometry.value.x(column), y: geometry.value.y(row) }
  }),
)
/** Along from the entry, to the nearest bar, up to the place: as the sum has it. */
const path = computed(() => {
  const place = places.value.find(each => each.place === props.chosen)
  if (!place) return ''
  const p = props.panel.part
  const bars = (p.bars ?? []).map(bar => mm(bar))
  const bar = bars.length
    ? bars.reduce((best, each) => (Math.abs(each - place.y) < Math.abs(best - place.y) ? each : best))
    : mm(p.entryDown)
  return `M${mm(p.entryAcross)} ${mm(p.entryDown)}V${bar}H${place.x}V${place.y}`
})
</script>

<template>
  <svg
    :viewBox="`-14 -14 ${geometry.width + 28} ${geometry.height + 28}`"
    role="group"
    :aria-label="`${panel.part.name} from behind`">
    <rect x="0" y="0" :width="geometry.width" :height="geometry.height" rx="3" class="plate" />
    <line
      v-for="bar in panel.part.bars ?? []"
      :key="bar"
      x1="4"
      :x2="geometry.width - 4"
      :y1="mm(bar)"
      :y2="mm(bar)"
      class="bar" />
    <path v-if="path" :d="path" class="tail" />
    <g
      v-for="place in places"
      :key="place.place"
      class="place"
      :class="{ held: place.fitting, chosen: place.place === chosen }"
      role="button"
      tabindex="0"
      :aria-label="`place ${place.place}, ${place.fitting || 'free'}, filled as number ${place.order}`"
      @click="$emit('choose', place.place)"
      @keydown.enter="$emit('choose', place.place)">
      <circle :cx="place.x" :cy="place.y" :r="geometry.r" /><text
        :x="place.x"
        :y="place.y + geometry.r * .35"
        text-anchor="middle"
        :font-size="geometry.r">{{ place.order }}</text>
    </g>
    <path :d="`M${mm(panel.part.entryAcross) - 7} ${mm(panel.part.entryDown) - 5}l9 5l-9 5z`" class="entry" />
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  display: block;
}
.plate {
  fill: var(--panel);
  stroke: var(--slate);
}
.bar {
  stroke: var(--slate);
  stroke-width: 3;
}
.tail {
  fill: none;
  stroke: var(--copper);
  stroke-width: 3;
  stroke-linejoin: round;
}
.place {
  cursor: pointer;
  outline: none;
}
.place circle {
  fill: var(--surface);
  stroke: var(--slate);
  stroke-width: 1.4;
}
.place.held circle {
  fill: var(--good);
  stroke: var(--verdigris);
}
.place.chosen circle {
  stroke: var(--copper);
  stroke-width: 3;
}
.place:focus-visible {
  outline: none;
}
.place:focus-visible circle {
  stroke: var(--copper);
  stroke-width: 3;
}
.place text {
  font-family: var(--mono);
  fill: var(--ink);
  pointer-events: none;
}
.entry {
  fill: var(--copper);
}
</style>
