<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { api } from '../../api/client'
import type { Catalogue, Line, Row } from '../../api/types'
import BeingMade from '../../ui/BeingMade.vue'
import LeftTyped from '../../ui/LeftTyped.vue'
import { useAttempt } from '../../ui/attempt'
import { useTyped } from '../../ui/typed'
import { length } from '../../ui/units'
import { MADE } from '../made'
import { COLUMNS, written, type ColumnKey } from './columns'
import StaleDialog from './StaleDialog.vue'
import { useWritten } from './useWritten'

/** What a cell shows, written where it stands. */
const props = defineProps<{ row: Row; at: ColumnKey }>()
const emit = defineEmits<{ saved: [words: string, byKey: boolean]; close: [] }>()
const fields = computed(() => COLUMNS[props.at].fields ?? [])
const NAMES: Record<string, string> = { from: 'From', to: 'To', tail_a: 'Tail A, m', tail_b: 'Tail B, m' }
const called = (field: string) => NAMES[field] ?? written(props.at)
const LISTS = ['ways', 'signals']
const target = `#cell-${CSS.escape(props.row.id)}-${props.at}`

const catalogue = ref<Catalogue | null>(null)
const before = ref<Line>({})
const line = ref<Line>({})
const version = ref(0)
const { problem, attempt } = useAttempt()
const writing = useWritten()
const changed = (): Line =>
  Object.fromEntries(
    fields.value.filter(each => line.value[each] !== before.value[each]).map(each => [each, line.value[each]!]),
  )
const { left, begin, take, drop, saved } = useTyped(
  `cell.${props.row.id}.${props.at}`,
  changed,
  typed => Object.assign(line.value, typed),
  version,
)
onMounted(() =>
  attempt(async () => {
    const [types, run] = await Promise.all([api.get('catalogue'), api.get(`runs/${props.row.id}`)])
    before.value = { ...run.line }
    line.value = { ...run.line }
    version.value = run.version
    catalogue.value = types
    begin()
  }),
)
interface Choice {
  id: string
  name: string
}
/** What a field is chosen from; nothing: it is typed. */
function choices(field: string): Choice[] | null {
  const { cables, locations, looms, ways, signals } = catalogue.value!
  switch (field) {
    case 'cable':
      return cables
    case 'from':
    case 'to':
      return locations
    case 'loom':
      return [{ id: '', name: 'none' }, ...looms]
    case 'ways':
      return ways.map(way => ({ id: way.id, name: `${way.name} ${length(way.length)}` }))
    case 'signals':
      return signals
    case 'build':
      return MADE.map(each => ({ id: each.value, name: each.title }))
  }
  return null
}
const entries = (field: string) => (line.value[field] ?? '').split('|').filter(Boolean)
const save = (byKey: boolean) =>
  attempt(async () => {
    const to = changed()
    if (Object.keys(to).length === 0) return emit('close')
    if (!(await writing.write(props.row.id, to, version.value))) return
    saved()
    emit('saved', `${written(props.at)} of ${line.value.code ?? props.row.code} is changed. u undoes it.`, byKey)
  })
/** One thing that is chosen is all that there is to say. */
function chose(field: string, value: string | null) {
  line.value[field] = value ?? ''
  if (fields.value.length === 1) void save(false)
}
function keepMine() {
  version.value = writing.stale.value!.theirs!.row.version
  void save(false)
}
</script>

<template>
  <v-menu
    :model-value="true"
    :target="target"
    location="bottom start"
    origin="top start"
    :offset="-36"
    :close-on-content-click="false"
    persistent
    @update:model-value="emit('close')">
    <!-- eslint-disable-next-line vuejs-accessibility/no-static-element-interactions -- presses inside it bubble up -->
    <v-card class="cell" @keydown.esc.stop="emit('close')"><form @submit.prevent="save(true)">
      <BeingMade v-if="!catalogue && !problem" />
      <template v-else-if="catalogue">
        <LeftTyped
          :left="left"
          :what="left ? Object.values(left.typed).filter(Boolean).join(', ') : ''"
          @take="take"
          @drop="drop" />
        <template v-for="(field, i) in fields" :key="field">
          <v-autocomplete
            v-if="LISTS.includes(field)"
            :model-value="entries(field)"
            :label="called(field)"
            multiple
            chips
            closable-chips
            :autofocus="i === 0"
            :items="choices(field)!"
            item-title="name"
            item-value="id"
            @update:model-value="value => (line[field] = value.join('|'))" />
          <v-autocomplete
            v-else-if="choices(field)"
            :model-value="line[field]"
            :label="called(field)"
            :autofocus="i === 0"
            auto-select-first
            :items="choices(field)!"
            item-title="name"
            item-value="id"
            @update:model-value="value => chose(field, value)" />
          <v-text-field
            v-else
            v-model="line[field]"
            :label="called(field)"
            :autofocus="i === 0"
            :class="{ mono: field === 'code' }"
            @focus="($event.target as HTMLInputElement).select()" />
        </template>
      </template>
      <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
      <p class="acts"><v-btn type="submit" size="small" color="primary">Save</v-btn><v-btn
        size="small"
        variant="text"
        @click="emit('close')">Leave it</v-btn></p>
    </form></v-card>
  </v-menu>
  <StaleDialog
    v-if="writing.stale.value"
    :stale="writing.stale.value"
    @mine="keepMine"
    @theirs="emit('close')"
    @close="writing.stale.value = null" />
</template>

<style scoped>
.cell {
  padding: 8px;
  width: 300px;
  max-width: 92vw;
  border: 1px solid var(--copper);
}
form {
  display: grid;
  gap: 8px;
}
.acts,
.note {
  margin: 0;
}
</style>
