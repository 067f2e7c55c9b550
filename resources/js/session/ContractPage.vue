<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { api } from '../api/client'
import { useAttempt } from '../ui/attempt'

/** What other programs may ask and send, as it is generated from the application; nothing here needs a network. */
interface Schema {
  type?: string | string[]
  description?: string
  required?: string[]
  properties?: Record<string, Schema>
  items?: Schema
  additionalProperties?: Schema | boolean
  anyOf?: Schema[]
  enum?: (string | null)[]
  default?: unknown
  pattern?: string
  $ref?: string
  'x-file'?: string
  [limit: string]: unknown
}
interface Operation {
  operationId: string
  tags: string[]
  summary?: string
  parameters?: { name: string; in: string; required?: boolean; description?: string; schema: Schema }[]
  requestBody?: { content: Record<string, { schema: Schema }> }
  'x-roles'?: string[]
}
interface Contract {
  info: { title: string; version: string; description: string }
  paths: Record<string, Record<string, Operation>>
  components: { schemas: Record<string, Schema> }
}
const contract = ref<Contract | null>(null)
const sought = ref('')
const { problem, attempt } = useAttempt()
onMounted(() =>
  attempt(async () => {
    contract.value = (await api.get('docs.json')) as unknown as Contract
  }),
)

const all = computed(() =>
  Object.entries(contract.value?.paths ?? {}).flatMap(([path, operations]) =>
    Object.entries(operations).map(([verb, operation]) => ({ path, verb: verb.toUpperCase(), ...operation })),
  ),
)
const shown = computed(() => {
  const words = sought.value.toLowerCase().split(/\s+/).filter(Boolean)
  return all.value.filter(each =>
    words.every(word => `${each.verb} ${each.path} ${each.summary ?? ''}`.toLowerCase().includes(word)),
  )
})
const byTag = computed(() => {
  const tags = new Map<string, typeof shown.value>()
  for (const each of shown.value) tags.set(each.tags[0]!, [...(tags.get(each.tags[0]!) ?? []), each])
  return [...tags.entries()].sort(([a], [b]) => a.localeCompare(b))
})
const named = (schema: Schema) => contract.value?.components.schemas[schema.$ref?.split('/').at(-1) ?? ''] ?? schema
const bodyOf = (operation: Operation) => {
  const [kind, content] = Object.entries(operation.requestBody?.content ?? {})[0] ?? []
  return content ? { kind, schema: named(content.schema) } : null
}
const asked = (operation: Operation) => (operation.parameters ?? []).filter(each => each.in !== 'header')
const place = ({ name, in: where }: { name: string; in: string }) => (where === 'path' ? `{${name}}` : `?${name}`)
/** A type in words. */
function words(schema: Schema): string {
  if (schema.$ref) return schema.$ref.split('/').at(-1)!
  if (schema.anyOf) return schema.anyOf.map(words).join(' or ')
  if (schema['x-file']) return `object, ${schema['x-file']} of a file`
  if (schema.enum) return schema.enum.map(each => (each === null ? 'null' : `"${each}"`)).join(' | ')
  const types = Array.isArray(schema.type) ? schema.type : [schema.type ?? 'anything']
  const [type, ...more] = types
  const inner =
    type === 'array' && schema.items
      ? `list of ${words(schema.items)}`
      : type === 'object' && typeof schema.additionalProperties === 'object'
        ? `table of ${words(schema.additionalProperties)}`
        : type!
  return [inner, ...more].join(' or ')
}
const LIMITS = [
  'minLength',
  'maxLength',
  'minimum',
  'maximum',
  'minItems',
  'maxItems',
  'minProperties',
  'maxProperties',
]
const limits = (schema: Schema) =>
  LIMITS.filter(limit => typeof schema[limit] === 'number')
    .map(limit => `${limit} ${String(schema[limit])}`)
    .join(', ')
</script>

<template>
  <main class="page">
    <h1>For other programs</h1>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <v-progress-linear v-if="!contract && !problem" indeterminate color="primary" aria-label="Loading the contract" />
    <template v-if="contract">
      <p class="intro">{{ contract.info.description }} Edition {{ contract.info.version }}, {{ all.length }} operations.
        <a href="/api/docs.json">As OpenAPI 3.1</a></p>
      <p><label>Look for <input v-model="sought" type="search" placeholder="runs post"></label>
        <span class="quiet">{{ shown.length }} shown</span></p>
      <p v-if="shown.length === 0" class="quiet">Nothing of that. Look for a part of an address, or a verb.</p>
      <section v-for="[tag, operations] in byTag" :key="tag">
        <h2>{{ tag }}</h2>
        <details v-for="each in operations" :key="each.operationId">
          <summary><span class="verb mono">{{ each.verb }}</span> <span class="mono path">{{ each.path }}</span>
            <span class="quiet">{{ each.summary }}</span></summary>
          <p v-if="each['x-roles']" class="quiet">For {{ each['x-roles'].join(', ') }}.</p>
          <table v-if="asked(each).length || bodyOf(each)">
            <tbody>
              <tr v-for="parameter in asked(each)" :key="parameter.name">
                <th scope="row" class="mono">{{ place(parameter) }}</th>
                <td>{{ words(parameter.schema) }} <span class="quiet">{{ limits(parameter.schema) }}
                  {{ parameter.schema.description }}</span></td>
              </tr>
              <tr v-for="(schema, field) in bodyOf(each)?.schema.properties ?? {}" :key="field">
                <th scope="row" class="mono">{{ field }}{{ bodyOf(each)?.schema.required?.includes(String(field)) ? ''
                  : '?' }}</th>
                <td>{{ words(schema) }} <span class="quiet">{{ limits(schema) }} {{ schema.description }}</span></td>
              </tr>
              <tr v-if="bodyOf(each)?.schema['x-file']">
                <th scope="row">body</th><td>{{ words(bodyOf(each)!.schema) }}</td>
              </tr>
            </tbody>
          </table>
          <p v-if="bodyOf(each)?.kind === 'multipart/form-data'" class="quiet">As a form, because of its file.</p>
        </details>
      </section>
    </template>
  </main>
</template>

<style scoped>
.page {
  padding: 20px 24px 60px;
  max-width: 1100px;
}
.intro {
  max-width: 74ch;
}
input {
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 6px 10px;
  background: var(--surface);
  color: inherit;
  font: inherit;
}
h2 {
  margin: 22px 0 4px;
  font-size: 17px;
}
details {
  border-top: 1px solid var(--line);
  padding: 6px 0;
}
summary {
  cursor: pointer;
  overflow-wrap: anywhere;
}
.path {
  margin-right: 14px;
}
input {
  margin: 0 10px 0 4px;
}
.verb {
  display: inline-block;
  min-width: 64px;
  font-weight: 600;
}
table {
  margin: 6px 0 8px 18px;
  border-collapse: collapse;
}
th {
  text-align: left;
  font-weight: 500;
  padding: 3px 18px 3px 0;
  vertical-align: top;
}
td {
  padding: 3px 0;
  overflow-wrap: anywhere;
}
</style>
