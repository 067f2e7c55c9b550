<script setup lang="ts">
import { computed } from 'vue'
import type { Drawing } from '../../api/types'
import { short } from '../../ui/units'
import type { Place } from './useJob'

/**
 * What lies on this end, from the cable to its tip, in the order in which it
 * goes on. Diameters are to scale with each other and with the connector that
 * comes last; lengths are not.
 */
const props = defineProps<{
  place: Place
  places: Place[]
  settled: (id: string) => boolean
  drawing: Drawing | null
}>()
const mine = (each: Place) =>
  each.piece.run === props.place.piece.run &&
  each.step.side === props.place.step.side &&
  (!each.piece.leg || !props.place.piece.leg || each.piece.leg === props.place.piece.leg)
const sizes = (each: Place) => each.piece.sizes ?? { over: 6, bore: null, outer: null }
const parts = computed(() =>
  props.places
    .filter(each => each.step.task === 'slide-on' && mine(each))
    .map(each => ({
      id: each.piece.id,
      name: each.piece.words.replace(/^Slide on /, '').replace(/(,| for | × ).*$/, ''),
      on: props.settled(each.piece.id),
      now: each.piece.id === props.place.piece.id,
      bore: sizes(each).bore ?? sizes(each).over,
      outer: Math.max(sizes(each).outer ?? 0, (sizes(each).bore ?? sizes(each).over) + 1.2),
    })),
)
const over = computed(() => sizes(props.place).over)
const girth = computed(() => (props.drawing ? Math.max(props.drawing.width, props.drawing.height) : 0))
const largest = computed(() => Math.max(8, girth.value, ...parts.value.map(part => part.outer)))
/** Pixels to a millimetre. */
const scale = computed(() => 92 / largest.value)
const middle = 74
const slot = 128
const end = computed(() => 70 + parts.value.length * slot)
</script>

<template>
  <figure>
    <svg
      :viewBox="`0 0 ${end + 170} 158`"
      role="img"
      :aria-label="`On the cable, farthest from the tip first: ${parts.map(part => part.name).join(', ')}`">
      <rect x="0" :y="middle - over * scale / 2" :width="end" :height="over * scale" rx="2" fill="#4c4c4c" />
      <g v-for="(part, i) in parts" :key="part.id" :class="{ on: part.on, now: part.now }">
        <rect
          :x="52 + i * slot"
          :y="middle - part.outer * scale / 2"
          width="76"
          :height="part.outer * scale"
          rx="5"
          class="part" />
        <rect
          :x="52 + i * slot"
          :y="middle - part.bore * scale / 2"
          width="76"
          :height="part.bore * scale"
          class="bore" />
        <text :x="90 + i * slot" y="140" text-anchor="middle">{{ i + 1 }} {{ part.name }}</text>
        <text :x="90 + i * slot" y="154" text-anchor="middle" class="size">bore {{ short(`${part.bore} mm`) }}</text>
      </g>
      <path :d="`M${end} ${middle - 4}h20v3h-20zM${end} ${middle + 2}h20v3h-20z`" fill="#c98a55" />
      <template v-if="drawing">
        <rect :x="end + 34" :y="middle - girth * scale / 2" width="84" :height="girth * scale" rx="5" class="last" />
        <text :x="end + 76" y="140" text-anchor="middle">then the connector</text>
        <text :x="end + 76" y="154" text-anchor="middle" class="size">{{ short(`${girth} mm`) }}</text>
      </template>
    </svg>
  </figure>
</template>

<style scoped>
figure {
  margin: 16px 0 0;
}
svg {
  width: 100%;
  max-width: 780px;
  max-height: 190px;
}
.part {
  fill: var(--paper);
  stroke: var(--quiet);
  stroke-width: 1.6;
  stroke-dasharray: 4 3;
  fill-opacity: 0.8;
}
.bore {
  fill: none;
  stroke: var(--quiet);
  stroke-width: 0.8;
  stroke-dasharray: 2 2;
}
.on .part {
  fill: var(--good);
  stroke: var(--verdigris);
  stroke-dasharray: none;
}
.now .part {
  fill: var(--chosen);
  stroke: var(--copper);
  stroke-width: 2.6;
  stroke-dasharray: none;
}
.last {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.4;
  stroke-dasharray: 6 4;
}
text {
  font-size: 12px;
  fill: var(--slate);
}
.now text {
  fill: var(--ink);
  font-weight: 600;
}
.size {
  font-size: 11px;
  font-weight: 400 !important;
}
</style>
