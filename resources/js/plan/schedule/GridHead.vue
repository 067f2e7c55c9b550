<script setup lang="ts">
import { computed, ref } from 'vue'
import type { ScheduleView } from '../../api/types'
import { COLUMNS, type ColumnKey } from './columns'

/** Headings: pressed, a column orders; with Shift it joins the order there is; dragged, it stands elsewhere. */
const props = defineProps<{ columns: ScheduleView['columns']; sort: ScheduleView['sort'] }>()
const emit = defineEmits<{
  sort: [key: ColumnKey, beside: boolean]
  resize: [key: ColumnKey, width: number]
  place: [key: ColumnKey, before: ColumnKey | null]
}>()
const LEAST = 40
const STEP = 10
const dragged = ref<ColumnKey | null>(null)
const places = computed(() => Object.fromEntries(props.sort.map((each, at) => [each.key, { ...each, at }])))
const ordered = (key: ColumnKey) => (!places.value[key] ? 'none' : places.value[key].down ? 'descending' : 'ascending')
const mark = (key: ColumnKey) => {
  const own = places.value[key]
  return own ? ` ${own.down ? '↓' : '↑'}${props.sort.length > 1 ? own.at + 1 : ''}` : ''
}
const widthOf = (target: EventTarget | null) => (target as HTMLElement).closest('[role=columnheader]')!.clientWidth
const wider = (key: ColumnKey, width: number) => emit('resize', key, Math.min(2000, Math.max(LEAST, width)))

function pull(event: PointerEvent, key: ColumnKey) {
  const [from, width, grip] = [event.clientX, widthOf(event.target), event.target as HTMLElement]
  grip.setPointerCapture(event.pointerId)
  grip.onpointermove = move => wider(key, width + move.clientX - from)
  grip.onpointerup = grip.onpointercancel = () => {
    grip.onpointermove = grip.onpointerup = grip.onpointercancel = null
  }
}
function onKey(event: KeyboardEvent, key: ColumnKey) {
  const by = { ArrowLeft: -STEP, ArrowRight: STEP }[event.key]
  if (by === undefined || !event.altKey) return
  event.preventDefault()
  event.stopPropagation()
  if (!event.shiftKey) return wider(key, widthOf(event.target) + by)
  const keys = props.columns.map(each => each.key)
  const at = keys.indexOf(key)
  if (by < 0 && at > 0) emit('place', key, keys[at - 1]!)
  if (by > 0 && at < keys.length - 1) emit('place', key, keys[at + 2] ?? null)
}
function drop(on: ColumnKey) {
  if (dragged.value) emit('place', dragged.value, on)
  dragged.value = null
}
</script>

<template>
  <div class="row head" role="row" aria-rowindex="1">
    <div
      v-for="({ key }, at) in columns"
      :key="key"
      role="columnheader"
      :class="{ figures: COLUMNS[key].figures }"
      :aria-colindex="at + 1"
      :aria-sort="ordered(key)">
      <button
        type="button"
        draggable="true"
        title="Orders by this; with Shift, besides what orders already. Alt and an arrow make it wider."
        @dragstart="dragged = key"
        @dragend="dragged = null"
        @dragover.prevent
        @drop.prevent="drop(key)"
        @keydown="onKey($event, key)"
        @click="emit('sort', key, $event.shiftKey)">{{ COLUMNS[key].name }}<span
          aria-hidden="true"
          class="mono">{{ mark(key) }}</span></button>
      <i class="grip" aria-hidden="true" @pointerdown.prevent="pull($event, key)" @dblclick="emit('resize', key, 0)" />
    </div>
  </div>
</template>

<style scoped>
[role='columnheader'] {
  position: relative;
  min-width: 0;
}
.figures {
  text-align: right;
}
button {
  all: unset;
  display: block;
  box-sizing: border-box;
  width: 100%;
  overflow: hidden;
  text-overflow: ellipsis;
  font-size: 12.5px;
  font-weight: 600;
  color: var(--slate);
  cursor: pointer;
  white-space: nowrap;
}
button:focus-visible {
  outline: 2px solid var(--copper);
}
.grip {
  position: absolute;
  inset: -6px -9px -6px auto;
  width: 9px;
  cursor: col-resize;
  touch-action: none;
  border-right: 1px solid transparent;
}
.head:hover .grip {
  border-color: var(--line);
}
</style>
