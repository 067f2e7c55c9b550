<script setup lang="ts">
import { computed, ref } from 'vue'
import type { TypeDetail, TypesPage } from '../../api/types'
import ConnectorView from '../../ui/ConnectorView.vue'
import ConsequenceList from '../rules/ConsequenceList.vue'
import CableFace from './CableFace.vue'
import ContactGrid from './form/ContactGrid.vue'
import ElementTree from './form/ElementTree.vue'
import type { Element } from './form/elements'
import { ofKind, saying, shape } from './form/schema'
import SchemaField from './form/SchemaField.vue'
import { useType } from './useType'

/** A type field by field, drawn while it is written. Nothing is saved before it is checked against its use. */
const props = defineProps<{ detail: TypeDetail; copy: boolean; types: TypesPage }>()
const emit = defineEmits<{ saved: [id: string]; close: [] }>()
const { draft, id, definition, problems, message, stale, busy, drawn, preview, look, save, take } = useType(
  props.detail,
  props.copy,
)
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
const wrong = computed(() => Object.fromEntries(problems.value.map(each => [each.path, each.words])))
async function submit() {
  if (!preview.value) return look()
  const saved = await save()
  if (saved !== undefined) emit('saved', saved)
}
/** As a file has it, for whoever brings one along. */
const text = ref('')
const taken = () => {
  if (take(text.value)) text.value = ''
}
</script>

<template>
  <form class="editor" @submit.prevent="submit">
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
        <p><v-btn size="small" variant="text" :disabled="!text.trim()" @click="taken">Take it</v-btn></p></details>
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
          :key="each.path + each.words"><td class="mono">{{ each.path }}
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
