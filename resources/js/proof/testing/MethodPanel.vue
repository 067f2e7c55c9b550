<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { MethodCard, PlannedTest, Question, Sample, TestSheet, Value } from '../../api/test'
import FigureSum from '../../ui/FigureSum.vue'
import { inFigures } from '../../ui/units'
import { agrees, keyOf } from './provisional'
import { point, said } from './reading'
import UnpluggedNote from './UnpluggedNote.vue'
import { useLines } from './useLines'

/** Questions of a method one after the other, each with what should be read. */
const props = defineProps<{
  sheet: TestSheet
  method: string
  planned?: PlannedTest
  samples: Map<string, Sample>
  sought?: string
}>()
const emit = defineEmits<{ answer: [at: string, state: string, value: Value | null, declared: boolean] }>()

const card = computed<MethodCard>(() => props.sheet.cards[props.method] ?? { beyond: 'open' })
const questions = computed<Question[]>(() => props.sheet.methods[props.method] ?? [])
const words = computed(() => (card.value.opens ? undefined : card.value.answers))
/** Nobody touches every point against every other by hand. */
const byInstrument = computed(() => card.value.byInstrument ?? false)
const eyes = computed(() => card.value.opens ?? false)
/** Colours that can sit on a contact of this end. */
const colours = computed(() => [
  ...new Set(questions.value.flatMap(each => (Array.isArray(each.expected) ? each.expected : []))),
  ...(card.value.answers ?? []),
])
const { at, entry, wrong, go, next, first } = useLines(
  () => questions.value.length,
  i => read(questions.value[i]!) !== undefined,
  'question',
)
const current = computed(() => questions.value[at.value])
const read = (question: Question) => props.samples.get(keyOf({ method: props.method, ...question }))
const name = (question: Question) =>
  question.nodes.map(node => point(node, props.sheet)).join(' – ') + (question.asks ? `, ${question.asks}` : '')
const unit = (question: Question) => question.unit ?? ''
const should = (question: Question) =>
  card.value.should
    ? card.value.should
    : question.figure
      ? inFigures(question.figure.text)
      : said(question.expected, unit(question), props.sheet, card.value.beyond)
const state = (question: Question) => {
  const sample = read(question)
  return !sample ? 'open' : agrees(card.value, question.expected, sample.value) ? 'good' : 'bad'
}
const unplugged = defineModel<boolean>('unplugged', { required: true })
const held = computed(() => card.value.unplugged === true && !unplugged.value)
const licensed = computed(() => props.planned?.licensed ?? false)
const help = computed(() => {
  if (words.value || eyes.value) return 'Press what you find.'
  const alone = licensed.value ? '' : ' Enter alone declares it good: it is written down as said, not as measured.'
  return `A number in ${current.value ? unit(current.value) : ''}; o for open.${alone}`
})
const done = computed(() => questions.value.filter(read).length)

function set(value: Value, declared = false) {
  if (!current.value) return
  emit('answer', current.value.at, current.value.state ?? '', value, declared)
  next()
}
function enter() {
  if (!current.value) return
  const text = entry.value.trim().toLowerCase().replace(',', '.')
  if (text === '' && licensed.value) {
    wrong.value = 'What mains needs is measured, never declared. Write the reading.'
    return
  }
  if (text === '') {
    set(current.value.expected, true)
    return
  }
  if (['o', 'open', 'ol', '∞', '>'].includes(text)) {
    set('open')
    return
  }
  const number = Number(text.replace(/[^0-9.eE+-]/g, ''))
  if (!Number.isFinite(number) || number < 0) {
    wrong.value = `"${entry.value}" is no reading. Write a number in ${unit(current.value)}, or o for open.`
    return
  }
  set(number)
}
/** All that was not read is said to be as expected, and written down as said. */
function declareRest() {
  for (const question of questions.value)
    if (!read(question)) emit('answer', question.at, question.state ?? '', question.expected, true)
}
const picked = ref<string[]>([])
watch(
  current,
  question => {
    picked.value =
      question && Array.isArray(question.expected)
        ? [...((read(question)?.value as string[] | undefined) ?? question.expected)]
        : []
  },
  { immediate: true },
)
/** The one that was asked for, else the first that is open. */
watch(
  [() => props.method, () => props.sought],
  () => {
    const asked = questions.value.findIndex(question => question.at === props.sought)
    if (asked >= 0) go(asked)
    else first()
  },
  { immediate: true },
)
</script>

<template>
  <div class="method">
    <p
      v-if="planned"
      class="quiet why">{{ planned.why ? `${planned.why[0]!.toUpperCase()}${planned.why.slice(1)}. ` : '' }}Good:
      {{ planned.limit }}.</p>
    <p v-if="questions.length === 0" class="quiet">Nothing of this cable can be asked that.</p>
    <p v-if="byInstrument" class="quiet">A loom tester reads this by itself: choose one and let it read.</p>
    <UnpluggedNote v-if="card.unplugged && questions.length" v-model="unplugged" />
    <form v-if="current && !byInstrument && !held" class="entry" @submit.prevent="enter">
      <label for="reading"><b class="mono">{{ name(current) }}</b>: should be <b class="mono">{{ should(current) }}</b>
      </label>
      <div class="keys">
        <template v-if="words"><v-btn
          v-for="word in words"
          :key="word"
          :variant="word === current.expected ? 'flat' : 'outlined'"
          color="primary"
          @click="set(word)">{{ word }}</v-btn></template>
        <template v-else-if="eyes">
          <v-btn color="primary" @click="set([...(current.expected as string[])])">As expected</v-btn>
          <v-select
            v-model="picked"
            :items="colours"
            label="Sits there instead"
            multiple
            chips
            density="compact"
            class="colours" /><v-btn variant="outlined" color="primary" @click="set([...picked].sort())">Enter</v-btn>
        </template>
        <template v-else>
          <input
            id="reading"
            v-model="entry"
            class="mono"
            autocomplete="off"
            inputmode="decimal"
            :placeholder="`reading, ${unit(current)}`"
            :aria-invalid="wrong !== ''"
            aria-describedby="reading-help"
            @keydown.down.prevent="go(at + 1)"
            @keydown.up.prevent="go(at - 1)"
            @input="wrong = ''">
          <v-btn
            type="submit"
            color="primary">{{ entry.trim() === '' && !licensed ? 'Declare it good' : 'Enter' }}</v-btn>
          <v-btn variant="outlined" color="primary" @click="set('open')">Open</v-btn>
        </template>
      </div>
      <p
        id="reading-help"
        class="quiet"
        :class="{ bad: wrong }">{{ wrong || help }}</p>
    </form>
    <table v-if="questions.length" class="lines">
      <thead><tr><th>Between</th><th>Should be</th><th>Reads</th><th>{{ done }} of {{ questions.length }} <button
        v-if="done < questions.length && !licensed && !byInstrument && !held"
        type="button"
        @click="declareRest">declare the rest</button></th></tr></thead>
      <tbody>
        <tr
          v-for="(question, i) in questions"
          :id="`question-${i}`"
          :key="question.at + (question.state ?? '')"
          :class="[state(question), { at: i === at }]"
          @click="go(i)">
          <td class="mono">{{ name(question) }}</td>
          <td class="mono"><FigureSum
            v-if="question.figure"
            :figure="question.figure"
            @click.stop /><template v-else>{{ should(question) }}</template></td>
          <td class="mono">{{ read(question) ? said(read(question)!.value, unit(question), sheet, card.beyond)
            : '' }}</td>
          <td>{{ { open: '', good: read(question)?.declared ? 'declared' : 'as expected',
                   bad: 'wrong' }[state(question)] }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.why {
  margin: 0 0 4px;
  font-size: 13px;
}
.entry {
  padding: 8px 0;
  position: sticky;
  top: -12px;
  background: var(--paper);
  z-index: 1;
}
.keys {
  display: flex;
  gap: 8px;
  margin-top: 5px;
  flex-wrap: wrap;
  align-items: center;
}
.colours {
  min-width: 220px;
  flex: 1;
}
input {
  flex: 1;
  min-width: 120px;
  border: 1px solid var(--ink);
  border-radius: 4px;
  padding: 7px 10px;
  background: var(--surface);
  font-size: 16px;
  color: var(--ink);
}
.entry p {
  margin: 4px 0 0;
  font-size: 12.5px;
}
.entry .bad {
  color: var(--flux);
}
th button {
  all: unset;
  cursor: pointer;
  color: var(--verdigris);
  text-decoration: underline;
  font-weight: 400;
  margin-left: 8px;
}
th button:focus-visible {
  outline: 2px solid var(--copper);
}
tr {
  cursor: pointer;
}
tr.bad td {
  background: var(--bad);
}
tr.bad td:last-child {
  color: var(--flux);
  font-weight: 600;
}
tr.good td:last-child {
  color: var(--verdigris);
}
tr.at td {
  box-shadow:
    inset 0 2px var(--copper),
    inset 0 -2px var(--copper);
}
@media (max-width: 800px) {
  .entry {
    top: 48px;
  }
  .keys :deep(.v-btn) {
    min-height: 44px;
  }
  input {
    min-height: 44px;
  }
  tr td {
    padding-block: 9px;
  }
}
</style>
