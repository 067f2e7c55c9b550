<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { api } from '../../api/client'
import type { Named, NamedFault, Sample, Training } from '../../api/test'
import { useAttempt } from '../../ui/attempt'
import { keyOf } from './provisional'
import { point, said } from './reading'
import TestTabs from './TestTabs.vue'

/** A cable with a hidden fault: probe it, name the cause, then see the short way. Nothing is recorded. */
const training = ref<Training | null>(null)
const none = ref(false)
const readings = ref<Record<string, (Sample & { wrong: boolean })[]>>({})
const shown = ref('map')
const words = ref('')
const guess = ref<NamedFault | null>(null)
const outcome = ref<Named | null>(null)
const cable = ref('')
const { problem, busy, attempt } = useAttempt()
function begin(answer: Training | null) {
  training.value = answer
  none.value = !answer
  readings.value = {}
  outcome.value = null
  guess.value = null
  shown.value = 'map'
}
onMounted(() =>
  attempt(async () => {
    const answer = await api.get('trainer')
    begin(answer.exercise === null || answer.exercise.over ? null : answer)
  }),
)
const start = () =>
  attempt(async () => {
    begin(await api.post('trainer', { run: cable.value.trim() }))
  })
const read = (method: string) =>
  attempt(async () => {
    shown.value = method
    if (readings.value[method]) return
    const answer = await api.post('trainer/measure', { method })
    training.value = { ...training.value!, exercise: answer.exercise }
    readings.value = { ...readings.value, [method]: answer.samples }
  })
const name = () =>
  attempt(async () => {
    outcome.value = await api.post('trainer/name', { fault: guess.value!.key })
    training.value = { ...training.value!, exercise: { ...training.value!.exercise!, over: true } }
  })
const sheet = computed(() => training.value!.sheet)
const choices = computed(() =>
  (training.value?.choices ?? [])
    .filter(each =>
      words.value
        .toLowerCase()
        .split(/\s+/)
        .every(word => each.words.toLowerCase().includes(word)),
    )
    .slice(0, 50),
)
const lines = computed(() => readings.value[shown.value] ?? [])
const places = (sample: Sample) =>
  sample.at
    .split('#')[0]!
    .split('|')
    .map(node => point(node, sheet.value))
    .join(' – ')
const unit = (sample: Sample) =>
  sheet.value.methods[sample.method]?.find(each => keyOf({ method: sample.method, ...each }) === keyOf(sample))?.unit ??
  ''
const points = (nodes: string[]) => nodes.map(node => point(node, sheet.value)).join(' – ')
const least = computed(
  () => Math.round((outcome.value?.path.reduce((sum, step) => sum + step.minutes, 0) ?? 0) * 10) / 10,
)
</script>

<template>
  <main class="page">
    <header><h1>Test</h1><TestTabs /></header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <section v-if="none || outcome || !training" class="start">
      <template v-if="!outcome"><h2>Find the fault</h2>
        <p>You get a cable of this installation with one fault hidden in it. Read it with any method; each takes its
          time. One end may be opened. When you know, name the cause.</p>
      </template>
      <form @submit.prevent="start"><v-text-field
        v-model="cable"
        label="Cable, or leave it to chance"
        placeholder="its code" /><v-btn
          type="submit"
          color="primary"
          :loading="busy">{{ outcome ? 'Another one' : 'Start' }}</v-btn></form>
    </section>
    <div v-if="training?.exercise" class="body">
      <section class="work" aria-label="Readings">
        <p><b class="mono">{{ sheet.run.code }}</b> {{ sheet.run.cable }}, {{ sheet.run.endA }} – {{ sheet.run.endB }} ·
          <b>{{ training.exercise.minutes }}</b> min spent · ends opened: <b>{{ training.exercise.opened }}</b> of
          {{ training.exercise.budget }}</p>
        <p class="methods" role="group" aria-label="Read with"><v-btn
          v-for="method in training.methods"
          :key="method.id"
          size="small"
          :variant="shown === method.id ? 'flat' : 'outlined'"
          color="primary"
          :disabled="busy || (training.exercise.over && !readings[method.id])"
          @click="read(method.id)">{{ method.words }}<small>{{ readings[method.id] ? ' read'
            : ` ${method.minutes} min` }}</small>
        </v-btn></p>
        <p v-if="!lines.length" class="quiet">Nothing read yet. Start with the map.</p>
        <table v-else class="lines"><thead><tr><th>Between</th><th>Reads</th><th /></tr></thead><tbody><tr
          v-for="sample in lines"
          :key="sample.at + (sample.state ?? '')"
          :class="{ bad: sample.wrong }">
          <td class="mono">{{ places(sample) }}{{ sample.state
            ? `, ${sheet.states.find(each => each.id === sample.state)?.name}` : '' }}</td>
          <td class="mono">{{ said(sample.value, unit(sample), sheet, sheet.cards[sample.method]?.beyond) }}</td>
          <td>{{ sample.wrong ? 'not as planned' : '' }}</td></tr></tbody></table>
      </section>
      <aside>
        <template v-if="outcome">
          <p class="big" :class="outcome.right ? 'passes' : 'fails'">{{ outcome.right ? 'Found' : 'Not this one' }}</p>
          <p v-if="outcome.right && !outcome.exact">It was “{{ outcome.was }}”; no reading tells it from what you
            named.</p>
          <p v-else-if="!outcome.right">You named “{{ outcome.named }}”. It was: <b>{{ outcome.was }}.</b>
            {{ outcome.consequence }}</p>
          <p v-else><b>{{ outcome.was }}.</b> {{ outcome.consequence }}</p>
          <p>You took {{ outcome.minutes }} min and opened {{ outcome.opened }}. The short way takes {{ least }}:</p>
          <ol aria-label="The short way"><li
            v-for="(step, i) in outcome.path"
            :key="i">{{ step.words }}<template v-if="step.nodes.length"> <span
              class="mono">{{ points(step.nodes) }}</span></template>
            <small class="quiet">{{ step.left ? `${step.left} ${step.left === 1 ? 'cause is' : 'causes are'} left`
              : 'shows nothing' }} · {{ step.minutes }} min</small>
          </li></ol>
        </template>
        <template v-else>
          <h2>Name the cause</h2>
          <v-text-field v-model="words" label="Search: open, swapped, contact 2 …" clearable />
          <ul class="choices" role="listbox" aria-label="Causes"><li v-for="each in choices" :key="each.key"><button
            type="button"
            role="option"
            :aria-selected="guess?.key === each.key"
            @click="guess = each">{{ each.words }}</button></li></ul>
          <v-btn color="primary" :disabled="!guess" :loading="busy" @click="name">That is it</v-btn>
        </template>
      </aside>
    </div>
  </main>
</template>

<style scoped>
.page {
  height: 100%;
  overflow: auto;
  display: flex;
  flex-direction: column;
}
header {
  display: flex;
  align-items: center;
  gap: 14px;
  padding: 8px 16px;
  border-bottom: 1px solid var(--line);
  flex-wrap: wrap;
}
.start {
  padding: 14px 18px 12px;
  max-width: 640px;
}
.start form {
  display: flex;
  gap: 10px;
  align-items: center;
}
.body {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 360px;
  flex: 1;
  min-height: 0;
  border-top: 1px solid var(--line);
}
.work {
  padding: 8px 18px;
  overflow: auto;
}
.methods {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.methods small {
  margin-left: 6px;
  font-weight: 400;
}
.methods :deep(.v-btn) {
  height: auto;
  min-height: 28px;
  max-width: 100%;
}
.methods :deep(.v-btn__content) {
  white-space: normal;
  text-align: left;
}
aside {
  border-left: 1px solid var(--line);
  background: var(--surface);
  padding: 12px 16px;
  overflow: auto;
  display: grid;
  gap: 8px;
  align-content: start;
}
aside p {
  margin: 0;
}
.big {
  font-size: 24px;
  font-weight: 700;
}
.fails {
  color: var(--flux);
}
.passes {
  color: var(--verdigris);
}
tr.bad td {
  background: var(--bad);
}
tr.bad td:last-child {
  color: var(--flux);
  font-weight: 600;
}
.choices {
  list-style: none;
  margin: 0;
  padding: 0;
  max-height: 46vh;
  overflow: auto;
  font-size: 13px;
}
.choices button {
  all: unset;
  cursor: pointer;
  display: block;
  width: 100%;
  box-sizing: border-box;
  padding: 5px 6px;
  border-bottom: 1px solid var(--line);
}
.choices button[aria-selected='true'] {
  background: var(--chosen);
  box-shadow: inset 3px 0 var(--copper);
}
.choices button:focus-visible {
  outline: 2px solid var(--copper);
}
ol {
  margin: 0;
  padding-left: 20px;
  font-size: 13px;
}
small {
  display: block;
}
.methods small {
  display: inline;
}
@media (max-width: 800px) {
  .methods :deep(.v-btn) {
    min-height: 40px;
  }
  .body {
    display: block;
  }
  aside {
    border-left: 0;
    border-top: 1px solid var(--line);
  }
}
</style>
