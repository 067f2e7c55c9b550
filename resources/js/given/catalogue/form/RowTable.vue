<script setup lang="ts">
import { computed, ref } from 'vue'
import SchemaField from './SchemaField.vue'
import { blank, resolved, saying, shape, typed, type Schema } from './schema'
import { label, picks } from './words'

/** Things of one kind, a row each: what is short stands in the row, what is not unfolds under it. */
const props = defineProps<{
  kind: string
  name: string
  schema: Schema
  rows: Record<string, unknown>[]
  path: string
  wrong: Record<string, string>
  names: Record<string, { id: string; name: string }[]>
}>()
const emit = defineEmits<{ update: [Record<string, unknown>[]] }>()
const open = ref<number | null>(null)
const SHORT = ['choice', 'flag', 'number', 'text', 'pair']
const fields = computed(() => Object.entries(props.schema.properties ?? {}))
const columns = computed(() => fields.value.filter(([, each]) => SHORT.includes(shape(each))))
const rest = computed(() => fields.value.filter(([, each]) => !SHORT.includes(shape(each))))
const said = computed(() => label(props.kind, props.name))
const text = (value: unknown) => (value === undefined || value === null ? '' : String(value as string))
const pair = (value: unknown, i: number) => text(Array.isArray(value) ? value[i] : '')
const wrongIn = (i: number) =>
  Object.entries(props.wrong)
    .filter(([path]) => path.startsWith(`${props.path}[${i}]`))
    .map(([path, words]) => `${path.slice(props.path.length + String(i).length + 3)} ${words}`)
    .join(' ')

const set = (i: number, key: string, value: unknown) =>
  emit(
    'update',
    props.rows.map((row, n) => (n === i ? saying(row, key, value) : row)),
  )
const setPair = (i: number, key: string, place: number, written: string, of: Schema) => {
  const before = Array.isArray(props.rows[i]?.[key]) ? [...(props.rows[i][key] as unknown[])] : ['', '']
  before[place] = resolved(of.items ?? {}).type === 'number' ? (typed(written) ?? 0) : written
  set(i, key, before)
}
const add = () => emit('update', [...props.rows, blank(props.schema) as Record<string, unknown>])
const remove = (i: number) => {
  open.value = null
  emit(
    'update',
    props.rows.filter((_, n) => n !== i),
  )
}
</script>

<template>
  <div class="rows">
    <h2>{{ said }} <span class="quiet">{{ rows.length || '' }}</span></h2>
    <div class="scroll">
      <table v-if="rows.length" class="lines">
        <thead><tr><th v-for="[key] in columns" :key="key">{{ label(kind, key) }}</th><th /></tr></thead>
        <tbody>
          <template v-for="(row, i) in rows" :key="i">
            <tr>
              <td v-for="[key, each] in columns" :key="key">
                <select
                  v-if="shape(each) === 'choice' || names[picks(key) ?? '']"
                  :aria-label="`${said} ${i + 1} ${label(kind, key)}`"
                  :value="text(row[key])"
                  @change="set(i, key, ($event.target as HTMLSelectElement).value || undefined)"><option
                    value="" /><option
                    v-for="one in names[picks(key) ?? ''] ?? (resolved(each).enum ?? []).map(id => ({ id, name: id }))"
                    :key="one.id"
                    :value="one.id">{{ one.name }}</option></select>
                <input
                  v-else-if="shape(each) === 'flag'"
                  type="checkbox"
                  :aria-label="`${said} ${i + 1} ${label(kind, key)}`"
                  :checked="row[key] === true"
                  @change="set(i, key, ($event.target as HTMLInputElement).checked || undefined)">
                <span v-else-if="shape(each) === 'pair'" class="pair"><input
                  v-for="place in [0, 1]"
                  :key="place"
                  :aria-label="`${said} ${i + 1} ${label(kind, key)} ${place + 1}`"
                  :value="pair(row[key], place)"
                  @change="setPair(i, key, place, ($event.target as HTMLInputElement).value, resolved(each))"></span>
                <input
                  v-else
                  :aria-label="`${said} ${i + 1} ${label(kind, key)}`"
                  :value="text(row[key])"
                  @change="set(i, key, shape(each) === 'number' ? typed(($event.target as HTMLInputElement).value)
                    : ($event.target as HTMLInputElement).value || undefined)">
              </td>
              <td class="acts"><button
                                 v-if="rest.length"
                                 type="button"
                                 :aria-expanded="open === i"
                                 @click="open = open === i ? null : i">{{ open === i ? 'less' : 'more' }}</button>
                <button type="button" :aria-label="`${said} ${i + 1}: take out`" @click="remove(i)">take out</button>
              </td>
            </tr>
            <tr v-if="wrongIn(i)"><td :colspan="columns.length + 1"><b class="wrong">{{ wrongIn(i) }}</b></td></tr>
            <tr v-if="open === i"><td :colspan="columns.length + 1"><div class="fields"><SchemaField
              v-for="[key, each] in rest"
              :key="key"
              :kind="kind"
              :name="key"
              :schema="each"
              :value="row[key]"
              :path="`${path}[${i}].${key}`"
              :wrong="wrong"
              :names="names"
              @update="set(i, key, $event)" /></div></td></tr>
          </template>
        </tbody>
      </table>
    </div>
    <button type="button" :aria-label="`${said}: add`" @click="add">add</button>
    <b v-if="wrong[path]" class="wrong">{{ wrong[path] }}</b>
  </div>
</template>

<style scoped src="./form.css" />
<style scoped>
.rows {
  border-top: 1px solid var(--line);
  padding-top: 4px;
}
.rows h2 {
  margin: 4px 0;
}
.scroll {
  overflow: auto;
  max-height: 340px;
}
.lines td {
  padding: 2px 4px;
  min-width: 64px;
}
.acts {
  white-space: nowrap;
}
.acts button {
  margin-right: 8px;
}
</style>
