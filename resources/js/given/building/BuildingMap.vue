<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { Building, PlacePart, Point, Way } from '../../api/building'

const props = defineProps<{
  building: Building
  chosen: string
  route: string[]
  drawing: boolean
  from: string
  edits: boolean
}>()
const emit = defineEmits<{ choose: [string]; place: [Point]; move: [string, Point] }>()

/** Pixels for a square of the map, and room round it. */
const SQUARE = 30
const ROOM = 1.5
/** Pixels for a name beside a place. */
const NAMES = 150

const svg = ref<SVGSVGElement | null>(null)
const { width, height } = useElementSize(svg)
const dragged = ref<{ key: string; at: Point; moved: boolean } | null>(null)

/** Places that nobody put anywhere stand in a row below the rest. */
const nodes = computed(() => {
  const all = [
    ...props.building.locations.map(each => ({ kind: 'location', part: each.part })),
    ...props.building.junctions.map(each => ({ kind: 'junction', part: each.part })),
  ]
  const lowest = Math.max(0, ...all.map(each => each.part.at?.[1] ?? 0))
  let loose = 0
  return all.map(each => {
    const key = `${each.kind}:${each.part.id}`
    const at: Point = dragged.value?.key === key ? dragged.value.at : (each.part.at ?? [loose++ * 4, lowest + 2])
    return { ...each, key, at }
  })
})
const spots = computed(() => Object.fromEntries(nodes.value.map(node => [node.part.id, node.at])))
const bounds = computed(() => {
  const xs = nodes.value.map(node => node.at[0])
  const ys = nodes.value.map(node => node.at[1])
  const [left, top, right, bottom] = [Math.min(...xs, 0), Math.min(...ys, 0), Math.max(8, ...xs), Math.max(5, ...ys)]
  // Names stand beside the outer places: they need as much room whatever the scale.
  const beside = Math.min(12, ((right - left) * NAMES) / Math.max(200, width.value - 2 * NAMES))
  return {
    left: left - beside,
    top: top - ROOM,
    width: right - left + 2 * beside,
    height: bottom - top + 2 * ROOM,
    middle: (left + right) / 2,
  }
})
/** Drawing units for a pixel: words stay readable however large the building is. */
const pixel = computed(() =>
  Math.max(
    0.6,
    Math.min(
      3,
      Math.max(
        (bounds.value.width * SQUARE) / Math.max(1, width.value),
        (bounds.value.height * SQUARE) / Math.max(1, height.value),
      ),
    ),
  ),
)
const box = computed(() => {
  const { left, top, width, height } = bounds.value
  return [left, top, width, height].map(each => each * SQUARE).join(' ')
})

const lines = computed(() =>
  props.building.ways.flatMap(way => {
    const a = spots.value[way.part.from ?? '']
    const b = spots.value[way.part.to ?? '']
    if (!a || !b) return []
    const [x1, y1, x2, y2] = [a[0] * SQUARE, a[1] * SQUARE, b[0] * SQUARE, b[1] * SQUARE]
    // Ways between the same places hang beside each other.
    const twins = props.building.ways.filter(
      each => [each.part.from, each.part.to].sort().join() === [way.part.from, way.part.to].sort().join(),
    )
    const off = (twins.indexOf(way) - (twins.length - 1) / 2) * 16
    const [mx, my] = [
      (x1 + x2) / 2 - ((y2 - y1) / Math.max(1, Math.hypot(x2 - x1, y2 - y1))) * off,
      (y1 + y2) / 2 + ((x2 - x1) / Math.max(1, Math.hypot(x2 - x1, y2 - y1))) * off,
    ]
    return [
      {
        way,
        key: `way:${way.part.id}`,
        d: `M${x1} ${y1}Q${mx * 2 - (x1 + x2) / 2} ${my * 2 - (y1 + y2) / 2} ${x2} ${y2}`,
        x: mx,
        y: my,
        thick: 2 + Math.min(9, Math.sqrt(way.runs.length) * 2),
        angle: leant(x1, y1, x2, y2),
        roomy: Math.hypot(x2 - x1, y2 - y1) > way.part.name.length * 6.4 * pixel.value,
        main: Number.parseFloat(way.part.length) > 5000 || way.part.kind !== 'free air',
      },
    ]
  }),
)
/** Names lean along their way, never upside down. */
function leant(x1: number, y1: number, x2: number, y2: number): number {
  const angle = (Math.atan2(y2 - y1, x2 - x1) * 180) / Math.PI
  return angle > 90 ? angle - 180 : angle < -90 ? angle + 180 : angle
}
const over = (way: Way) => way.fill !== null && way.rule !== null && (way.fill.value ?? Infinity) > way.rule.design
const stopped = (way: Way) => way.findings.some(each => each.severity === 'stop')

function point(event: PointerEvent | MouseEvent): Point {
  const matrix = svg.value!.getScreenCTM()!
  return [
    Math.round((event.clientX - matrix.e) / matrix.a / SQUARE),
    Math.round((event.clientY - matrix.f) / matrix.d / SQUARE),
  ]
}
function down(event: PointerEvent, node: { key: string; at: Point }) {
  if (props.drawing || !props.edits || event.button !== 0) return
  dragged.value = { key: node.key, at: node.at, moved: false }
  ;(event.target as Element).setPointerCapture?.(event.pointerId)
}
function moved(event: PointerEvent) {
  if (!dragged.value) return
  const at = point(event)
  if (at[0] !== dragged.value.at[0] || at[1] !== dragged.value.at[1])
    dragged.value = { ...dragged.value, at, moved: true }
}
function up(key: string) {
  const it = dragged.value
  dragged.value = null
  if (it?.moved) emit('move', it.key, it.at)
  else emit('choose', key)
}
const label = (part: PlacePart) => part.name
</script>

<template>
  <!-- eslint-disable-next-line vuejs-accessibility/no-static-element-interactions -- presses inside it bubble up -->
  <svg
    ref="svg"
    class="map"
    :style="{ '--px': pixel }"
    :viewBox="box"
    :class="{ drawing }"
    role="group"
    aria-label="Map of the building"
    @pointermove="moved"
    @dblclick.self="emit('place', point($event))">
    <g
      v-for="line in lines"
      :key="line.key"
      class="way"
      :class="{ chosen: chosen === line.key, on: route.includes(line.way.part.id), over: over(line.way),
                stop: stopped(line.way), far: route.length > 0 && !route.includes(line.way.part.id) }"
      role="button"
      :tabindex="line.main ? 0 : -1"
      :aria-label="`${line.way.part.name}, ${line.way.runs.length} cables`"
      @click="emit('choose', line.key)"
      @keydown.enter="emit('choose', line.key)">
      <path :d="line.d" class="reachable" />
      <path :d="line.d" class="body" :class="line.way.part.kind?.replace(' ', '-')" :stroke-width="line.thick" />
      <text
        v-if="line.main && line.roomy && line.way.part.kind !== 'free air' || chosen === line.key"
        :transform="`translate(${line.x} ${line.y}) rotate(${line.angle})`"
        :y="-line.thick / 2 - 4 * pixel"
        text-anchor="middle">{{ line.way.part.name }}</text>
    </g>
    <g
      v-for="node in nodes"
      :key="node.key"
      class="node"
      :class="[node.kind, { chosen: chosen === node.key, from: from === node.part.id }]"
      :transform="`translate(${node.at[0] * SQUARE} ${node.at[1] * SQUARE})`"
      role="button"
      tabindex="0"
      :aria-label="`${node.part.name}, ${node.kind}`"
      @pointerdown="down($event, node)"
      @pointerup="up(node.key)"
      @keydown.enter="emit('choose', node.key)">
      <circle class="touch" :r="16 * pixel" />
      <circle v-if="node.kind === 'junction'" r="6" />
      <rect v-else x="-9" y="-9" width="18" height="18" rx="3" />
      <text
        v-if="node.kind === 'location'"
        :x="node.at[0] > bounds.middle ? 14 : -14"
        y="5"
        :text-anchor="node.at[0] > bounds.middle ? 'start' : 'end'"
        class="place">{{ label(node.part) }}</text>
      <text v-else :y="10 + 11 * pixel" text-anchor="middle" class="meet">{{ label(node.part) }}</text>
    </g>
  </svg>
</template>

<style scoped>
.map {
  width: 100%;
  height: 100%;
  display: block;
  touch-action: none;
  background: var(--surface);
  background-image: radial-gradient(var(--line) 1px, transparent 1px);
  background-size: 24px 24px;
}
.drawing {
  cursor: crosshair;
}
.way,
.node {
  outline: none;
}
.way {
  cursor: pointer;
}
.reachable {
  fill: none;
  stroke: transparent;
  stroke-width: 22;
}
.body {
  fill: none;
  stroke: var(--slate);
  stroke-linecap: round;
}
.body.conduit {
  stroke-dasharray: 14 3;
}
.body.riser {
  stroke-dasharray: 3 4;
  stroke-linecap: butt;
}
.body.void {
  stroke-dasharray: 1 6;
}
.body.free-air {
  stroke: var(--quiet);
  stroke-dasharray: 2 4;
}
.over .body {
  stroke: var(--amber);
}
.stop .body {
  stroke: var(--flux);
}
.on .body,
.chosen .body {
  stroke: var(--copper);
}
.far .body {
  opacity: 0.35;
}
text {
  font: calc(12.5px * var(--px)) var(--sans);
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--surface);
  stroke-width: calc(4px * var(--px));
  stroke-linejoin: round;
}
.way text {
  pointer-events: none;
}
.way text {
  fill: var(--slate);
  font-weight: 600;
}
.meet {
  font-size: calc(11px * var(--px));
  fill: var(--slate);
}
.node {
  cursor: pointer;
}
.node rect {
  fill: var(--good);
  stroke: var(--verdigris);
  stroke-width: 2;
}
.node .touch {
  fill: transparent !important;
  stroke: none !important;
}
.node circle {
  fill: var(--paper);
  stroke: var(--slate);
  stroke-width: 2.5;
}
.node.chosen rect,
.node.chosen circle,
.node.from rect,
.node.from circle {
  fill: var(--copper);
  stroke: var(--copper);
}
.node:focus-visible,
.way:focus-visible {
  outline: none;
}
.node:focus-visible rect,
.node:focus-visible circle {
  stroke: var(--copper);
  stroke-width: 4;
}
.way:focus-visible .body {
  stroke: var(--copper);
}
</style>
