<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { api } from '../api/client'
import { useAttempt } from '../ui/attempt'
import type { Schema } from './schema'
import SchemaRows from './SchemaRows.vue'

/** What other programs may ask and send, as it is generated from the application; nothing here needs a network. */
interface Operation {
  operationId: string
  tags: string[]
  summary?: string
  parameters?: { name: string; in: string; required?: boolean; description?: string; schema: Schema }[]
  requestBody?: { content: Record<string, { schema: Schema }> }
  responses: { '2XX': { content: Record<string, { schema?: Schema }> } }
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
/** What may stand in an address, as fields; names in braces have to. */
const asked = (operation: Operation): Schema => {
  const fields = (operation.parameters ?? []).filter(each => each.in !== 'header')
  const place = (each: (typeof fields)[number]) => (each.in === 'path' ? `{${each.name}}` : `?${each.name}`)
  return {
    properties: Object.fromEntries(
      fields.map(each => [
        place(each),
        each.description ? { ...each.schema, description: each.description } : each.schema,
      ]),
    ),
    required: fields.map(place),
  }
}
const answerOf = (operation: Operation) => {
  const [kind, content] = Object.entries(operation.responses['2XX'].content)[0] ?? []
  return { kind, schema: content?.schema ?? null }
}
/** Parts that answers and requests are made of; a link to one opens it. */
const opened = ref(new Set<string>())
const made = computed(() =>
  Object.entries(contract.value?.components.schemas ?? {}).filter(([name]) => {
    const sought_ = sought.value.toLowerCase().trim()
    return opened.value.has(name) || (sought_ !== '' && name.toLowerCase().includes(sought_)) || sought_ === ''
  }),
)
function open(part: string) {
  opened.value = new Set([...opened.value, part])
}
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
          <table v-if="asked(each).required!.length || bodyOf(each)">
            <caption>Asks</caption>
            <tbody>
              <SchemaRows v-if="asked(each).required!.length" :schema="asked(each)" @part="open" />
              <SchemaRows v-if="bodyOf(each)" :schema="bodyOf(each)!.schema" where="body" @part="open" />
            </tbody>
          </table>
          <p v-if="bodyOf(each)?.kind === 'multipart/form-data'" class="quiet">As a form, because of its file.</p>
          <table v-if="answerOf(each).schema">
            <caption>Answers</caption>
            <tbody><SchemaRows :schema="answerOf(each).schema!" where="all of it" @part="open" /></tbody>
          </table>
          <p v-else class="quiet">Answers with a file{{ answerOf(each).kind === '*/*' ? ''
            : `: ${answerOf(each).kind}` }}.</p>
        </details>
      </section>
      <section v-if="made.length">
        <h2>What they are made of</h2>
        <details v-for="[name, schema] in made" :id="name" :key="name" :open="opened.has(name)">
          <summary><span class="mono">{{ name }}</span> <span class="quiet">{{ schema.description }}</span></summary>
          <table><tbody><SchemaRows :schema="schema" where="one of" @part="open" /></tbody></table>
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
caption {
  text-align: left;
  font-weight: 600;
  padding: 4px 0 2px;
}
table {
  margin: 6px 0 8px 18px;
  border-collapse: collapse;
}
</style>
