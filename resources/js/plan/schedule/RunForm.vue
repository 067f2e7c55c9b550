<script setup lang="ts">
import { BARE } from '../bare'
import { MADE } from '../made'
import { sleeveChoices } from '../sleeves'
import { useDebounceFn } from '@vueuse/core'
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { api, ApiError } from '../../api/client'
import type { Catalogue, Finding, Line, RunPage, Worked } from '../../api/types'
import BeingMade from '../../ui/BeingMade.vue'
import { length } from '../../ui/units'
import LeftTyped from '../../ui/LeftTyped.vue'
import { useTyped } from '../../ui/typed'
import WorkedSum from '../../ui/WorkedSum.vue'
import StaleDialog from './StaleDialog.vue'
import { useWritten } from './useWritten'
import { useLatest } from '../../ui/latest'

const props = defineProps<{ mode: 'new' | 'edit' | 'copy'; id: string | null; prefilled?: Line | null }>()
const emit = defineEmits<{ saved: [RunPage]; close: [] }>()

const catalogue = ref<Catalogue | null>(null)
const line = ref<Line>({
  build: 'shop',
  tail_a: '1',
  tail_b: '1',
  slack_a: '0.3',
  slack_b: '0.3',
  preparation_a: '0.04',
  preparation_b: '0.04',
  spares_a: '1',
  spares_b: '1',
  leg_a: '0',
  leg_b: '0',
})
const before = ref<Line>({})
const version = ref(0)
const errors = ref<Record<string, string[]>>({})
const problem = ref('')
const busy = ref(false)
const first = ref<{ focus: () => void } | null>(null)
const proposed = ref<{ cut: Worked; circuits: number; fittings: number; findings: Finding[] } | null>(null)
const { stale, write } = useWritten()

/** What is otherwise than it was read. */
const changed = (): Line =>
  Object.fromEntries(Object.entries(line.value).filter(([field, value]) => value !== before.value[field]))
const { left, begin, take, drop, saved } = useTyped(
  `run.${props.mode}.${props.id ?? ''}`,
  changed,
  // Fields that nobody touched stay as they are by now.
  typed => Object.assign(line.value, typed),
  version,
)
onMounted(async () => {
  try {
    const [types, run] = await Promise.all([api.get('catalogue'), props.id ? api.get(`runs/${props.id}`) : null])
    if (run) {
      before.value = { ...run.line }
      version.value = run.version
      line.value = { ...run.line, ...(props.mode === 'copy' ? { code: nextCode(run.code) } : {}) }
    }
    if (props.prefilled) line.value = { ...props.prefilled }
    // The fields appear once they are filled: nothing that is typed early is written over.
    catalogue.value = types
    begin()
    await nextTick()
    // Whoever has gone on to find meanwhile keeps what they are typing into.
    if (!document.querySelector('.v-overlay--active:not(.v-snackbar)')) first.value?.focus()
  } catch (error) {
    problem.value = error instanceof ApiError ? error.message : String(error)
  }
})

/** The same code with its last number one higher. */
function nextCode(code: string): string {
  return code.replace(/\d+(?=\D*$)/, digits => String(Number(digits) + 1).padStart(digits.length, '0'))
}

const list = (field: string) =>
  computed<string[]>({
    get: () => (line.value[field] ?? '').split('|').filter(Boolean),
    set: value => {
      line.value[field] = value.join('|')
    },
  })
const ways = list('ways')
const signals = list('signals')
const plansA = list('plans_a')
const plansB = list('plans_b')
const sleeves = computed(() => sleeveChoices(catalogue.value?.sleeves ?? []))
const many = ref(1)
const isLead = computed(() => line.value.build === 'lead')
/** A loose lead has nothing that is of a building, and nothing else has a length of its own. */
function make(build: string) {
  if (build === 'lead') {
    const none = { tail_a: '0', tail_b: '0', slack_a: '0', slack_b: '0', ways: '', loom: '' }
    Object.assign(line.value, none, { to: line.value.from ?? '' })
  } else line.value.length = ''
  line.value.build = build
}
watch(
  () => line.value.from,
  place => {
    if (isLead.value) line.value.to = place ?? ''
  },
)
/** An end gets connectors or is left without: whoever chooses them says so. */
watch([plansA, plansB], ([a, b]) => {
  if (a.length && line.value.bare_a) line.value.bare_a = ''
  if (b.length && line.value.bare_b) line.value.bare_b = ''
})
const cables = computed(() => catalogue.value?.cables ?? [])
/** Plans that serve every function of one of the signals come first; the rest cannot be chosen. */
const plans = computed(() => {
  const wanted = (catalogue.value?.signals ?? []).filter(signal => signals.value.includes(signal.id))
  return (catalogue.value?.plans ?? [])
    .filter(plan => wanted.some(signal => signal.functions.every(name => plan.functions.includes(name))))
    .map(plan => {
      const fit = fits.value[plan.id]
      // Of what does not fit, what would have to change.
      const why = fit?.why.length ? ` · ${fit.why.join(' ')} ${fit.change.join(' ')}` : ''
      return {
        value: plan.id,
        title: `${fit?.stops ? '✕ ' : fit?.why.length ? '! ' : ''}${plan.connector}`,
        props: { subtitle: `${plan.name}${plan.channels > 1 ? ` · ${plan.channels} channels` : ''}${why}` },
        order: fit ? (fit.stops ? 2 : fit.why.length ? 1 : 0) : 3,
      }
    })
    .sort((a, b) => a.order - b.order)
})
/** What goes with the cable comes first; the rest says why not. */
const fits = ref<Record<string, { why: string[]; change: string[]; stops: boolean }>>({})
watch(
  () => [line.value.cable, line.value.signals],
  async ([cable, wanted]) => {
    if (!cable || !wanted) return
    const answer = await api
      .get(`fits?cable=${encodeURIComponent(cable)}&signals=${encodeURIComponent(wanted)}`)
      .catch(() => null)
    if (answer) fits.value = Object.fromEntries(answer.plans.map(each => [each.plan, each]))
  },
)

const { latest } = useLatest()
const settle = useDebounceFn(async () => {
  if (
    !line.value.code ||
    !line.value.cable ||
    !signals.value.length ||
    !line.value.from ||
    !(isLead.value || line.value.to)
  )
    return
  try {
    const asked = api.post('runs/propose', {
      line: line.value,
      id: props.mode === 'edit' ? props.id : null,
    })
    await latest(asked, answer => {
      proposed.value = answer
      errors.value = {}
    })
  } catch (error) {
    if (error instanceof ApiError && error.status === 422) errors.value = error.fields
    proposed.value = null
  }
}, 350)
watch(line, settle, { deep: true })

async function save() {
  busy.value = true
  problem.value = ''
  errors.value = {}
  try {
    const run =
      props.mode === 'edit'
        ? await write(props.id!, changed(), version.value)
        : props.mode === 'copy'
          ? // With everything that the form does not show of it.
            await api.post(`runs/${props.id}/duplicate`, { code: line.value.code ?? '', line: changed() })
          : await api.post('runs', { line: line.value, many: many.value || 1 })
    if (!run) return
    saved()
    emit('saved', run)
  } catch (error) {
    if (!(error instanceof ApiError)) throw error
    errors.value = error.fields
    problem.value = error.message
  } finally {
    busy.value = false
  }
}
function keepMine() {
  version.value = stale.value?.theirs?.row.version ?? version.value
  before.value = stale.value?.theirs?.line ?? before.value
  line.value = { ...before.value, ...stale.value?.yours }
  void save()
}
function takeTheirs() {
  version.value = stale.value?.theirs?.row.version ?? version.value
  before.value = { ...stale.value?.theirs?.line }
  line.value = { ...before.value }
  stale.value = null
}
const text = (field: string) => ({
  modelValue: line.value[field] ?? '',
  'onUpdate:modelValue': (value: string | null) => {
    line.value[field] = value ?? ''
  },
  errorMessages: errors.value[field],
})
</script>

<template>
  <!-- eslint-disable-next-line vuejs-accessibility/no-static-element-interactions -- presses inside it bubble up -->
  <form class="form" @submit.prevent="save" @keydown.esc.stop="$emit('close')">
    <h1>{{ mode === 'new' ? 'New run' : mode === 'copy' ? 'Duplicate' : 'Edit' }}
      <span class="mono">{{ mode === 'edit' ? before.code : '' }}</span>
    </h1>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <BeingMade v-if="!catalogue && !problem" />
    <template v-else-if="catalogue">
      <LeftTyped
        :left="left"
        :what="left ? Object.values(left.typed).filter(Boolean).slice(0, 3).join(', ') : ''"
        @take="take"
        @drop="drop" />
      <v-text-field v-bind="text('code')" ref="first" label="Code" class="mono" />
      <v-select
        :model-value="line.build"
        label="Made"
        :items="MADE"
        :error-messages="errors.build"
        @update:model-value="make" />
      <v-autocomplete v-bind="text('cable')" label="Cable" :items="cables" item-title="name" item-value="id" />
      <v-autocomplete
        v-model="signals"
        label="Signal"
        multiple
        chips
        closable-chips
        :items="catalogue.signals"
        item-title="name"
        item-value="id"
        :error-messages="errors.signals"
        hint="In the cable's order; the last goes on for the rest" />
      <div class="two">
        <v-autocomplete
          v-bind="text('from')"
          :label="isLead ? 'Belongs in' : 'From'"
          :items="catalogue.locations"
          item-title="name"
          item-value="id" />
        <v-text-field
          v-if="isLead"
          v-bind="text('length')"
          label="Length of the lead"
          placeholder="2 m or 8 in" />
        <v-autocomplete
          v-else
          v-bind="text('to')"
          label="To"
          :items="catalogue.locations"
          item-title="name"
          item-value="id" />
      </div>
      <v-autocomplete
        v-model="plansA"
        label="Connector A"
        multiple
        :items="plans"
        :error-messages="errors.plans_a"
        no-data-text="Choose a signal first" />
      <v-select v-if="!plansA.length" v-bind="text('bare_a')" label="End A, without a connector" :items="BARE" />
      <v-autocomplete
        v-model="plansB"
        label="Connector B"
        multiple
        :items="plans"
        :error-messages="errors.plans_b"
        no-data-text="Choose a signal first" />
      <v-select v-if="!plansB.length" v-bind="text('bare_b')" label="End B, without a connector" :items="BARE" />
      <v-autocomplete
        v-if="!isLead"
        v-model="ways"
        label="Pinned ways, in order"
        placeholder="the shortest permitted way"
        persistent-placeholder
        multiple
        chips
        closable-chips
        :items="catalogue.ways"
        item-value="id"
        :item-title="way => `${way.name} ${length(way.length)}`"
        :error-messages="errors.ways" />
      <div class="two">
        <template v-if="!isLead">
          <v-text-field
            v-bind="text('tail_a')"
            label="Tail A, m" /><v-text-field v-bind="text('tail_b')" label="Tail B, m" />
        </template>
        <v-text-field
          v-bind="text('slack_a')"
          :label="isLead ? 'To trim at A, m' : 'Slack A, m'" /><v-text-field
            v-bind="text('slack_b')"
            :label="isLead ? 'To trim at B, m' : 'Slack B, m'" />
        <v-text-field
          v-bind="text('preparation_a')"
          label="Preparation A, m" /><v-text-field v-bind="text('preparation_b')" label="Preparation B, m" />
        <v-text-field
          v-bind="text('spares_a')"
          label="Spare ends A" /><v-text-field v-bind="text('spares_b')" label="Spare ends B" />
        <v-text-field
          v-bind="text('leg_a')"
          label="Legs A, m; unequal: 0.3 | 0.375" /><v-text-field v-bind="text('leg_b')" label="Legs B, m" />
        <v-text-field
          v-if="mode === 'new'"
          v-model.number="many"
          type="number"
          min="1"
          max="200"
          label="How many alike"
          :error-messages="errors.many" />
        <v-autocomplete
          v-if="!isLead"
          v-bind="text('loom')"
          label="Loom"
          clearable
          :items="catalogue.looms"
          item-title="name"
          item-value="id" />
      </div>
      <v-select
        v-bind="text('sleeve')"
        label="Sleeve over all of it"
        :items="sleeves" />
      <v-text-field
        v-bind="text('note')"
        :label="line.build === 'found' ? 'As it is seen: finish, labels, what is worn' : 'Note'" />
      <p v-if="line.build === 'found'" class="quiet">Say above what cable it is and what its ends are, as they are seen.
        Nothing is cut or ordered for it; at the bench it is opened and looked over, and what is wrong is mended
        there.</p>
      <section v-if="proposed" class="proposed" aria-live="polite">
        <h2>Becomes</h2>
        <p><b class="mono">{{ length(proposed.cut.result) }}</b> · {{ proposed.circuits }} {{ proposed.circuits === 1
          ? 'circuit' : 'circuits' }} · {{ proposed.fittings }} {{ proposed.fittings === 1 ? 'fitting'
          : 'fittings' }}</p>
        <p
          v-for="finding in proposed.findings"
          :key="finding.words"
          class="note"
          :class="finding.severity">{{ finding.words }} {{ finding.remedy }}</p>
        <details><summary>The sum</summary><WorkedSum :worked="proposed.cut" /></details>
      </section>
    </template>
    <p class="acts"><v-btn
      type="submit"
      color="primary"
      :loading="busy">Save</v-btn><v-btn variant="text" @click="$emit('close')">Cancel</v-btn></p>
    <StaleDialog v-if="stale" :stale="stale" @mine="keepMine" @theirs="takeTheirs" @close="stale = null" />
  </form>
</template>

<style scoped>
.form {
  padding: 14px 16px;
  display: grid;
  gap: 10px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
.two > * {
  min-width: 0;
}
.acts {
  position: sticky;
  bottom: 0;
  background: var(--surface);
  padding: 8px 0;
  margin: 0;
  z-index: 1;
}
.proposed p {
  margin: 4px 0;
}
h2 {
  margin: 4px 0;
}
</style>
