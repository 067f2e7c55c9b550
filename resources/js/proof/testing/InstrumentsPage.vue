<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { api } from '../../api/client'
import { useSession } from '../../api/session'
import type { InstrumentsPage, Stage } from '../../api/test'
import BeingMade from '../../ui/BeingMade.vue'
import { useAttempt } from '../../ui/attempt'
import { slug } from '../../ui/slug'
import TestTabs from './TestTabs.vue'

/** The crew's instruments with their calibration, and what the house tests at which connectors. */
const session = useSession()
const page = ref<InstrumentsPage | null>(null)
const { problem, said, busy, attempt } = useAttempt()
type Known = InstrumentsPage['instruments'][number]
const draft = ref<Partial<Known> | null>(null)
const load = () =>
  attempt(async () => {
    page.value = await api.get('instruments')
  })
onMounted(load)

const kinds = computed(() => (page.value?.kinds ?? []).map(kind => ({ value: kind.id, title: kind.words })))
const does = computed(() => page.value?.kinds.find(kind => kind.id === draft.value?.kind)?.methods.join(', ') ?? '')
const save = () =>
  attempt(async () => {
    const { id, name, kind, number, calibratedTo, version } = draft.value!
    await api.put('instruments', {
      part: {
        id: id ?? slug(name ?? ''),
        name,
        kind,
        ...(number ? { number } : {}),
        ...(calibratedTo ? { calibratedTo } : {}),
      },
      ...(version ? { version } : {}),
    })
    draft.value = null
    page.value = await api.get('instruments')
  }, 'Saved.')
const remove = (instrument: Known) =>
  attempt(async () => {
    await api.delete(`instruments/${instrument.id}`, { version: instrument.version })
    draft.value = null
    page.value = await api.get('instruments')
  }, "Removed. Undo is in the schedule's changes.")

const family = ref<string | null>(null)
const families = computed(() => page.value?.rules.families ?? [])
type Method = InstrumentsPage['methods'][number]['id']
const rule = (name: string, stage: Stage) => families.value.find(each => each.family === name)?.[stage]
const words = (name: string, stage: Stage) =>
  rule(name, stage)
    ?.map(id => page.value!.methods.find(method => method.id === id)?.words)
    .join(', ') ?? 'as the wiring asks'
async function choose(stage: Stage, methods: Method[] | null) {
  await attempt(async () => {
    const others = families.value.filter(each => each.family !== family.value)
    const own = { ...(families.value.find(each => each.family === family.value) ?? { family: family.value! }) }
    if (methods) own[stage] = methods
    else delete own[stage]
    await api.put('testing', {
      rules: { ...page.value!.rules, families: [...others, ...(Object.keys(own).length > 1 ? [own] : [])] },
      version: page.value!.version,
    })
    page.value = await api.get('instruments')
  }, 'Saved. Every test plan follows.')
}
/** What is ticked: what the house chose, else what every wiring asks at that stage. */
const chosen = (name: string, stage: Stage): Method[] =>
  rule(name, stage) ?? (stage === 'before-closing' ? ['eyes-a', 'eyes-b'] : ['map', 'shells'])
function toggle(stage: Stage, method: Method) {
  const now = chosen(family.value!, stage)
  void choose(stage, now.includes(method) ? now.filter(each => each !== method) : [...now, method])
}
const applies = (stage: Stage, method: string) =>
  stage === 'before-closing' ? method.startsWith('eyes') : !method.startsWith('eyes')
</script>

<template>
  <main class="page">
    <header><h1>Test</h1><TestTabs /></header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <p v-else-if="said" class="note good" role="status">{{ said }}</p>
    <BeingMade v-if="!page" />
    <div v-else class="body">
      <section aria-label="Instruments">
        <h2>Instruments</h2>
        <p
          v-if="page.instruments.length === 0"
          class="quiet">None yet. Enter those that the crew tests with; a result names its instrument, and says when its
          calibration had run out.</p>
        <table v-else class="lines">
          <thead><tr><th>Name</th><th>What it is</th><th>Number</th><th>Calibrated to</th></tr></thead>
          <tbody><tr v-for="each in page.instruments" :key="each.id" :class="{ overdue: each.overdue }">
            <td><button
              v-if="session.tests"
              type="button"
              @click="draft = { ...each }">{{ each.name }}</button><template v-else>{{ each.name }}</template></td>
            <td>{{ each.words }}</td><td class="mono">{{ each.number }}</td>
            <td class="mono day">{{ each.calibratedTo || 'no date' }}<b v-if="each.overdue"> overdue</b></td></tr>
          </tbody>
        </table>
        <p v-if="session.tests"><v-btn
          variant="outlined"
          color="primary"
          @click="draft = { kind: 'loom' }">Add an instrument</v-btn></p>
        <form v-if="draft" class="form" aria-label="Instrument" @submit.prevent="save">
          <v-text-field v-model="draft.name" label="Name" /><v-select
            v-model="draft.kind"
            :items="kinds"
            label="What it is" />
          <p class="quiet">It can: {{ does }}.</p>
          <v-text-field v-model="draft.number" label="Number on it" /><v-text-field
            v-model="draft.calibratedTo"
            type="date"
            label="Calibrated to" />
          <p class="acts"><v-btn
            type="submit"
            color="primary"
            :loading="busy"
            :disabled="!draft.name">Save</v-btn><v-btn
              variant="outlined"
              color="primary"
              @click="draft = null">Cancel</v-btn><v-btn
                v-if="draft.version"
                variant="text"
                color="error"
                @click="remove(draft as Known)">Remove</v-btn></p>
        </form>
      </section>
      <section aria-label="Test plans">
        <h2>What is tested at which connectors</h2>
        <p class="quiet">A plan follows from the wiring: a map with shells, each switch by itself, pairs where there are
          pairs. Choose otherwise for a family of connectors, and it is binding. What mains needs stays in any plan.</p>
        <table class="lines">
          <thead><tr><th>Connectors</th><th
            v-for="stage in page.stages"
            :key="stage.id">{{ stage.words }}</th></tr></thead>
          <tbody v-for="each in page.families" :key="each.family">
            <tr :class="{ at: family === each.family }"><td><button
                                                              v-if="session.plans"
                                                              type="button"
                                                              :aria-expanded="family === each.family"
                                                              @click="family = family === each.family ? null
                                                                : each.family">{{ each.name }}</button>
              <template v-else>{{ each.name }}</template> <small class="quiet">{{ each.types.join(', ') }}
                · {{ each.assemblies }}</small>
            </td><td
              v-for="stage in page.stages"
              :key="stage.id"
              :class="{ quiet: !rule(each.family, stage.id) }">{{ words(each.family, stage.id) }}</td></tr>
            <tr v-if="family === each.family"><td :colspan="page.stages.length + 1">
              <div class="form" :aria-label="`Test plan of ${each.name}`" role="group">
                <fieldset v-for="stage in page.stages" :key="stage.id">
                  <legend>{{ stage.words }}</legend>
                  <label v-for="method in page.methods.filter(one => applies(stage.id, one.id))" :key="method.id"><input
                    type="checkbox"
                    :checked="chosen(family, stage.id).includes(method.id)"
                    :disabled="busy"
                    @change="toggle(stage.id, method.id)"> {{ method.words }}</label>
                  <button
                    v-if="rule(family, stage.id)"
                    type="button"
                    @click="choose(stage.id, null)">Back to what the wiring asks</button>
                </fieldset>
              </div></td></tr>
          </tbody>
        </table>
      </section>
    </div>
  </main>
</template>

<style scoped>
.page {
  height: 100%;
  overflow: auto;
  padding-bottom: 30px;
}
header {
  display: flex;
  align-items: center;
  gap: 14px;
  padding: 8px 16px;
  border-bottom: 1px solid var(--line);
  position: sticky;
  top: 0;
  background: var(--paper);
  z-index: 1;
  flex-wrap: wrap;
}
.body {
  padding: 0 16px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
  max-width: 1060px;
}
section {
  overflow-x: auto;
}
.note {
  margin: 8px 16px;
}
.form {
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--surface);
  padding: 14px;
  display: grid;
  gap: 10px;
  margin-top: 10px;
  max-width: 720px;
}
.form p {
  margin: 0;
}
.day {
  white-space: nowrap;
}
.overdue td {
  background: var(--warn);
}
.overdue b {
  color: var(--amber);
}
tr.at td {
  box-shadow:
    inset 0 2px var(--copper),
    inset 0 -2px var(--copper);
}
fieldset {
  border: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  font-size: 13px;
}
legend {
  font-weight: 600;
  padding: 0;
}
td button,
fieldset button {
  all: unset;
  cursor: pointer;
  color: var(--verdigris);
  text-decoration: underline;
  text-underline-offset: 2px;
}
td button:focus-visible,
fieldset button:focus-visible {
  outline: 2px solid var(--copper);
}
</style>
