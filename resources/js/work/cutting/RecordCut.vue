<script setup lang="ts">
import { computed, reactive } from 'vue'
import { api } from '../../api/client'
import type { Assigned, CableCuts, Cut } from '../../api/cutting'
import type { Replanned } from '../../api/looms'
import { useAttempt } from '../../ui/attempt'
import { inWords, length } from '../../ui/units'
import WorkedSum from '../../ui/WorkedSum.vue'

const props = defineProps<{ cut: Cut; assigned: Assigned; cable: CableCuts; records: boolean }>()
const emit = defineEmits<{ recorded: [Replanned | undefined, string] }>()
const { problem, busy, attempt } = useAttempt()
const planned = computed(() => Number.parseFloat(props.cut.length))
const real = computed(() =>
  [...props.cable.assigned.map(each => each.stock), ...props.cable.untouched].filter(stock => stock.kind !== 'to-buy'),
)
const draft = reactive({
  length: length(props.cut.length),
  reel: props.assigned.stock.kind === 'to-buy' ? '' : props.assigned.stock.id,
  from: props.cut.markFrom === null ? '' : String(props.cut.markFrom),
  to: props.cut.markTo === null ? '' : String(props.cut.markTo),
  note: '',
})
const stock = computed(() => real.value.find(each => each.id === draft.reel))
/** What the two marks say, beside what was typed. */
const byMarks = computed(() => {
  if (!stock.value?.marks || draft.from === '' || draft.to === '') return null
  const apart = Math.abs(Number(draft.to) - Number(draft.from))
  return Number.isFinite(apart) ? apart * (stock.value.marks.unit === 'm' ? 1000 : 304.8) : null
})
const id = crypto.randomUUID()

const save = () =>
  attempt(async () => {
    const answer = await api.post('events', {
      id,
      kind: 'cut',
      run: props.cut.run,
      at: new Date().toISOString(),
      on: props.cut.basis,
      ...(draft.note ? { note: draft.note } : {}),
      cut: {
        length: draft.length,
        ...(draft.reel ? { reel: draft.reel } : {}),
        ...(draft.from !== '' ? { from: Number(draft.from) } : {}),
        ...(draft.to !== '' ? { to: Number(draft.to) } : {}),
      },
    })
    emit('recorded', answer.replanned, props.cut.code)
  })
</script>

<template>
  <section class="record">
    <h1><span class="mono">{{ cut.code }}</span> {{ length(cut.length) }}</h1>
    <p class="quiet">{{ cable.name }} · {{ cut.from }} to {{ cut.to }}<template v-if="cut.loom"> ·
      {{ cut.loom }}</template>
      <template v-if="cut.build === 'site'"> · made in place, paid out long</template></p>
    <p>Off <b class="mono">{{ inWords(assigned.stock.name) }}</b>
      <template v-if="cut.markFrom !== null">: from mark <b class="mono">{{ cut.markFrom.toFixed(1) }}</b> to
        <b class="mono">{{ cut.markTo?.toFixed(1) }}</b> {{ assigned.stock.marks?.unit }}</template>
    </p>
    <details><summary>The sum</summary><WorkedSum :worked="cut.worked" /></details>
    <form v-if="records" @submit.prevent="save">
      <h2>As it was cut</h2>
      <p
        v-if="assigned.stock.kind === 'to-buy'"
        class="note check">This reel is still to be bought. Once it is here, enter it on the shelf: then its cuts are
        recorded against it.</p>
      <v-text-field v-model="draft.length" label="Length, with its unit" />
      <v-select
        v-model="draft.reel"
        label="Off"
        :items="[{ value: '', title: 'no reel named' },
                 ...real.map(each => ({ value: each.id, title: `${each.name}, ${length(each.left)}` }))]" />
      <div v-if="stock?.marks" class="two"><v-text-field
        v-model="draft.from"
        :label="`First mark, ${stock.marks.unit}`"
        inputmode="decimal" /><v-text-field
          v-model="draft.to"
          :label="`Last mark, ${stock.marks.unit}`"
          inputmode="decimal" /></div>
      <p
        v-if="byMarks !== null && Math.abs(byMarks - planned) > 200"
        class="note check">The marks are {{ length(`${byMarks} mm`) }} apart, and {{ length(cut.length) }} is
        planned.</p>
      <v-text-field v-model="draft.note" label="Note" />
      <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
      <p class="quiet small">A piece that is too short counts as a miscut: it is planned again, and the piece is kept
        for another run.</p>
      <p class="acts"><v-btn type="submit" color="primary" :loading="busy">Record the cut</v-btn></p>
    </form>
    <p class="quiet small">Blades: cut away from yourself, and retract the blade before you put it down.</p>
  </section>
</template>

<style scoped>
form {
  display: grid;
  gap: 10px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
.small {
  font-size: 12px;
  margin: 0;
}
.acts {
  margin: 0;
}
h2 {
  margin: 8px 0 0;
}
summary {
  cursor: pointer;
}
</style>
