<script setup lang="ts">
import { onKeyStroke, useLocalStorage } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import { api, ApiError, saying } from '../../api/client'
import { address, person } from '../../api/page'
import type { Consequences, StepRecords, TypeDetail } from '../../api/types'
import ConsequenceList from '../rules/ConsequenceList.vue'
import DemandsTable from './DemandsTable.vue'
import ProcedureMore from './ProcedureMore.vue'
import { differences, spoken, title, type MakingStep, type Procedure } from './procedure'
import StepForm from './StepForm.vue'
import StepRecord from './StepRecord.vue'
import StepsTable from './StepsTable.vue'
import TrialPanel from './TrialPanel.vue'
import { useProcedure } from './useProcedure'

/**
 * How an end is made, read and edited: the steps, the end after the one in hand, and in words what does not go on the
 * ends that it would make. Nothing is saved before it was shown what that changes.
 */
const props = defineProps<{ detail: TypeDetail; mode: 'read' | 'edit' | 'copy' }>()
const emit = defineEmits<{ saved: [id: string]; close: [] }>()
const editing = computed(() => props.mode !== 'read')
const source = JSON.parse(JSON.stringify(props.detail.definition)) as Procedure
const slug = (name: string) =>
  name
    .toLowerCase()
    .normalize('NFD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
if (props.mode === 'copy') {
  source.name = `${source.name}, own`
  source.id = slug(source.name)
  // A copy is followed where somebody says so, instead of the one that it is of.
  source.insteadOf = source.insteadOf?.length ? source.insteadOf : [props.detail.id]
  source.connectors = []
  delete source.standsIn
}
const hand = useProcedure(source)
const { procedure, at, step, end, trial, problems, message, trying, past, future } = hand
onMounted(hand.attempt)

// What was changed stays on the device, for whoever changed it, until it is saved or thrown away.
const draft = useLocalStorage(`sartal.procedure.${address}.${person.value}.${props.detail.id}.${props.mode}`, '')
const kept = ref(editing.value && draft.value !== '' && draft.value !== JSON.stringify(source))
watch(
  procedure,
  now => {
    if (editing.value && past.value.length) draft.value = JSON.stringify(now)
  },
  { deep: true },
)
function takeUp() {
  const text = draft.value
  hand.change(of => Object.assign(of, JSON.parse(text) as Procedure))
  kept.value = false
}
function throwAway() {
  draft.value = ''
  kept.value = false
}

const preview = ref<Consequences | null>(null)
const busy = ref(false)
const refused = ref('')
watch(
  procedure,
  () => {
    preview.value = null
  },
  { deep: true },
)
const definition = () => procedure.value as unknown as Record<string, unknown>
async function ask(work: () => Promise<void>) {
  busy.value = true
  refused.value = ''
  try {
    await work()
  } catch (error) {
    if (!(error instanceof ApiError)) throw error
    refused.value = saying(error)
  } finally {
    busy.value = false
  }
}
const look = () =>
  ask(async () => {
    preview.value = await api.post('types/procedure/preview', { definition: definition() })
  })
const save = () =>
  ask(async () => {
    const { id } = await api.put('types/procedure', {
      definition: definition(),
      ...(props.mode === 'edit' && props.detail.version != null ? { version: props.detail.version } : {}),
    })
    draft.value = ''
    emit('saved', id)
  })
const newer = computed(() => props.detail.newer as Procedure | null)
const against = computed(() => (newer.value ? differences(procedure.value, newer.value) : []))
const changed = computed(() =>
  editing.value && past.value.length
    ? differences(props.detail.definition as unknown as Procedure, procedure.value)
    : [],
)
const takeOver = () =>
  hand.change(of => {
    for (const key of Object.keys(of)) delete of[key]
    Object.assign(of, JSON.parse(JSON.stringify(newer.value)) as Procedure)
  })
/** A new one that was copied has no record yet. */
const record = ref<StepRecords>({})
if (props.mode !== 'copy')
  void api.get(`types/procedure/${props.detail.id}/record`).then(
    answer => {
      record.value = answer.steps
    },
    () => undefined,
  )
const wrong = computed(() => trial.value?.ends.filter(each => !each.right).length ?? 0)
onKeyStroke(['z', 'Z'], event => {
  const isText = (event.target as HTMLElement).closest('input, textarea') !== null
  if (!editing.value || isText || !(event.ctrlKey || event.metaKey)) return
  event.preventDefault()
  if (event.shiftKey) hand.redo()
  else hand.undo()
})
const lists = [
  ['insteadOf', 'Followed instead of'],
  ['connectors', 'In these connectors'],
] as const
</script>

<template>
  <section class="bench">
    <template v-if="editing">
      <h1>{{ mode === 'copy' ? 'A procedure of your own' : `Change ${detail.name}` }}</h1>
      <p v-if="kept" class="note check">You changed this before and did not save it.
        <button type="button" @click="takeUp">Go on with that</button>
        <button type="button" @click="throwAway">Throw it away</button></p>
      <div class="head">
        <v-text-field
          :model-value="procedure.name"
          label="Name"
          hide-details
          @change="hand.change(of => {
            of.name = ($event.target as HTMLInputElement).value.trim()
            if (mode === 'copy') of.id = slug(of.name)
          })" />
        <v-text-field
          :model-value="procedure.source ?? ''"
          label="Where it is from"
          hide-details
          @change="hand.change(of => { of.source = ($event.target as HTMLInputElement).value.trim() })" />
        <v-combobox
          v-for="[key, label] in lists"
          :key="key"
          :model-value="procedure[key] ?? []"
          :label="label"
          multiple
          chips
          hide-details
          @update:model-value="hand.change(of => { of[key] = $event as string[] })" />
      </div>
      <p v-if="mode === 'copy' && !procedure.connectors?.length" class="note check">Name the connectors that it is for:
        without any, the one that it was copied from goes on making them.</p>
    </template>
    <details v-if="newer && against.length" class="note" :open="!editing">
      <summary>What ships with Sartal is another edition ({{ against.length }}
        {{ against.length === 1 ? 'difference' : 'differences' }})</summary>
      <ul><li v-for="each in against" :key="each.id"><b>{{ each.id }}</b> {{ each.words }}</li></ul>
      <v-btn v-if="editing" size="small" variant="outlined" color="primary" @click="takeOver">Take it over</v-btn>
    </details>
    <div class="columns">
      <div>
        <h2>Steps</h2>
        <p v-if="editing" class="acts">
          <v-btn size="small" variant="outlined" color="primary" @click="hand.add">Add below</v-btn>
          <v-btn
            size="small"
            variant="outlined"
            :disabled="at === 0 || step?.locked"
            aria-label="Move the step up"
            @click="hand.move(-1)">↑</v-btn>
          <v-btn
            size="small"
            variant="outlined"
            :disabled="at === procedure.steps.length - 1 || step?.locked"
            aria-label="Move the step down"
            @click="hand.move(1)">↓</v-btn>
          <v-btn
            size="small"
            variant="text"
            color="error"
            :disabled="step?.locked || procedure.steps.length < 2"
            @click="hand.remove">Take the step out</v-btn>
          <v-btn size="small" variant="text" :disabled="!past.length" @click="hand.undo">Undo</v-btn>
          <v-btn size="small" variant="text" :disabled="!future.length" @click="hand.redo">Redo</v-btn>
        </p>
        <StepsTable
          v-model:at="at"
          :procedure="procedure"
          :trial="trial"
          :record="record"
          :editing="editing"
          @move="hand.move"
          @add="hand.add"
          @remove="hand.remove" />
      </div>
      <div class="side">
        <TrialPanel v-model:end="end" :trial="trial" :trying="trying" />
        <p v-if="message" class="note failed" role="alert">{{ message }}</p>
        <table v-if="problems.length" class="lines" aria-label="What is wrong">
          <thead><tr><th>Field</th><th>Value</th><th>Remedy</th></tr></thead>
          <tbody><tr v-for="each in problems" :key="each.path + each.words"><td class="mono">{{ each.path }}</td>
            <td class="mono">{{ each.value }}</td><td>{{ each.words }}</td></tr></tbody>
        </table>
        <template v-if="step">
          <h2>{{ at + 1 }} · {{ spoken(step) }}</h2>
          <StepRecord
            :step="step"
            :was="source.steps.find(each => each.id === step!.id)"
            :known="record[step.id]"
            :editing="editing && mode === 'edit'"
            @since="hand.set('since', $event ?? undefined)" />
          <StepForm
            v-if="editing"
            :key="at"
            :procedure="procedure"
            :step="step"
            :at="at"
            :answers="detail.answers"
            @set="(key: keyof MakingStep, value: unknown) => hand.set(key, value as never)"
            @rename="hand.rename" />
          <dl v-else>
            <template v-if="step.tool"><dt>With</dt><dd>{{ step.tool }}</dd></template>
            <template v-if="step.check"><dt>Look</dt><dd>{{ step.check }}</dd></template>
            <template v-if="step.catches"><dt>Finds</dt><dd>{{ step.catches }}<template v-if="step.redo?.length">: back
              to {{ step.redo.join(', ') }}</template></dd></template>
            <template v-if="step.seconds"><dt>Wait</dt><dd>{{ step.seconds }} s</dd></template>
            <template v-if="step.why"><dt>Why</dt><dd>{{ step.why }}</dd></template>
            <template v-if="step.caution"><dt>Caution</dt><dd class="caution">{{ step.caution }}</dd></template>
            <template v-if="step.under?.length"><dt>House</dt>
              <dd>{{ step.under.map(each => title(detail.answers, each)).join(', ') }}</dd></template>
          </dl>
        </template>
      </div>
    </div>
    <DemandsTable
      :procedure="procedure"
      :unmet="trial?.unmet ?? []"
      :editing="editing"
      :answers="detail.answers"
      @change="hand.change" />
    <ProcedureMore v-if="editing" :procedure="procedure" @change="hand.change" />
    <template v-if="editing">
      <details v-if="changed.length" class="note"><summary>{{ changed.length }}
                                                    {{ changed.length === 1 ? 'change' : 'changes' }} so far</summary>
        <ul><li v-for="each in changed" :key="each.id"><b>{{ each.id }}</b> {{ each.words }}</li></ul></details>
      <p v-if="refused" class="note failed" role="alert">{{ refused }}</p>
      <p v-if="wrong" class="note check">On {{ wrong }} of {{ trial?.ends.length }} ends it does not come out right:
        sheet and bench say what is wrong there.</p>
      <template v-if="preview"><h2>What this would change</h2><ConsequenceList :changes="preview" /></template>
      <p class="acts foot"><v-btn
        color="primary"
        :loading="busy"
        :disabled="problems.length > 0"
        @click="preview ? save() : look()">{{ preview ? 'Save' : 'See what it changes' }}</v-btn><v-btn
          variant="text"
          @click="emit('close')">Close</v-btn></p>
    </template>
  </section>
</template>

<style scoped>
.head {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
  gap: 8px;
  margin: 8px 0 12px;
}
.columns {
  display: grid;
  grid-template-columns: minmax(260px, 5fr) minmax(300px, 6fr);
  gap: 22px;
  align-items: start;
}
.side {
  position: sticky;
  top: 0;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 6px 0;
}
.foot {
  position: sticky;
  bottom: -40px;
  background: var(--paper);
  padding: 8px 0 12px;
  border-top: 1px solid var(--line);
  z-index: 1;
}
.note button {
  border: 0;
  background: none;
  color: var(--verdigris);
  font: inherit;
  font-weight: 600;
  text-decoration: underline;
  cursor: pointer;
  padding: 4px 8px;
}
dl {
  display: grid;
  grid-template-columns: 70px minmax(0, 1fr);
  gap: 4px 10px;
  font-size: 13.5px;
}
dt {
  color: var(--slate);
}
dd {
  margin: 0;
}
.caution {
  color: var(--amber);
  font-weight: 600;
}
@media (max-width: 1000px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
  .side {
    position: static;
    order: -1;
  }
}
</style>
