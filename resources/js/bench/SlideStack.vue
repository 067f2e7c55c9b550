<script setup lang="ts">
import { computed } from 'vue'
import type { Place } from './useJob'

/** What lies on this end, from the cable to its tip, in the order in which it goes on. */
const props = defineProps<{ place: Place, places: Place[], settled: (id: string) => boolean }>()
const mine = (each: Place) => each.piece.run === props.place.piece.run && each.step.side === props.place.step.side && (!each.piece.leg || !props.place.piece.leg || each.piece.leg === props.place.piece.leg)
const parts = computed(() => props.places.filter(each => each.step.task === 'slide-on' && mine(each)).map(each => ({
  id: each.piece.id, name: each.piece.words.replace(/^Slide on /, '').replace(/(,| for | × ).*$/, ''), on: props.settled(each.piece.id), now: each.piece.id === props.place.piece.id,
})))
const width = 150
</script>

<template>
  <figure>
    <svg :viewBox="`0 0 ${160 + parts.length * width} 120`" role="img" :aria-label="`On the cable, farthest from the tip first: ${parts.map(part => part.name).join(', ')}`">
      <rect x="0" y="50" :width="100 + parts.length * width" height="20" rx="3" fill="#4c4c4c" />
      <g v-for="(part, i) in parts" :key="part.id" :class="{ on: part.on, now: part.now }" :transform="`translate(${60 + i * width} 0)`">
        <path d="M6 40H104L112 46V74L104 80H6Q0 60 6 40Z" class="part" />
        <text x="56" y="64" text-anchor="middle" class="n">{{ i + 1 }}</text>
        <text x="56" :y="i % 2 ? 106 : 28" text-anchor="middle">{{ part.name }}</text>
      </g>
      <path :d="`M${100 + parts.length * width} 55h22v3h-22zM${100 + parts.length * width} 62h22v3h-22z`" fill="#c98a55" />
      <text :x="126 + parts.length * width" y="64">tip</text>
    </svg>
  </figure>
</template>

<style scoped>
figure { margin: 16px 0 0 }
svg { width: 100%; max-width: 760px; max-height: 150px }
.part { fill: var(--paper); stroke: var(--quiet); stroke-width: 1.6; stroke-dasharray: 4 3 }
.on .part { fill: var(--good); stroke: var(--verdigris); stroke-dasharray: none }
.now .part { fill: var(--chosen); stroke: var(--copper); stroke-width: 2.6; stroke-dasharray: none }
text { font-size: 12.5px; fill: var(--slate) }
.now text { fill: var(--ink); font-weight: 600 }
.n { font-size: 15px }
</style>
