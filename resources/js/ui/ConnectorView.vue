<script setup lang="ts">
import { computed } from 'vue'
import type { Cavity, Drawing } from '../api/types'

/** A connector from one of its two sides, from the catalogue's own millimetres. */
const props = withDefaults(
  defineProps<{
    drawing: Drawing
    view: 'face' | 'wiring'
    fill?: Record<string, string>
    lit?: string[]
    current?: string
    pressable?: boolean
    height?: number
    turn?: number
    bad?: string[]
    titles?: (address: string) => string
    /** A contact that must be found at a glance. */
    halo?: string
  }>(),
  {
    halo: '',
    fill: () => ({}),
    lit: () => [],
    current: '',
    pressable: false,
    height: 220,
    turn: 0,
    bad: () => [],
    titles: undefined,
  },
)
const emit = defineEmits<{ press: [address: string] }>()

const margin = 3
const box = computed(() => {
  const points = props.drawing.cavities.map(place)
  const w =
    Math.max(
      sideways.value ? props.drawing.height : props.drawing.width,
      ...points.map(point => 2 * Math.abs(point[0]) + 2 * props.drawing.contact),
    ) +
    2 * margin
  const h =
    Math.max(
      sideways.value ? props.drawing.width : props.drawing.height,
      ...points.map(point => 2 * Math.abs(point[1]) + 2 * props.drawing.contact),
    ) +
    2 * margin
  return { w, h }
})
const wanted = computed(() =>
  Math.min(props.height, (props.height * box.value.h) / Math.max(box.value.h, box.value.w * 0.62)),
)
/** Turned as the vice holds it, anticlockwise; the numbers stay upright. */
function turned([x, y]: [number, number]): [number, number] {
  switch (((props.turn % 360) + 360) % 360) {
    case 90:
      return [-y, x]
    case 180:
      return [-x, -y]
    case 270:
      return [y, -x]
    default:
      return [x, y]
  }
}
const sideways = computed(() => props.turn % 180 !== 0)
const place = (cavity: Cavity): [number, number] => turned(props.view === 'face' ? cavity.face : cavity.wiring)
const key = computed(
  (): [number, number] | null =>
    props.drawing.key &&
    turned(props.view === 'face' ? props.drawing.key : [-props.drawing.key[0], props.drawing.key[1]]),
)
/** Circles no larger than half the way to the nearest neighbour. */
const radius = computed(() => {
  const points = props.drawing.cavities.map(place)
  let nearest = props.drawing.contact * 1.3
  for (let i = 0; i < points.length; i++) {
    for (let j = i + 1; j < points.length; j++) {
      nearest = Math.min(nearest, Math.hypot(points[i]![0] - points[j]![0], points[i]![1] - points[j]![1]) * 0.46)
    }
  }
  return nearest
})
const text = computed(() => Math.min(radius.value * 1.25, 2.6))
const size = (address: string) => Math.min(text.value, (radius.value * 2.9) / address.length)
const outline = computed(() => {
  const w = props.drawing.width / 2
  const h = props.drawing.height / 2
  // A D shell: its long side up, seen from either side the other way round.
  return `M${-w} ${-h}H${w}L${w * 0.94} ${h}H${-w * 0.94}Z`
})
function press(address: string) {
  if (props.pressable) emit('press', address)
}
const words = computed(() => `${props.drawing.name}, ${props.view === 'face' ? 'mating face' : 'wiring side'}`)
</script>

<template>
  <figure class="connector">
    <svg
      :height="wanted"
      :viewBox="`${-box.w / 2} ${-box.h / 2} ${box.w} ${box.h}`"
      :role="pressable ? 'group' : 'img'"
      :aria-label="words">
      <g :transform="`rotate(${-turn})`">
        <rect
          v-if="drawing.shape === 'rectangle'"
          :x="-drawing.width / 2"
          :y="-drawing.height / 2"
          :width="drawing.width"
          :height="drawing.height"
          rx="1.6"
          class="body" />
        <path v-else-if="drawing.shape === 'd'" :d="outline" class="body" />
        <ellipse v-else cx="0" cy="0" :rx="drawing.width / 2" :ry="drawing.height / 2" class="body" />
      </g>
      <rect v-if="key" :x="key[0] - 1.4" :y="-key[1] - 0.9" width="2.8" height="1.8" class="key" />
      <!-- Presses inside it bubble up. -->
      <!-- eslint-disable-next-line vuejs-accessibility/no-static-element-interactions -->
      <g
        v-for="cavity in drawing.cavities"
        :key="cavity.address"
        :class="['contact', { lit: lit.includes(cavity.address), current: current === cavity.address,
                              bad: bad.includes(cavity.address), pressable }]"
        :role="pressable ? 'button' : undefined"
        :tabindex="pressable ? 0 : undefined"
        :aria-label="`contact ${cavity.address}`"
        :aria-pressed="pressable ? lit.includes(cavity.address) : undefined"
        @click="press(cavity.address)"
        @keydown.enter.prevent.stop="press(cavity.address)"
        @keydown.space.prevent.stop="press(cavity.address)">
        <title>{{ cavity.address }}{{ view === 'wiring' && cavity.terminal ? ` · ${cavity.terminal}`
          : '' }}{{ titles?.(cavity.address) ? ` · ${titles(cavity.address)}` : '' }}</title>
        <circle
          :cx="place(cavity)[0]"
          :cy="-place(cavity)[1]"
          :r="radius"
          :style="fill[cavity.address] && !lit.includes(cavity.address) ? { fill: fill[cavity.address] } : undefined" />
        <text
          :x="place(cavity)[0]"
          :y="-place(cavity)[1]"
          dy="0.36em"
          text-anchor="middle"
          :font-size="size(cavity.address)">{{ cavity.address }}</text>
      </g>
      <template v-for="cavity in drawing.cavities" :key="`halo ${cavity.address}`">
        <circle
          v-if="halo === cavity.address"
          :cx="place(cavity)[0]"
          :cy="-place(cavity)[1]"
          :r="radius * 1.75"
          class="halo" />
      </template>
    </svg>
    <figcaption>{{ view === 'face' ? 'mating face' : 'wiring side' }}</figcaption>
  </figure>
</template>

<style scoped>
.connector {
  margin: 0;
  text-align: center;
}
svg {
  max-width: 100%;
}
figcaption {
  font-size: 12px;
  color: var(--slate);
}
.body {
  fill: var(--panel);
  stroke: var(--ink);
  stroke-width: 0.45;
}
.key {
  fill: var(--ink);
}
.contact circle {
  fill: var(--surface);
  stroke: var(--ink);
  stroke-width: 0.28;
}
.contact text {
  font-family: var(--mono);
  fill: var(--ink);
  pointer-events: none;
}
.contact.lit circle {
  fill: var(--copper);
  stroke: var(--copper);
}
.contact.lit text {
  fill: var(--on-action);
}
.halo {
  fill: none;
  stroke: var(--copper);
  stroke-width: 0.75;
  pointer-events: none;
}
.contact.current circle {
  stroke: var(--copper);
  stroke-width: 0.9;
}
.contact.bad circle {
  stroke: var(--flux);
  stroke-width: 0.9;
  stroke-dasharray: 1 0.6;
}
.contact {
  outline: none;
}
.pressable {
  cursor: pointer;
}
.pressable:focus-visible {
  outline: none;
}
.pressable:focus-visible circle {
  stroke: var(--verdigris);
  stroke-width: 0.9;
}
</style>
