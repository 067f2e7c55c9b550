<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import { api, ApiError } from '../../api/client'
import type { Answer } from '../../api/answers'
import type { Consequences, TypeDetail, TypesPage } from '../../api/types'
import ConnectorView from '../../ui/ConnectorView.vue'
import { useLatest } from '../../ui/latest'
import ConsequenceList from '../rules/ConsequenceList.vue'
import CableFace from './CableFace.vue'
import ContactGrid from './form/ContactGrid.vue'
import ElementTree from './form/ElementTree.vue'
import type { Element } from './form/elements'
import { ofKind, saying, shape } from './form/schema'
import SchemaField from './form/SchemaField.vue'

/** A type field by field, drawn while it is written. Nothing is saved before it is checked against its use. */
const props = defineProps<{ detail: TypeDetail; copy: boolean; types: TypesPage }>()
const emit = defineEmits<{ saved: [id: string]; close: [] }>()
type Drawn = Answer<'types/x/draw', 'post'>
const copied = <T,>(of: T): T => JSON.parse(JSON.stringify(of)) as T
const draft = ref<Record<string, unknown>>(copied(props.detail.definition) as Record<string, unknown>)
if (props.copy) draft.value.name = `${props.detail.name}, own`
const slug = (name: string) =>
  name
    .toLowerCase()
    .normalize('NFD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
const id = computed(() => (props.copy ? slug(String(draft.value.name ?? '')) : props.detail.id))
const definition = () => ({ ...draft.value, id: id.value })

/** What fields may name. */
const names = computed(() => ({
  part: props.types.part,
  connector: props.types.connector,
  procedure: props.types.procedure,
}))
const LONG = ['rows', 'group', 'map', 'texts', 'pairs', 'choices']
const fields = computed(() =>
  Object.entries(ofKind(props.detail.kind).properties ?? {}).filter(
    ([key]) => !['id', 'retired', 'construction'].includes(key),
  ),
)
const short = computed(() => fields.value.filter(([, each]) => !LONG.includes(shape(each))))
const long = computed(() => fields.value.filter(([, each]) => LONG.includes(shape(each))))
const set = (key: string, value: unknown) => {
  draft.value = saying(draft.value, key, value)
}

const problems = ref<{ path: string; value: string; words: string }[]>([])
const wrong = computed(() => {
  const found: Record<string, string> = {}
  for (const each of problems.value) found[each.path.replace(/^\w+\[0\]\.?/, '')] = each.words
  return found
})
const message = ref('')
const preview = ref<Consequences | null>(null)
const drawn = ref<Drawn | null>(null)
const stale = ref(false)
const busy = ref(false)

function refused(error: unknown) {
  if (!(error instanceof ApiError)) throw error
  problems.value = (error.body.problems ?? []) as typeof problems.value
  stale.value = error.status === 409
  message.value = problems.value.length ? '' : (Object.values(error.fields).flat()[0] ?? error.message)
}
const { latest, forget } = useLatest()
async function draw() {
  forget()
  message.value = ''
  try {
    await latest(api.post(`types/${props.detail.kind}/draw`, { definition: definition() }), answer => {
      drawn.value = answer
      problems.value = []
    })
  } catch (error) {
    refused(error)
  }
}
const drawSoon = useDebounceFn(draw, 400)
onMounted(draw)
watch(draft, () => {
  preview.value = null
  void drawSoon()
})

async function attempt(work: () => Promise<void>) {
  busy.value = true
  message.value = ''
  problems.value = []
  try {
    await work()
  } catch (error) {
    refused(error)
  } finally {
    busy.value = false
  }
}
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

/** As a file has it, for whoever brings one along. */
const text = ref('')
function take() {
  try {
    draft.value = JSON.parse(text.value) as Record<string, unknown>
    text.value = ''
  } catch (error) {
    message.value = `This is no definition: ${error instanceof Error ? error.message : ''}. Nothing was taken.`
  }
}
</script>

<template>
  <form class="editor" @submit.prevent="preview ? save() : look()">
    <div class="form">
      <h1>{{ copy ? 'A new type from' : 'Change' }} {{ detail.name }}</h1>
      <p class="quiet">It belongs to this installation: it goes with its file, and a newer catalogue leaves it alone.
        <template v-if="copy">Known as <span class="mono">{{ id }}</span>.</template></p>
      <div class="fields"><SchemaField
        v-for="[key, each] in short"
        :key="key"
        :kind="detail.kind"
        :name="key"
        :schema="each"
        :value="draft[key]"
        :path="key"
        :wrong="wrong"
        :names="names"
        @update="set(key, $event)" /></div>
      <ElementTree
        v-if="detail.kind === 'cable'"
        :root="(draft.construction ?? { key: '', kind: 'group' }) as Element"
        :wrong="wrong"
        :names="names"
        @update="set('construction', $event)" />
      <div class="fields"><template
        v-for="[key, each] in long"
        :key="key"><ContactGrid v-if="key === 'cavities'" @lay="set('cavities', $event)" /><SchemaField
          :kind="detail.kind"
          :name="key"
          :schema="each"
          :value="draft[key]"
          :path="key"
          :wrong="wrong"
          :names="names"
          @update="set(key, $event)" /></template></div>
      <details><summary>As a file has it</summary>
        <pre class="mono">{{ JSON.stringify(definition(), null, 1) }}</pre>
        <label class="field"><span>Another definition, to be taken instead</span><textarea
          v-model="text"
          rows="4"
          class="mono" /></label>
        <p><v-btn size="small" variant="text" :disabled="!text.trim()" @click="take">Take it</v-btn></p></details>
    </div>
    <aside class="seen" aria-live="polite" aria-label="As it is written">
      <div v-if="drawn" :class="{ older: problems.length }">
        <CableFace v-if="drawn.face.length" :face="drawn.face" :height="220" />
        <template v-if="drawn.drawing">
          <ConnectorView :drawing="drawn.drawing" view="face" :height="170" />
          <ConnectorView :drawing="drawn.drawing" view="wiring" :height="170" />
        </template>
        <dl v-if="drawn.figures.length"><template v-for="figure in drawn.figures" :key="figure.label">
          <dt>{{ figure.label }}</dt><dd class="mono" :title="figure.rule">{{ figure.value }}</dd></template></dl>
      </div>
      <p
        v-if="message"
        class="note failed"
        role="alert">{{ message }}<template v-if="stale"> Close, open it again and carry your change over; it is still
          here.</template>
      </p>
      <table
        v-if="problems.length"
        class="lines"
        aria-label="What is wrong"><thead><tr><th>Field</th><th>Remedy</th></tr></thead><tbody><tr
          v-for="each in problems"
          :key="each.path + each.words"><td class="mono">{{ each.path.replace(/^\w+\[0\]\.?/, '') }}
            {{ each.value }}</td><td>{{ each.words }}</td></tr></tbody></table>
      <template v-if="preview"><h2>What this would change</h2><ConsequenceList :changes="preview" /></template>
      <p class="acts"><v-btn
        type="submit"
        color="primary"
        :loading="busy"
        :disabled="problems.length > 0">{{ preview ? 'Save' : 'Check' }}</v-btn><v-btn
          variant="text"
          @click="emit('close')">Cancel</v-btn></p>
    </aside>
  </form>
</template>

<style scoped src="./form/form.css" />
<style scoped>
.editor {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 280px;
  gap: 24px;
  overflow: auto;
  padding: 16px 22px 40px;
  align-items: start;
}
.form {
  min-width: 0;
}
.seen {
  position: sticky;
  top: 0;
  border-left: 1px solid var(--line);
  padding-left: 18px;
}
.older {
  opacity: 0.45;
}
.seen p {
  margin: 4px 0;
}
dl {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 2px 10px;
  font-size: 13px;
}
dd {
  margin: 0;
}
.acts {
  display: flex;
  gap: 8px;
}
pre {
  max-height: 260px;
  overflow: auto;
  font-size: 12px;
}
@media (max-width: 1000px) {
  .editor {
    grid-template-columns: minmax(0, 1fr);
  }
  .seen {
    position: static;
    border: 0;
    padding: 0;
  }
}
</style>
