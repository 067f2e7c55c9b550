<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import type { Row, ScheduleView } from '../../api/types'
import { far } from '../../ui/units'
import { many } from '../../ui/words'
import { breadth, template, type ColumnKey } from './columns'
import GridHead from './GridHead.vue'
import { cutOf, type Entry } from './groups'
import RunRow from './RunRow.vue'

/** Runs as a grid: a row each, under a line for each group; one cell is the one at hand. */
const props = defineProps<{
  entries: Entry[]
  columns: ScheduleView['columns']
  sort: ScheduleView['sort']
  marked: ReadonlySet<string>
}>()
const chosen = defineModel<string>('chosen', { required: true })
/** The column at hand. */
const at = defineModel<ColumnKey>('at', { required: true })
const emit = defineEmits<{
  sort: [key: ColumnKey, beside: boolean]
  resize: [key: ColumnKey, width: number]
  place: [key: ColumnKey, before: ColumnKey | null]
  pick: [row: Row, how: { through: boolean; more: boolean }]
  twice: [row: Row]
  fold: [name: string]
  mark: [rows: Row[]]
}>()
const scroller = ref<{ scrollToIndex: (i: number) => void } | null>(null)
const cells = computed(() => props.columns.map(each => each.key))
const layout = computed(() => ({ gridTemplateColumns: template(props.columns) }))
const places = computed(() => new Map(props.entries.map((each, i) => [each.row?.id ?? '', i])))
const active = computed(() =>
  places.value.has(chosen.value) && cells.value.includes(at.value) ? `cell-${chosen.value}-${at.value}` : undefined,
)
const selected = (row: Row) => (props.marked.size ? props.marked.has(row.id) : row.id === chosen.value)

function pick(event: MouseEvent, row: Row) {
  const key = (event.target as HTMLElement).closest<HTMLElement>('[data-cell]')?.dataset.cell
  if (key) at.value = key as ColumnKey
  emit('pick', row, { through: event.shiftKey, more: event.ctrlKey || event.metaKey })
}
/** The row at hand is brought to where it is seen. */
async function reveal(id: string) {
  await nextTick()
  const shown = document.getElementById(`row-${id}`)
  if (shown) shown.scrollIntoView({ block: 'nearest' })
  else scroller.value?.scrollToIndex(places.value.get(id) ?? 0)
  document.getElementById(`cell-${id}-${at.value}`)?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
}
defineExpose({ reveal })
</script>

<template>
  <section
    class="grid"
    role="grid"
    tabindex="0"
    aria-label="Runs"
    aria-multiselectable="true"
    :aria-rowcount="entries.length + 1"
    :aria-colcount="cells.length"
    :aria-activedescendant="active">
    <div class="wide" role="presentation" :style="{ minWidth: `${breadth(columns)}px` }">
      <GridHead
        :columns="columns"
        :sort="sort"
        :style="layout"
        @sort="(key, beside) => emit('sort', key, beside)"
        @resize="(key, width) => emit('resize', key, width)"
        @place="(key, before) => emit('place', key, before)" />
      <slot v-if="entries.length === 0" />
      <v-virtual-scroll v-else ref="scroller" :items="entries" item-height="36" class="rows">
        <template #default="{ item: { row, group }, index }">
          <div v-if="group" class="group" role="row" :aria-rowindex="index + 2" :aria-expanded="group.isOpen">
            <span role="gridcell" :aria-colspan="cells.length"><button
              type="button"
              :aria-expanded="group.isOpen"
              @click="emit('fold', group.name)"><i aria-hidden="true">{{ group.isOpen ? '▾' : '▸' }}</i>
              <b>{{ group.words }}</b></button> {{ many(group.rows.length, 'run') }} ·
              {{ far(cutOf(group.rows) / 1000) }} cut
              <button type="button" class="plain" @click="emit('mark', group.rows)">mark</button></span>
          </div>
          <RunRow
            v-else-if="row"
            :row="row"
            :cells="cells"
            :style="layout"
            :chosen="row.id === chosen"
            :marked="marked.has(row.id)"
            :selected="selected(row)"
            :at="row.id === chosen ? at : null"
            :aria-rowindex="index + 2"
            @click="pick($event, row)"
            @dblclick="emit('twice', row)" />
        </template>
      </v-virtual-scroll>
    </div>
  </section>
</template>

<style scoped>
.grid {
  min-width: 0;
  overflow: auto hidden;
}
.grid:focus-visible {
  outline: 2px solid var(--copper);
  outline-offset: -2px;
}
.wide {
  display: flex;
  flex-direction: column;
  height: 100%;
}
.rows {
  flex: 1;
}
:deep(.row) {
  display: grid;
  gap: 0 10px;
  align-items: center;
  height: 36px;
  padding: 0 14px;
  border-bottom: 1px solid var(--line);
  cursor: default;
  overflow: hidden;
}
:deep(.head) {
  height: 32px;
  flex: none;
  border-bottom: 1px solid var(--ink);
  background: var(--rail);
}
i {
  color: var(--slate);
  font-style: normal;
}
.group i {
  margin-right: 5px;
}
.group {
  height: 36px;
  display: flex;
  align-items: flex-end;
  padding: 0 14px 5px;
  border-bottom: 1px solid var(--ink);
  color: var(--slate);
  font-size: 13px;
}
.group button:not(.plain) {
  all: unset;
  cursor: pointer;
  color: var(--ink);
  margin-right: 8px;
}
.group button:focus-visible {
  outline: 2px solid var(--copper);
}
@media (max-width: 700px) {
  :deep(.head) {
    display: none;
  }
}
</style>
