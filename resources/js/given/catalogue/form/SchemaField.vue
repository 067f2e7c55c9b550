<script setup lang="ts">
import { computed } from 'vue'
import MapField from './MapField.vue'
import RowTable from './RowTable.vue'
import { blank, resolved, saying, shape, typed, type Schema } from './schema'
import { hint, label, picks, picksValue } from './words'

/** One field of a type, whatever it holds: as the file's schema says what may stand there. */
const props = defineProps<{
  kind: string
  name: string
  schema: Schema
  value: unknown
  path: string
  wrong: Record<string, string>
  names: Record<string, { id: string; name: string }[]>
}>()
const emit = defineEmits<{ update: [unknown] }>()
const of = computed(() => resolved(props.schema))
const as = computed(() => shape(props.schema))
const items = computed(() => resolved(of.value.items ?? {}))
const said = computed(() => label(props.kind, props.name))
const hinted = computed(() => hint(props.kind, props.name))
const problem = computed(() => props.wrong[props.path] ?? '')
const known = computed(() => props.names[picks(props.name) ?? ''])
const list = computed(() => (Array.isArray(props.value) ? (props.value as unknown[]) : []))
const group = computed(() => (props.value ?? {}) as Record<string, unknown>)
const lines = computed(() =>
  list.value.map(each => (Array.isArray(each) ? each.join(', ') : String(each as string))).join('\n'),
)
const text = (value: unknown) => (value === undefined || value === null ? '' : String(value as string))

const inner = computed(() =>
  Object.entries(of.value.properties ?? {}).filter(([key]) => !['id', 'retired', 'recipes', 'children'].includes(key)),
)
const setLines = (written: string) => {
  const rows = written.split('\n').filter(each => each.trim() !== '')
  emit(
    'update',
    as.value === 'pairs' ? rows.map(row => row.split(',').map(each => each.trim())) : rows.map(each => each.trim()),
  )
}
function setPart(i: number, written: string) {
  const pair = [list.value[0] ?? '', list.value[1] ?? '']
  pair[i] = items.value.type === 'number' ? (typed(written) ?? 0) : written
  emit('update', pair.every(each => each === '') ? undefined : pair)
}
const isNumeric = computed(() => {
  const each = of.value.additionalProperties
  return typeof each === 'object' && resolved(each).type === 'integer'
})
const ticked = (choice: string, on: boolean) =>
  emit('update', on ? [...list.value, choice] : list.value.filter(each => each !== choice))
</script>

<template>
  <fieldset v-if="as === 'group'" class="group">
    <legend>{{ said }}</legend>
    <div class="fields"><SchemaField
      v-for="[key, each] in inner"
      :key="key"
      :kind="kind"
      :name="key"
      :schema="each"
      :value="group[key]"
      :path="path ? `${path}.${key}` : key"
      :wrong="wrong"
      :names="names"
      @update="emit('update', saying(group, key, $event))" /></div>
  </fieldset>
  <div v-else-if="as === 'rows'" class="wide">
    <RowTable
      :kind="kind"
      :name="name"
      :schema="items"
      :rows="list as Record<string, unknown>[]"
      :path="path"
      :wrong="wrong"
      :names="names"
      @update="emit('update', $event)" />
  </div>
  <MapField
    v-else-if="as === 'map'"
    :said="said"
    :hint="hinted"
    :entries="group"
    :keys="known"
    :values="names[picksValue(name) ?? '']"
    :numeric="isNumeric"
    @update="emit('update', $event)"><b v-if="problem" class="wrong">{{ problem }}</b></MapField>
  <fieldset v-else-if="as === 'choices'" class="group">
    <legend>{{ said }}</legend>
    <label v-for="each in items.enum" :key="each" class="tick"><input
      type="checkbox"
      :checked="list.includes(each)"
      @change="ticked(each, ($event.target as HTMLInputElement).checked)">{{ each }}</label>
  </fieldset>
  <label v-else-if="as === 'flag'" class="tick field"><input
    type="checkbox"
    :checked="value === true"
    @change="emit('update', ($event.target as HTMLInputElement).checked || undefined)">{{ said }}</label>
  <label v-else class="field" :class="{ failed: problem, wide: as === 'texts' || as === 'pairs' }">
    <span>{{ said }}</span>
    <select
      v-if="as === 'choice'"
      :value="text(value)"
      @change="emit('update', ($event.target as HTMLSelectElement).value || undefined)"><option value="" /><option
        v-for="each in of.enum"
        :key="each"
        :value="each">{{ each }}</option></select>
    <v-autocomplete
      v-else-if="as === 'texts' && known"
      :model-value="list"
      :items="known"
      item-value="id"
      item-title="name"
      :aria-label="said"
      multiple
      chips
      closable-chips
      density="compact"
      hide-details
      @update:model-value="emit('update', $event)" />
    <textarea
      v-else-if="as === 'texts' || as === 'pairs'"
      rows="2"
      :placeholder="hinted"
      :value="lines"
      @change="setLines(($event.target as HTMLTextAreaElement).value)" />
    <span v-else-if="as === 'pair'" class="pair"><input
      v-for="i in [0, 1]"
      :key="i"
      :aria-label="`${said} ${i + 1}`"
      :placeholder="hinted"
      :value="text(list[i])"
      @change="setPart(i, ($event.target as HTMLInputElement).value)"></span>
    <select
      v-else-if="known"
      :value="text(value)"
      @change="emit('update', ($event.target as HTMLSelectElement).value || undefined)"><option value="" /><option
        v-for="each in known"
        :key="each.id"
        :value="each.id">{{ each.name }}</option></select>
    <input
      v-else
      :placeholder="hinted"
      :value="text(value)"
      :inputmode="as === 'number' ? 'decimal' : undefined"
      @input="emit('update', as === 'number' ? typed(($event.target as HTMLInputElement).value)
        : ($event.target as HTMLInputElement).value || blank({ type: 'none' }))">
    <b v-if="problem" class="wrong">{{ problem }}</b>
  </label>
</template>

<style scoped src="./form.css" />
