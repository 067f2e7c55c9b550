<script setup lang="ts">
import { computed, defineAsyncComponent, onMounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '../../api/client'
import { useSession } from '../../api/session'
import type { TypeDetail, TypeKind, TypesPage } from '../../api/types'
import RuleTabs from '../rules/RuleTabs.vue'
import { useAttempt } from '../../ui/attempt'
import ConnectorView from '../../ui/ConnectorView.vue'
import { length, short } from '../../ui/units'
import CableFace from './CableFace.vue'
import { label } from './form/words'
import LibraryPanel from './LibraryPanel.vue'
import ProcedureBench from './ProcedureBench.vue'
import WhyNote from '../../plan/why/WhyNote.vue'

// Drawn from the file's schema, which nobody needs who only looks.
const TypeEditor = defineAsyncComponent(() => import('./TypeEditor.vue'))
const KINDS: { kind: TypeKind; name: string }[] = [
  { kind: 'cable', name: 'Cables' },
  { kind: 'connector', name: 'Connectors' },
  { kind: 'part', name: 'Parts' },
  { kind: 'procedure', name: 'Procedures' },
  { kind: 'signal', name: 'Signals' },
]
const session = useSession()
const route = useRoute()
const router = useRouter()
const types = ref<TypesPage | null>(null)
const kind = computed<TypeKind>(() => KINDS.find(each => each.kind === route.query.kind)?.kind ?? 'cable')
const words = ref('')
const detail = ref<TypeDetail | null>(null)
const editing = ref<'edit' | 'copy' | null>(null)
const library = ref<InstanceType<typeof LibraryPanel> | null>(null)
const { problem, said, attempt } = useAttempt()

const load = () =>
  attempt(async () => {
    types.value = await api.get('types')
  })
onMounted(load)
const shown = computed(() =>
  (types.value?.[kind.value] ?? []).filter(each =>
    words.value
      .toLowerCase()
      .split(/\s+/)
      .every(word =>
        [each.id, each.name, each.about, each.source, each.used ? 'used' : '', each.retired ? 'retired' : '']
          .join(' ')
          .toLowerCase()
          .includes(word),
      ),
  ),
)
watch(
  () => [route.query.kind, route.query.id],
  () => {
    editing.value = null
    const id = String(route.query.id ?? '')
    if (id)
      void attempt(async () => {
        detail.value = await api.get(`types/${kind.value}/${id}`)
      })
    else detail.value = null
  },
  { immediate: true },
)
const open = (id: string) => void router.replace({ query: { kind: kind.value, id } })
const remove = () =>
  attempt(async () => {
    const it = detail.value!
    const { done } = await api.delete(`types/${it.kind}/${it.id}`, it.version == null ? {} : { version: it.version })
    said.value = done === 'removed' ? `${it.name} is taken out.` : `${it.name} is retired: those who use it keep it.`
    await load()
    if (types.value?.[it.kind].some(each => each.id === it.id))
      detail.value = await api.get(`types/${it.kind}/${it.id}`)
    else await router.replace({ query: { kind: kind.value } })
  })
async function saved(id: string) {
  editing.value = null
  said.value = 'Saved in this installation.'
  await load()
  if (route.query.id === id) detail.value = await api.get(`types/${kind.value}/${id}`)
  else open(id)
}
async function taken(of: TypeKind, id: string) {
  said.value = 'Taken into this installation.'
  await load()
  if (route.query.id === id && kind.value === of) detail.value = await api.get(`types/${of}/${id}`)
}
/** In the units of whoever reads it: by the metre from a metre on. */
const measured = (text: string) =>
  !/^\d+(\.\d+)? mm$/.test(text) ? text : parseFloat(text) < 1000 ? short(text) : length(text)
const plain = (value: unknown, range = false): string =>
  Array.isArray(value)
    ? value.map(each => plain(each)).join(range ? ' to ' : value.some(each => String(each).endsWith('.')) ? ' ' : ', ')
    : typeof value === 'object' && value !== null
      ? Object.entries(value)
          .map(([key, each]) => `${key}: ${plain(each, RANGES.includes(key))}`)
          .join(', ')
      : measured(String(value))
const RANGES = ['entry', 'gauge', 'grips']
const HIDDEN = [
  'id',
  'name',
  'cavities',
  'construction',
  'outline',
  'bays',
  'switches',
  'steps',
  'functions',
  'consequences',
  'differential',
  'cable',
  'mates',
]
const facts = computed(() =>
  Object.entries(detail.value?.definition ?? {})
    .filter(([key]) => !HIDDEN.includes(key))
    .map(([key, value]) => ({ key: label(kind.value, key), value: plain(value, RANGES.includes(key)) })),
)
const side = computed(() =>
  Object.entries((detail.value?.definition.cable ?? {}) as Record<string, unknown>)
    .filter(([key]) => key !== 'terminals')
    .map(([key, value]) => ({ key: label(kind.value, key), value: plain(value, RANGES.includes(key)) })),
)
const terminals = computed(() =>
  ((detail.value?.definition.cable as { terminals?: Record<string, unknown>[] })?.terminals ?? []).map(each =>
    plain(each),
  ),
)
const mates = computed(() =>
  ((detail.value?.definition.mates ?? []) as { with: string; name?: string }[]).map(
    each => each.with + (each.name ? ` (${each.name})` : ''),
  ),
)
</script>

<template>
  <main class="catalogue">
    <header><h1>Rules</h1><RuleTabs /><span
      v-if="said"
      role="status"
      class="quiet">{{ said }}</span><span class="space" />
      <v-text-field
        v-model="words"
        class="filter"
        placeholder="filter: foil, used, own"
        aria-label="Filter the catalogue" />
    </header>
    <div><p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
      <LibraryPanel ref="library" @taken="taken" /></div>
    <div class="columns" :class="{ writing: editing }">
      <section class="list">
        <nav class="kinds" aria-label="Kinds of types"><router-link
          v-for="each in KINDS"
          :key="each.kind"
          :to="{ query: { kind: each.kind } }"
          :aria-current="each.kind === kind ? 'page' : undefined">{{ each.name }}
          <span class="quiet">{{ types?.[each.kind].length ?? '' }}</span>
        </router-link></nav>
        <p v-if="kind === 'procedure' && types?.recipes" class="note">From before there were procedures, this
          installation has {{ types.recipes }} recipes. Their ends are made by procedures now; what was recorded by them
          stands.<template v-if="types.converted.length"> Of the house’s own:
            <template v-for="(each, i) in types.converted" :key="each.id">{{ i ? ', ' : '' }}<button
              type="button"
              class="plain"
              @click="open(each.id)">{{ each.name }}</button></template>, with the lengths that they had.</template></p>
        <ul>
          <li v-for="each in shown" :key="each.id"><button
            type="button"
            :aria-current="detail?.id === each.id ? 'true' : undefined"
            :class="{ retired: each.retired }"
            @click="open(each.id)"><span>{{ each.name }}</span>
            <span class="quiet">{{ each.about }}<template v-if="each.used"> · used</template>
              <template v-if="each.source === 'own'"> · own</template>
              <template v-if="each.retired"> · retired</template></span></button></li>
        </ul>
        <p v-if="types && shown.length === 0" class="quiet">Nothing has these words.</p>
      </section>
      <section v-if="detail && !editing" class="detail">
        <h1>{{ detail.name }}</h1>
        <p class="quiet">{{ detail.id }} · {{ detail.version != null ? (detail.shipped
          ? 'this installation’s own, instead of the shipped one' : 'this installation’s own')
          : detail.shipped ? 'ships with Sartal' : 'came with this installation' }}{{ detail.used ? ' · used here'
          : '' }}{{ detail.retired ? ' · retired' : '' }}</p>
        <p v-if="session.plans" class="acts">
          <v-btn size="small" variant="outlined" color="primary" @click="editing = 'copy'">Copy as a new type</v-btn>
          <v-btn
            size="small"
            variant="outlined"
            color="primary"
            @click="editing = 'edit'">{{ detail.version == null ? 'Change for this installation' : 'Edit' }}</v-btn>
          <v-btn
            v-if="detail.version != null && library?.stand(detail.kind, detail.id) !== 'same'"
            size="small"
            variant="outlined"
            color="primary"
            @click="library?.put(detail.kind, detail.id)">Put into the library</v-btn>
          <v-btn
            v-if="!detail.retired && ['cable', 'connector'].includes(detail.kind) || detail.version != null"
            size="small"
            variant="text"
            color="error"
            @click="remove">{{ detail.version != null && (!detail.used || detail.shipped) ? (detail.shipped
              ? 'Back to the shipped one' : 'Remove') : 'Retire' }}</v-btn>
        </p>
        <WhyNote
          v-if="detail.version != null"
          :kind="detail.kind"
          :of="detail.id"
          :name="detail.name" />
        <CableFace v-if="detail.face.length" :face="detail.face" />
        <div v-if="detail.drawing" class="faces"><ConnectorView
          :drawing="detail.drawing"
          view="face"
          :height="220" /><ConnectorView
            :drawing="detail.drawing"
            view="wiring"
            :height="220" /></div>
        <table
          v-if="detail.figures.length"
          class="lines figures"><thead><tr><th>Computed</th><th></th><th>By</th></tr></thead><tbody><tr
            v-for="figure in detail.figures"
            :key="figure.label"><td>{{ figure.label }}</td><td class="mono">{{ figure.value }}</td>
            <td class="quiet">{{ figure.rule }}</td></tr></tbody></table>
        <ProcedureBench
          v-if="detail.kind === 'procedure'"
          :key="`${detail.id} ${detail.version}`"
          :detail="detail"
          mode="read" />
        <dl v-else><template
                     v-for="fact in [...facts, ...side]"
                     :key="fact.key"><dt>{{ fact.key }}</dt><dd>{{ fact.value }}</dd></template>
          <template v-if="terminals.length"><dt>terminals</dt><dd><template
            v-for="terminal in terminals"
            :key="terminal">{{ terminal }}<br></template></dd></template>
          <template v-if="mates.length"><dt>mates with</dt><dd>{{ mates.join(', ') }}</dd></template></dl>
        <details><summary>Whole definition</summary>
          <pre class="mono">{{ JSON.stringify(detail.definition, null, 2) }}</pre></details>
      </section>
      <div v-else-if="detail && editing && detail.kind === 'procedure'" class="detail"><ProcedureBench
        :key="`${detail.id} ${editing}`"
        :detail="detail"
        :mode="editing"
        @saved="saved"
        @close="editing = null" /></div>
      <TypeEditor
        v-else-if="detail && editing && types"
        :key="`${detail.id} ${editing}`"
        :detail="detail"
        :copy="editing === 'copy'"
        :types="types"
        @saved="saved"
        @close="editing = null" />
      <section
        v-else
        class="detail quiet"><p>Choose a type to see its drawing, its figures and what it asks of a
          cable.<template v-if="session.plans"> For one that is not here, open the nearest and copy it.</template></p>
      </section>
    </div>
  </main>
</template>

<style scoped>
.catalogue {
  height: 100%;
  display: grid;
  grid-template-rows: auto auto minmax(0, 1fr);
  grid-template-columns: minmax(0, 1fr);
}
header {
  display: flex;
  gap: 16px;
  align-items: center;
  padding: 12px 18px;
  border-bottom: 1px solid var(--line);
  flex-wrap: wrap;
}
.space {
  flex: 1;
}
.filter {
  max-width: 240px;
}
.columns {
  display: grid;
  grid-template-columns: 380px minmax(0, 1fr);
  min-height: 0;
  grid-row: 3;
}
/* Whoever writes a type needs the room, and no other type. */
.columns.writing {
  grid-template-columns: minmax(0, 1fr);
}
.writing .list {
  display: none;
}
.list {
  overflow: auto;
  border-right: 1px solid var(--line);
}
.kinds {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  padding: 10px 18px;
  border-bottom: 1px solid var(--line);
}
.kinds a {
  text-decoration: none;
  font-weight: 600;
  font-size: 13.5px;
  color: var(--ink) !important;
  padding: 2px 0;
}
.kinds a[aria-current='page'] {
  box-shadow: 0 2px 0 var(--copper);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li button {
  all: unset;
  display: block;
  width: 100%;
  box-sizing: border-box;
  padding: 6px 18px;
  border-bottom: 1px solid var(--line);
  cursor: pointer;
}
li button span {
  display: block;
}
li button .quiet {
  font-size: 12.5px;
}
li button[aria-current='true'] {
  background: var(--chosen);
  box-shadow: inset 3px 0 0 var(--copper);
}
li button:focus-visible {
  outline: 2px solid var(--copper);
  outline-offset: -2px;
}
.retired {
  opacity: 0.6;
}
.detail {
  overflow: auto;
  padding: 16px 22px 40px;
}
.acts {
  margin: 8px 0 12px;
}
.faces {
  display: flex;
  gap: 30px;
  margin: 10px 0;
}
.figures {
  max-width: 720px;
  margin-bottom: 10px;
}
dl {
  display: grid;
  grid-template-columns: 130px minmax(0, 1fr);
  gap: 4px 12px;
  font-size: 13.5px;
  max-width: 760px;
}
dt {
  color: var(--slate);
}
dd {
  margin: 0;
  overflow-wrap: anywhere;
}
pre {
  font-size: 12px;
  overflow: auto;
}
@media (max-width: 800px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
    overflow: auto;
  }
}
</style>
