<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api, ApiError } from '../../api/client'
import type { Consequences, TypeDetail } from '../../api/types'
import ConsequenceList from '../rules/ConsequenceList.vue'

/**
 * A type by its fields: what is short has a field of its own, what is a tree
 * is edited as it stands in the file. Nothing is saved before it is checked.
 */
const props = defineProps<{ detail: TypeDetail; copy: boolean }>()
const emit = defineEmits<{ saved: [id: string]; close: [] }>()
const source = JSON.parse(JSON.stringify(props.detail.definition)) as Record<string, unknown>
const short = (value: unknown) => ['string', 'number', 'boolean'].includes(typeof value)
const simple = ref<Record<string, string>>(
  Object.fromEntries(
    Object.entries(source)
      .filter(([key, value]) => short(value) && key !== 'id' && key !== 'retired')
      .map(([key, value]) => [key, String(value)]),
  ),
)
const rest = ref(
  JSON.stringify(
    Object.fromEntries(Object.entries(source).filter(([key, value]) => !short(value) && key !== 'id')),
    null,
    2,
  ),
)
const slug = (name: string) =>
  name
    .toLowerCase()
    .normalize('NFD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
if (props.copy) simple.value.name = `${props.detail.name}, own`
const id = computed(() => (props.copy ? slug(simple.value.name ?? '') : props.detail.id))
const problems = ref<{ path: string; value: string; words: string }[]>([])
const message = ref('')
const preview = ref<Consequences | null>(null)
const stale = ref(false)
const busy = ref(false)

const typed = (key: string, text: string): unknown =>
  typeof source[key] === 'number'
    ? Number(text.replace(',', '.'))
    : typeof source[key] === 'boolean'
      ? text === 'true'
      : text
function definition(): Record<string, unknown> {
  const tree = JSON.parse(rest.value) as Record<string, unknown>
  return {
    id: id.value,
    ...Object.fromEntries(Object.entries(simple.value).map(([key, text]) => [key, typed(key, text)])),
    ...tree,
  }
}
async function attempt(work: () => Promise<void>) {
  busy.value = true
  message.value = ''
  problems.value = []
  try {
    await work()
  } catch (error) {
    if (error instanceof SyntaxError) message.value = `The definition is not JSON: ${error.message}`
    else if (error instanceof ApiError) {
      problems.value = (error.body.problems ?? []) as typeof problems.value
      stale.value = error.status === 409
      message.value = problems.value.length ? '' : (Object.values(error.fields).flat()[0] ?? error.message)
    } else throw error
  } finally {
    busy.value = false
  }
}
watch(
  [simple, rest],
  () => {
    preview.value = null
  },
  { deep: true },
)
const look = () =>
  attempt(async () => {
    preview.value = await api.post(`types/${props.detail.kind}/preview`, { definition: definition() })
  })
const save = () =>
  attempt(async () => {
    const answer = await api.put(`types/${props.detail.kind}`, {
      definition: definition(),
      ...(!props.copy && props.detail.version != null ? { version: props.detail.version } : {}),
    })
    emit('saved', answer.id)
  })
</script>

<template>
  <form class="editor" @submit.prevent="preview ? save() : look()">
    <h1>{{ copy ? 'A new type from' : 'Change' }} {{ detail.name }}</h1>
    <p class="quiet">It belongs to this installation: it goes with its file, and a newer catalogue leaves it alone.</p>
    <div class="fields">
      <v-text-field v-for="(_, key) in simple" :key="key" v-model="simple[key]" :label="String(key)" />
    </div>
    <v-textarea v-model="rest" label="The rest of the definition, as in the file" rows="16" class="mono rest" />
    <p
      v-if="message"
      class="note failed"
      role="alert">{{ message }}<template v-if="stale"> Close, open it again and carry your change over; it is still
        here.</template>
    </p>
    <table
      v-if="problems.length"
      class="lines"
      aria-label="What is wrong"><thead><tr><th>Field</th><th>Value</th><th>Remedy</th></tr></thead><tbody><tr
        v-for="each in problems"
        :key="each.path + each.words"><td class="mono">{{ each.path }}</td><td class="mono">{{ each.value }}</td>
        <td>{{ each.words }}</td></tr></tbody></table>
    <template v-if="preview"><h2>What this would change</h2><ConsequenceList :changes="preview" /></template>
    <p class="acts"><v-btn
      type="submit"
      color="primary"
      :loading="busy">{{ preview ? 'Save' : 'Check' }}</v-btn><v-btn
        variant="text"
        @click="emit('close')">Cancel</v-btn></p>
  </form>
</template>

<style scoped>
.editor {
  overflow: auto;
  padding: 16px 22px 40px;
  max-width: 900px;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(200px, 1fr));
  gap: 10px;
  margin-bottom: 10px;
}
.rest :deep(textarea) {
  font: 12.5px var(--mono);
}
.acts {
  display: flex;
  gap: 8px;
  position: sticky;
  bottom: 0;
  background: var(--paper);
  padding: 8px 0;
}
</style>
