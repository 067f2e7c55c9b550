<script setup lang="ts">
import type { Row } from '../../api/types'
import Strand from '../../ui/Strand.vue'
import { COLUMNS, inFull, toLookAt, type ColumnKey } from './columns'

/** A run's line in the grid: drawn anew where something of its own is another, and not with its neighbours. */
defineProps<{
  row: Row
  cells: ColumnKey[]
  chosen: boolean
  marked: boolean
  selected: boolean
  /** The cell at hand, where it is in this row. */
  at: ColumnKey | null
}>()
</script>

<template>
  <div
    :id="`row-${row.id}`"
    class="row"
    role="row"
    :class="{ chosen, marked, withdrawn: row.withdrawn }"
    :aria-selected="selected">
    <span
      v-for="(key, i) in cells"
      :id="`cell-${row.id}-${key}`"
      :key="key"
      role="gridcell"
      :data-cell="key"
      :aria-colindex="i + 1"
      :class="[
        { figures: COLUMNS[key].figures, mono: COLUMNS[key].mono, at: key === at },
        key === 'look' ? toLookAt(row).severity : '',
      ]"
      :title="key === 'strand' ? undefined : inFull(key, row)">
      <router-link v-if="key === 'code'" tabindex="-1" :to="`/runs/${row.id}`">{{ row.code }}</router-link>
      <Strand v-else-if="key === 'strand'" :beads="row.strand" />
      <template v-else>{{ COLUMNS[key].text(row) }}<small v-if="COLUMNS[key].below"><i
        v-if="key === 'places'">→ </i>{{ COLUMNS[key].below(row) }}</small></template>
    </span>
  </div>
</template>

<style scoped>
.row:hover {
  background: var(--rail);
}
.row.marked {
  background: var(--good);
  box-shadow: inset 3px 0 var(--verdigris);
}
.row.chosen {
  background: var(--chosen);
  box-shadow: inset 3px 0 var(--copper);
}
.row.withdrawn :is([data-cell='code'], [data-cell='places'], [data-cell='from'], [data-cell='to']) {
  text-decoration: line-through;
}
/* All of the row's height is pressed, also where nothing stands. */
[role='gridcell'] {
  align-self: stretch;
  align-content: center;
  margin-inline: -4px;
  padding-inline: 4px;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  line-height: 1.15;
}
.at {
  outline: 1px solid var(--copper);
  outline-offset: -1px;
}
[data-cell='code'] a {
  font-weight: 600;
  color: var(--ink) !important;
  text-decoration: none;
}
.row small {
  display: block;
  color: var(--slate);
  font-size: 11.5px;
  overflow: hidden;
  text-overflow: ellipsis;
}
i {
  color: var(--slate);
  font-style: normal;
}
.figures {
  text-align: right;
  font-family: var(--mono);
}
[data-cell='look'] {
  font-size: 12.5px;
}
.stop {
  color: var(--flux);
  font-weight: 600;
}
.check {
  color: var(--amber);
}
[data-cell='look'].quiet {
  color: var(--slate);
}
</style>
