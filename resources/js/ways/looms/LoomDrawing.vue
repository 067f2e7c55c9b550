<script setup lang="ts">
import { computed, onBeforeUnmount, ref } from 'vue'
import type { Branch, Loom, Segment } from '../../api/looms'
import { length, system } from '../../ui/units'

/** The loom along its distance from the root, to scale; lines beside each other are not where branches lie. */
const props = defineProps<{ loom: Loom; chosen: string; edits: boolean }>()
const emit = defineEmits<{ choose: [string]; move: [Branch, number] }>()

const WIDTH = 800
const LEFT = 48
const RIGHT = 112
const LANE = 62
const svg = ref<SVGSVGElement | null>(null)
const mm = (canonical: string) => Number.parseFloat(canonical)

const total = computed(() => Math.max(1000, ...props.loom.segments.map(each => mm(each.end))))
const scale = computed(() => (WIDTH - LEFT - RIGHT) / total.value)
const x = (at: number) => LEFT + at * scale.value
const least = computed(() => Math.min(0, ...props.loom.segments.map(each => each.lane)))
const most = computed(() => Math.max(0, ...props.loom.segments.map(each => each.lane)))
const height = computed(() => (most.value - least.value + 1) * LANE + 44)
const y = (lane: number) => 34 + LANE / 2 + (lane - least.value) * LANE
const lane = computed(() => Object.fromEntries(props.loom.segments.map(each => [each.id, each.lane])))
const widest = computed(() => Math.max(1, ...props.loom.segments.map(each => each.diameter.value ?? 0)))
const thick = (segment: Segment) => 3 + ((segment.diameter.value ?? 0) / widest.value) * 21

/** Round steps of the scale: 1, 2, 5 and so on. */
/** From the lane that it comes off into its own. */
const bend = (segment: Segment, lane: number) => {
  const [at, before, own] = [x(mm(segment.start)), y(lane), y(segment.lane)]
  return `M${at - 1} ${before}C${at + 5} ${before} ${at - 5} ${own} ${at + 2} ${own}`
}
const ticks = computed(() => {
  const unit = system.value === 'metric' ? 1000 : 304.8
  const raw = total.value / unit / 8
  const power = 10 ** Math.floor(Math.log10(raw))
  const step = [1, 2, 5, 10].map(each => each * power).find(each => each >= raw)! * unit
  return Array.from({ length: Math.floor(total.value / step) + 1 }, (_, i) => i * step)
})
const tips = computed(() => {
  const at: Record<string, { x: number; y: number; places: string[] }> = {}
  for (const end of props.loom.ends) {
    const key = `${end.after ?? ''} ${end.start}`
    const entry = (at[key] ??= { x: x(mm(end.start)), y: y(lane.value[end.after ?? ''] ?? 0), places: [] })
    if (!entry.places.includes(end.place)) entry.places.push(end.place)
  }
  return Object.values(at)
})

const dragged = ref<{ key: string; by: number } | null>(null)
const key = (branch: Branch) => `${branch.at} ${branch.into}`
const by = (branch: Branch) => (dragged.value?.key === key(branch) ? dragged.value.by : mm(branch.by))
const STEP = 50
const kept = (branch: Branch, moved: number) =>
  Math.max(mm(branch.least), Math.min(mm(branch.most), Math.round(moved / STEP) * STEP))
/** Where the branch leaves: on the trunk before its junction, or past it. */
const handles = computed(() =>
  props.loom.branches
    .filter(each => mm(each.least) !== 0 || mm(each.most) !== 0)
    .map((branch, i) => {
      const first = props.loom.segments.find(
        each => each.way === branch.into && each.members.some(code => branch.members.includes(code)),
      )
      const trunk = props.loom.segments.find(
        each => !each.beside && Math.abs(mm(each.end) - mm(branch.junction)) < 1 && each.id !== first?.id,
      )
      return {
        branch,
        key: key(branch),
        x: x(mm(branch.junction) + by(branch)),
        y: y(trunk?.lane ?? 0),
        up: (first?.lane ?? 1) < (trunk?.lane ?? 0),
        label: branch.into === '' ? 'ends here' : branch.intoName,
        nudge: (i % 3) * 0,
      }
    }),
)

function down(event: PointerEvent, branch: Branch) {
  if (!props.edits) return
  dragged.value = { key: key(branch), by: mm(branch.by) }
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
}
function move(event: PointerEvent, branch: Branch) {
  if (dragged.value?.key !== key(branch)) return
  const matrix = svg.value!.getScreenCTM()!
  dragged.value = {
    key: key(branch),
    by: kept(branch, ((event.clientX - matrix.e) / matrix.a - LEFT) / scale.value - mm(branch.junction)),
  }
}
function drop(branch: Branch) {
  const it = dragged.value
  dragged.value = null
  if (it && it.by !== mm(branch.by)) emit('move', branch, it.by)
}
/** Arrows move by 100 mm, with shift by a metre; the rest follows once the keys rest. */
let resting = 0
function step(event: KeyboardEvent, branch: Branch) {
  if (!props.edits || (event.key !== 'ArrowLeft' && event.key !== 'ArrowRight')) return
  event.preventDefault()
  dragged.value = {
    key: key(branch),
    by: kept(branch, by(branch) + (event.key === 'ArrowLeft' ? -1 : 1) * (event.shiftKey ? 1000 : 100)),
  }
  window.clearTimeout(resting)
  resting = window.setTimeout(() => drop(branch), 600)
}
onBeforeUnmount(() => window.clearTimeout(resting))
</script>

<template>
  <svg
    ref="svg"
    class="loom"
    :viewBox="`0 0 ${WIDTH} ${height}`"
    role="group"
    :aria-label="`${loom.part.name} to scale`">
    <g class="scale"><line :x1="x(0)" :x2="x(total)" y1="14" y2="14" /><g v-for="tick in ticks" :key="tick"><line
      :x1="x(tick)"
      :x2="x(tick)"
      y1="10"
      y2="18" /><text :x="x(tick)" y="8" text-anchor="middle">{{ length(`${tick} mm`) }}</text></g></g>
    <g
      v-for="segment in loom.segments"
      :key="segment.id"
      class="segment"
      :class="{ chosen: chosen === segment.id, beside: segment.beside, sleeved: segment.sleeve }"
      role="button"
      tabindex="0"
      :aria-label="`${segment.wayName}, ${segment.members.length} cables, ${segment.diameter.text} thick`"
      @click="emit('choose', segment.id)"
      @keydown.enter="emit('choose', segment.id)">
      <path
        v-if="segment.before && lane[segment.before] !== segment.lane"
        class="joint"
        :d="bend(segment, lane[segment.before] ?? 0)"
        :stroke-width="Math.max(2, thick(segment) * .6)" />
      <rect
        :x="x(mm(segment.start))"
        :y="y(segment.lane) - thick(segment) / 2"
        :width="Math.max(3, mm(segment.length) * scale)"
        :height="thick(segment)"
        rx="2" />
      <line
        v-for="point in segment.points.length * 5 < mm(segment.length) * scale ? segment.points : []"
        :key="point"
        class="tie"
        :x1="x(mm(segment.start) + mm(point))"
        :x2="x(mm(segment.start) + mm(point))"
        :y1="y(segment.lane) - thick(segment) / 2 - 2"
        :y2="y(segment.lane) + thick(segment) / 2 + 2" />
    </g>
    <g v-for="segment in loom.segments" :key="`name-${segment.id}`" aria-hidden="true" class="names">
      <text
        v-if="mm(segment.length) * scale > 74"
        :x="x(mm(segment.start)) + mm(segment.length) * scale / 2"
        :y="y(segment.lane) + thick(segment) / 2 + 14"
        text-anchor="middle">{{ segment.wayName }}</text>
      <text
        v-if="mm(segment.length) * scale > 62"
        class="size"
        :x="x(mm(segment.start)) + mm(segment.length) * scale / 2"
        :y="y(segment.lane) - thick(segment) / 2 - 5"
        text-anchor="middle">{{ segment.members.length }} · ⌀ {{ Math.round(segment.diameter.value ?? 0) }}</text>
    </g>
    <text
      v-for="(tip, i) in tips"
      :key="i"
      class="place"
      :x="tip.x <= LEFT + 4 ? tip.x - 6 : tip.x + 6"
      :y="tip.y + 4"
      :text-anchor="tip.x <= LEFT + 4 ? 'end' : 'start'">{{ tip.x <= LEFT + 4 ? 'root' : tip.places.join(', ') }}</text>
    <g
      v-for="handle in handles"
      :key="handle.key"
      class="handle"
      :class="{ edits, held: dragged?.key === handle.key }"
      role="slider"
      tabindex="0"
      :aria-label="`Breakout at ${handle.branch.atName}, ${handle.label}: arrows move it`"
      :aria-valuemin="mm(handle.branch.least)"
      :aria-valuemax="mm(handle.branch.most)"
      :aria-valuenow="by(handle.branch)"
      :aria-valuetext="`${length(`${by(handle.branch)} mm`)} from its junction`"
      @pointerdown="down($event, handle.branch)"
      @pointermove="move($event, handle.branch)"
      @pointerup="drop(handle.branch)"
      @keydown="step($event, handle.branch)">
      <circle :cx="handle.x" :cy="handle.y + (handle.up ? -15 : 15)" r="16" class="touch" />
      <path :d="handle.up ? `M${handle.x} ${handle.y - 2}l-7 -14h14z` : `M${handle.x} ${handle.y + 2}l-7 14h14z`" />
      <text
        v-if="dragged?.key === handle.key || by(handle.branch) !== 0"
        :x="handle.x"
        :y="handle.y + (handle.up ? -22 : 30)"
        text-anchor="middle">{{ by(handle.branch) > 0 ? '+' : '' }}{{ length(`${by(handle.branch)} mm`) }}</text>
    </g>
  </svg>
</template>

<style scoped>
.loom {
  width: 100%;
  display: block;
  background: var(--surface);
  touch-action: pan-y;
}
.scale line {
  stroke: var(--quiet);
}
.scale text {
  font: 11px var(--mono);
  fill: var(--slate);
}
.segment,
.handle {
  outline: none;
}
.segment {
  cursor: pointer;
}
.segment rect {
  fill: var(--slate);
}
.segment.sleeved rect {
  fill: var(--ink);
}
.segment.beside rect {
  fill: none;
  stroke: var(--slate);
  stroke-width: 2;
  stroke-dasharray: 5 3;
}
.segment.chosen rect {
  fill: var(--copper);
}
.segment:focus-visible {
  outline: none;
}
.segment:focus-visible rect {
  stroke: var(--copper);
  stroke-width: 3;
}
.joint {
  fill: none;
  stroke: var(--slate);
}
.chosen .joint {
  stroke: var(--copper);
}
.tie {
  stroke: var(--surface);
  stroke-width: 1.4;
}
text {
  font: 12px var(--sans);
  fill: var(--ink);
}
.names {
  pointer-events: none;
}
.size {
  font: 11.5px var(--mono);
  fill: var(--slate);
}
.place {
  font-weight: 600;
  font-size: 12px;
}
.handle path {
  fill: var(--copper);
  stroke: var(--surface);
  stroke-width: 1.5;
}
.handle .touch {
  fill: transparent;
}
.handle.edits {
  cursor: ew-resize;
}
.handle:focus-visible {
  outline: none;
}
.handle:focus-visible path {
  stroke: var(--ink);
  stroke-width: 2.5;
}
.handle text {
  font: 600 12px var(--mono);
  fill: var(--copper);
  paint-order: stroke;
  stroke: var(--surface);
  stroke-width: 4px;
}
</style>
