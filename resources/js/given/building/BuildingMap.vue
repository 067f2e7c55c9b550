<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Building, Point, Way } from '../../api/building'
import { align, type Aligning } from './map/align'
import { useMap, type MapNode } from './map/useMap'
import { SQUARE, useView } from './map/useView'

const props = defineProps<{
  building: Building
  chosen: string
  route: string[]
  drawing: boolean
  from: string
  edits: boolean
  /** "": all */
  level: string
}>()
const emit = defineEmits<{ choose: [string]; place: [Point]; move: [Map<string, Point>] }>()

const svg = ref<SVGSVGElement | null>(null)
const moving = ref(new Map<string, Point>())
const eye = useView(svg, () => nodes.value.map(node => node.at))
const { nodes, seen, lines, names, pointed, anew, loose, size } = useMap(props, eye, moving)

/** Several at once: Shift and a press, or a frame drawn with Shift. */
const picked = ref(new Set<string>())
const frame = ref<{ from: [number, number]; to: [number, number] } | null>(null)
watch(
  () => props.level,
  () => {
    picked.value = new Set()
  },
)
const dragged = ref<{ key: string; from: Point; moved: boolean } | null>(null)
/** Lines through places that stand exactly above or beside what is dragged. */
const guides = computed(() => {
  const one = dragged.value?.moved && nodes.value.find(node => node.key === dragged.value!.key)
  if (!one) return []
  const others = nodes.value.filter(node => !moving.value.has(node.key))
  const [x, y] = eye.seen(one.at)
  return [
    ...(others.some(each => each.at[0] === one.at[0]) ? [{ x1: x, x2: x, y1: 0, y2: eye.height.value }] : []),
    ...(others.some(each => each.at[1] === one.at[1]) ? [{ x1: 0, x2: eye.width.value, y1: y, y2: y }] : []),
  ]
})

/** What is chosen is named, whether there is room or not. */
const written = (line: { key: string; x: number; y: number }) =>
  (names.value.written.get(line.key) ?? [line.x, line.y - 12]).join(' ')
const over = (way: Way) => way.fill !== null && way.rule !== null && (way.fill.value ?? Infinity) > way.rule.design
const stopped = (way: Way) => way.findings.some(each => each.severity === 'stop')
const whole = (at: Point): Point => [Math.round(at[0]!), Math.round(at[1]!)]
const pixel = (event: PointerEvent): [number, number] => {
  const box = svg.value!.getBoundingClientRect()
  return [event.clientX - box.left, event.clientY - box.top]
}

/** Dots stand on squares, as many as one can tell apart. */
const DOTS = 20
const ground = computed(() => {
  const { x, y, k } = eye.view.value
  let square = SQUARE * k
  while (square < DOTS) square *= 2
  return { '--square': `${square}px`, '--x': `${x}px`, '--y': `${y}px` }
})

function down(event: PointerEvent, node: MapNode) {
  if (props.drawing || !props.edits || event.button !== 0) return
  dragged.value = { key: node.key, from: whole(eye.point(event)), moved: false }
  ;(event.target as Element).setPointerCapture?.(event.pointerId)
}
function grounded(event: PointerEvent) {
  if (event.shiftKey && props.edits && event.button === 0) {
    frame.value = { from: pixel(event), to: pixel(event) }
    svg.value!.setPointerCapture(event.pointerId)
  } else if (picked.value.size) picked.value = new Set()
}
function moved(event: PointerEvent) {
  if (frame.value) {
    frame.value = { ...frame.value, to: pixel(event) }
    return
  }
  const it = dragged.value
  if (!it) return
  const at = whole(eye.point(event))
  const by = [at[0]! - it.from[0]!, at[1]! - it.from[1]!] as const
  if (!it.moved && !by[0] && !by[1]) return
  dragged.value = { ...it, moved: true }
  const all = picked.value.has(it.key) ? picked.value : new Set([it.key])
  moving.value = new Map(
    nodes.value
      .filter(node => all.has(node.key))
      .map(node => [node.key, whole([placed(node)[0]! + by[0], placed(node)[1]! + by[1]])]),
  )
}
/**
 * At once, and until the building says so itself. Whoever moves one place has seen where the others stand: those that
 * nobody has put there yet stay there, and are not laid out around it again.
 */
function move(by: Map<string, Point>) {
  const all = new Map([...loose.value, ...by])
  moving.value = all
  emit('move', all)
}
/** Where it stood before anybody dragged it. */
const stood = new Map<string, Point>()
function placed(node: MapNode): Point {
  if (!moving.value.has(node.key)) stood.set(node.key, node.at)
  return stood.get(node.key) ?? node.at
}
function up(event: PointerEvent, key: string) {
  const it = dragged.value
  dragged.value = null
  if (it?.moved) move(moving.value)
  else if (event.shiftKey && props.edits) toggle(key)
  else emit('choose', key)
}
function toggle(key: string) {
  const next = new Set(picked.value)
  if (!next.delete(key)) next.add(key)
  picked.value = next
}
function lifted() {
  if (!frame.value) return
  const { from, to } = frame.value
  const between = (a: number, b: number, of: number) => of >= Math.min(a, b) && of <= Math.max(a, b)
  const inside = seen.value.filter(each => between(from[0], to[0], each.x) && between(from[1], to[1], each.y))
  picked.value = new Set([...picked.value, ...inside.map(each => each.key)])
  frame.value = null
}
const STEPS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}
/** Whoever has no mouse moves a place by Alt and an arrow. */
function onKey(event: KeyboardEvent, node: MapNode) {
  const step = event.altKey && props.edits ? STEPS[event.key] : undefined
  if (step) {
    event.preventDefault()
    move(new Map([[node.key, whole([node.at[0]! + step[0], node.at[1]! + step[1]])]]))
  } else if (event.key === 'Enter' || event.key === ' ') {
    event.preventDefault()
    emit('choose', node.key)
  }
}
function onMapKey(event: KeyboardEvent) {
  if (event.key === '+') eye.closer(1.4)
  else if (event.key === '-') eye.closer(1 / 1.4)
  else if (event.key === '0') eye.whole()
}

const ofPicked = () => new Map(nodes.value.filter(node => picked.value.has(node.key)).map(node => [node.key, node.at]))
const put = (how: Aligning) => move(align(ofPicked(), how))
const suggested = computed(() =>
  loose.value.size === 1
    ? 'One place stands where its ways suggest.'
    : `${loose.value.size} places stand where their ways suggest.`,
)
/** As the ways suggest, wherever they stand: one change, which can be undone. */
const arrange = () => move(anew())
/** What was moved is where it was put as soon as the building says so. */
function settled() {
  moving.value = new Map()
  stood.clear()
}
defineExpose({ settled })
</script>

<template>
  <div class="frame">
    <!-- eslint-disable vuejs-accessibility/no-static-element-interactions -- presses inside it bubble up -->
    <svg
      ref="svg"
      class="map"
      :class="{ drawing }"
      role="group"
      aria-label="Map of the building"
      :style="ground"
      @pointerdown.self="grounded"
      @pointermove="moved"
      @pointerup="lifted"
      @keydown="onMapKey"
      @dblclick.self="emit('place', whole(eye.point($event)))">
      <!-- eslint-enable vuejs-accessibility/no-static-element-interactions -->
      <line
        v-for="(guide, i) in guides"
        :key="i"
        v-bind="guide"
        class="guide" />
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
          v-if="names.written.has(line.key) || chosen === line.key"
          :transform="`translate(${written(line)}) rotate(${line.angle})`"
          y="4"
          text-anchor="middle">{{ line.way.part.name }}</text>
      </g>
      <g
        v-for="node in seen"
        :key="node.key"
        class="node"
        :class="[node.kind, { chosen: chosen === node.key, from: from === node.part.id, picked: picked.has(node.key),
                              loose: node.loose, away: node.away }]"
        :transform="`translate(${node.x} ${node.y})`"
        role="button"
        tabindex="0"
        :aria-label="`${node.part.name}, ${node.kind}${node.part.level ? `, ${node.part.level}` : ''}`"
        @pointerdown="down($event, node)"
        @pointerup.stop="up($event, node.key)"
        @pointerenter="pointed = node.key"
        @pointerleave="pointed = ''"
        @focus="pointed = node.key"
        @blur="pointed = ''"
        @keydown="onKey($event, node)">
        <circle class="touch" r="16" />
        <circle v-if="node.kind === 'junction'" r="6" :transform="`scale(${size})`" />
        <rect
          v-else
          x="-9"
          y="-9"
          width="18"
          height="18"
          rx="3"
          :transform="`scale(${size})`" />
        <text
          v-if="names.named.has(node.key)"
          :x="names.named.get(node.key)!.x - node.x"
          :y="names.named.get(node.key)!.y - node.y"
          :text-anchor="names.named.get(node.key)!.anchor"
          :class="node.kind">{{ node.part.name }}</text>
        <text
          v-else-if="pointed === node.key"
          y="-16"
          text-anchor="middle"
          class="pointed">{{ node.part.name }}</text>
      </g>
      <rect
        v-if="frame"
        class="picking"
        :x="Math.min(frame.from[0], frame.to[0])"
        :y="Math.min(frame.from[1], frame.to[1])"
        :width="Math.abs(frame.to[0] - frame.from[0])"
        :height="Math.abs(frame.to[1] - frame.from[1])" />
    </svg>
    <p v-if="picked.size" class="hint picks"><b>{{ picked.size }} picked</b>
      <button type="button" class="plain" @click="put('row')">In a row</button>
      <button type="button" class="plain" @click="put('column')">In a column</button>
      <button v-if="picked.size > 2" type="button" class="plain" @click="put('even')">Evenly apart</button>
      <button type="button" class="plain" @click="picked = new Set()">Let go</button></p>
    <p v-else-if="edits && loose.size" class="hint">{{ suggested }}
      <button type="button" class="plain" @click="move(loose)">Keep them there</button></p>
    <p class="zooms"><button type="button" aria-label="Closer" @click="eye.closer(1.4)">+</button><button
      type="button"
      aria-label="Further away"
      @click="eye.closer(1 / 1.4)">−</button><button type="button" @click="eye.whole()">All</button><button
        v-if="edits"
        type="button"
        @click="arrange">Arrange</button></p>
  </div>
</template>

<style scoped>
.frame {
  position: relative;
  height: 100%;
}
.map {
  width: 100%;
  height: 100%;
  display: block;
  touch-action: none;
  user-select: none;
  background: var(--surface);
  background-image: radial-gradient(var(--line) 1px, transparent 1px);
  background-size: var(--square) var(--square);
  background-position: calc(var(--x) + var(--square) / 2) calc(var(--y) + var(--square) / 2);
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
.guide {
  stroke: var(--copper);
  stroke-dasharray: 2 3;
}
text {
  font: 12.5px var(--sans);
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--surface);
  stroke-width: 4px;
  stroke-linejoin: round;
}
.way text {
  pointer-events: none;
  fill: var(--slate);
  font-weight: 600;
}
text.junction {
  font-size: 11.5px;
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
/* Nobody has put it there. */
.node.loose rect,
.node.loose circle {
  stroke-dasharray: 3 2;
}
.node.away rect,
.node.away circle {
  opacity: 0.45;
}
.node.away text {
  font-style: italic;
  fill: var(--slate);
}
.node.picked rect,
.node.picked circle {
  stroke: var(--copper);
  stroke-width: 4;
}
.node.chosen rect,
.node.chosen circle,
.node.from rect,
.node.from circle {
  fill: var(--copper);
  stroke: var(--copper);
}
.node:focus-visible rect,
.node:focus-visible circle {
  stroke: var(--copper);
  stroke-width: 4;
}
.way:focus-visible .body {
  stroke: var(--copper);
}
.picking {
  fill: var(--chosen);
  fill-opacity: 0.5;
  stroke: var(--copper);
}
.hint,
.zooms {
  position: absolute;
  margin: 0;
  padding: 4px 10px;
  background: var(--surface);
  border: 1px solid var(--line);
  border-radius: 4px;
  font-size: 13px;
}
.hint {
  left: 8px;
  bottom: 8px;
}
.hint.picks {
  border-color: var(--copper);
}
.zooms {
  right: 8px;
  bottom: 8px;
  padding: 0;
  display: flex;
}
.zooms button {
  all: unset;
  cursor: pointer;
  color: var(--verdigris);
}
.hint button {
  margin-left: 10px;
}
.zooms button {
  min-width: 34px;
  padding: 0 6px;
  line-height: 34px;
  text-align: center;
}
.zooms button + button {
  border-left: 1px solid var(--line);
}
.zooms button:focus-visible {
  outline: 2px solid var(--copper);
}
@media print {
  .hint,
  .zooms {
    display: none;
  }
}
</style>
