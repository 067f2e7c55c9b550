<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import type { Answer } from '../api/answers'
import { api, ApiError } from '../api/client'
import { useErrand } from '../api/errand'
import { keptOf, visit } from '../api/page'
import type { InstallationRef, RowProblem } from '../api/types'
import { useAttempt } from '../ui/attempt'
import ErrandBar from '../ui/ErrandBar.vue'
import { wrongIn } from '../ui/wrong'
import WrongTable from '../ui/WrongTable.vue'

/** The next installation: from nothing, a sample, another one, a table of cables or a file. */
const props = defineProps<{ own: InstallationRef[] }>()
const { problem, busy, attempt } = useAttempt()
const samples = ref<Answer<'installations', 'get'>['samples']>([])
onMounted(() =>
  attempt(async () => {
    samples.value = (await api.get('installations')).samples
  }),
)
type From = 'empty' | 'sample' | 'another' | 'table' | 'file'
const FROM = computed(() =>
  [
    { key: 'empty', words: 'nothing: house rules as they ship, and a guide from the first place to the first test' },
    { key: 'sample', words: 'a sample, to try things on' },
    { key: 'table', words: 'a table of cables that you have, as a spreadsheet' },
    { key: 'another', words: 'another of yours: its rules, its building or its cables' },
    { key: 'file', words: 'an installation file, with all that was decided and done' },
  ].filter(each => each.key !== 'another' || props.own.length > 0),
)
const from = ref<From>('empty')
const sample = ref('')
const another = ref('')
const name = ref('')
const chosen = computed(() => samples.value.find(each => each.id === sample.value))
/** What it is called until somebody calls it something else. */
const called = computed(() => name.value.trim() || (from.value === 'sample' ? (chosen.value?.name ?? '') : ''))
const file = ref<File | null>(null)
const crew = ref(true)
const ready = computed(() => {
  if (from.value === 'file') return file.value !== null
  if (from.value === 'another') return another.value !== ''
  return called.value !== '' && (from.value !== 'sample' || chosen.value !== undefined)
})

const wrong = ref<RowProblem[]>([])
const { errand, calledOff, follow, callOff } = useErrand(
  'arrival',
  told =>
    attempt(async () => {
      if (told.state === 'done') visit({ address: String(told.result.address) })
      if (told.state !== 'failed') return
      wrong.value = wrongIn(new ApiError(422, told.problem, { problems: told.problems }))
      throw new ApiError(422, told.problem, {})
    }),
  'arrivals',
)
async function arrive() {
  const form = new FormData()
  form.set('file', file.value!)
  form.set('crew', crew.value ? '1' : '0')
  await follow(await api.post('arrivals', form))
}
async function begin() {
  const of = from.value === 'sample' ? 'sample' : 'empty'
  const begun = { begin: of, sample: of === 'sample' ? sample.value : '', name: called.value }
  const made = await api.post('installations', begun)
  if (from.value === 'table') return visit(made, '/schedule?make=table')
  if (from.value === 'empty') localStorage.setItem(keptOf(made.address, 'guide'), 'true')
  visit(made)
}
const make = () =>
  attempt(async () => {
    wrong.value = []
    if (from.value === 'file') await arrive()
    else if (from.value === 'another') visit({ address: another.value }, '/schedule?next=1')
    else await begin()
  })
</script>

<template>
  <form aria-label="Begin an installation" @submit.prevent="make">
    <h2>Begin another</h2>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <div
      v-if="wrong.length"
      class="wrong"
      tabindex="0"
      role="region"
      aria-label="In the file"><WrongTable :problems="wrong" /></div>
    <fieldset>
      <legend>From</legend>
      <template v-for="each in FROM" :key="each.key">
        <label><input v-model="from" type="radio" :value="each.key"> <span>{{ each.words }}</span></label>
        <fieldset v-if="each.key === 'sample' && from === 'sample'" class="samples">
          <legend class="visually-hidden">Which sample</legend>
          <label v-for="one in samples" :key="one.id"><input v-model="sample" type="radio" :value="one.id">
            <span><b>{{ one.name }}</b><small class="quiet">{{ one.words }}</small></span></label>
        </fieldset>
      </template>
    </fieldset>
    <label v-if="from === 'another'" class="another">Which of yours
      <select v-model="another"><option value="" disabled>choose one</option><option
        v-for="each in own"
        :key="each.address"
        :value="each.address">{{ each.name }}</option></select></label>
    <template v-if="from === 'file'">
      <v-file-input v-model="file" label="An installation file (.json)" accept=".json,application/json" />
      <label><input v-model="crew" type="checkbox"> its people become the crew, as what the file says; without, its
        record knows them and you are alone</label>
    </template>
    <v-text-field
      v-else-if="from !== 'another'"
      v-model="name"
      label="Name"
      maxlength="120"
      :placeholder="called"
      persistent-placeholder />
    <v-btn type="submit" color="primary" :loading="busy" :disabled="errand !== null || !ready">{{ from === 'another'
      ? 'Open it, and choose what comes along' : 'Begin it, and open it' }}</v-btn>
    <ErrandBar
      v-if="errand"
      :errand="errand"
      :called-off="calledOff"
      of="the file"
      @call-off="attempt(callOff)" />
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
  justify-items: start;
  margin-top: 20px;
  max-width: 560px;
}
form > .v-input {
  width: 100%;
}
fieldset {
  border: 0;
  padding: 0;
  display: grid;
  gap: 8px;
}
legend {
  font-size: 12.5px;
  color: var(--slate);
  padding-bottom: 4px;
}
.samples {
  border-left: 2px solid var(--copper);
  margin-left: 8px;
  padding-left: 14px;
}
fieldset label {
  display: flex;
  gap: 8px;
  align-items: baseline;
}
.samples b,
.samples small {
  display: block;
}
select {
  display: block;
  margin-top: 4px;
  padding: 8px 10px;
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--surface);
  color: inherit;
  font: inherit;
}
.wrong {
  max-height: 40vh;
  max-width: 100%;
  overflow: auto;
}
</style>
