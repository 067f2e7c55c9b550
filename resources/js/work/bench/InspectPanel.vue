<script setup lang="ts">
import { computed, ref } from 'vue'
import { api } from '../../api/client'
import type { Remedy, ReworkPlan } from '../../api/bench'
import { useAttempt } from '../../ui/attempt'
import type { Place, useJob } from './useJob'

/** What is looked for before the connector is closed; each find with what becomes of it. */
const props = defineProps<{ ids: string; place: Place; bench: ReturnType<typeof useJob> }>()
const found = ref<Record<string, Remedy>>({})
const joint = ref('')
const plan = ref<ReworkPlan | null>(null)
const { problem, busy, attempt } = useAttempt()
const WORDS: Record<Remedy, string> = {
  accept: 'leave it, noted',
  rework: 'put it right now',
  remake: 'make the end again',
}
const flaws = computed(() => props.place.step.flaws ?? [])
const joints = computed(() =>
  props.bench.places.value.filter(
    each => each.step.task === 'join' && each.piece.fitting === props.place.piece.fitting,
  ),
)
const worst = computed<Remedy>(() =>
  Object.values(found.value).includes('remake')
    ? 'remake'
    : Object.values(found.value).includes('rework')
      ? 'rework'
      : 'accept',
)
/** What is put right, of all that was found. */
const bad = computed(() =>
  Object.keys(found.value)
    .filter(id => found.value[id] !== 'accept')
    .join('|'),
)
const scraps = (of: ReworkPlan['scraps']) =>
  Object.entries(of)
    .map(([part, count]) => `${count} × ${part}`)
    .join(', ')
const words = computed(() =>
  flaws.value
    .filter(flaw => found.value[flaw.id])
    .map(flaw => `${flaw.words}: ${WORDS[found.value[flaw.id]!]}`)
    .join('; '),
)
function toggle(id: string, usual: Remedy) {
  const rest = { ...found.value }
  if (rest[id]) delete rest[id]
  else rest[id] = usual
  found.value = rest
  plan.value = null
}
const look = () =>
  attempt(async () => {
    const step = encodeURIComponent(props.place.piece.id)
    const at = encodeURIComponent(worst.value === 'rework' ? joint.value : '')
    plan.value = await api.get(
      `bench/${props.ids}/rework?step=${step}&remedy=${worst.value}&joint=${at}&found=${encodeURIComponent(bad.value)}`,
    )
  })
function good() {
  props.bench.confirm(props.place, words.value, found.value)
}
function sendBack() {
  if (!plan.value) return
  props.bench.record({
    kind: 'reworked',
    run: props.place.piece.run,
    step: props.place.piece.id,
    note: words.value,
    flaws: found.value,
    remedy: worst.value,
    joint: worst.value === 'rework' ? joint.value : '',
    found: bad.value,
  })
  const again = plan.value.reopens[0] ?? ''
  plan.value = null
  found.value = {}
  window.setTimeout(async () => {
    await props.bench.refresh()
    props.bench.go(again)
  }, 500)
}
</script>

<template>
  <div class="look">
    <ul>
      <li v-for="flaw in flaws" :key="flaw.id" :class="{ found: found[flaw.id] }">
        <label><input
          type="checkbox"
          :checked="!!found[flaw.id]"
          @change="toggle(flaw.id, flaw.usual)"><span>{{ flaw.words }}
            <small class="quiet">{{ flaw.why }}</small>
            <small v-if="flaw.seen" class="seen">here at {{ flaw.seen.found }} of {{ flaw.seen.of }} ends</small></span>
        </label>
        <span v-if="found[flaw.id]" class="verdict">
          <select
            v-model="found[flaw.id]"
            :aria-label="`What becomes of it: ${flaw.words}`"
            @change="plan = null"><option
              v-for="(text, remedy) in WORDS"
              :key="remedy"
              :value="remedy">{{ text }}</option></select></span>
      </li>
    </ul>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <p v-if="worst === 'rework' && joints.length > 1"><label>Which joint <select
      v-model="joint"
      @change="plan = null"><option value="">all of this connector</option><option
        v-for="each in joints"
        :key="each.piece.id"
        :value="each.piece.id">{{ each.piece.address || 'shell' }} {{ each.piece.cores?.[0]?.function }}</option>
    </select>
    </label></p>
    <div v-if="plan" class="note check"><strong>{{ plan.words }}</strong>
      {{ plan.reopens.length }} {{ plan.reopens.length === 1 ? 'operation is' : 'operations are' }} open again, from
      “{{ plan.names[0] }}” on.
      <template v-if="plan.survives.length">It goes on with {{ plan.survives.join(' and ') }}.</template>
      <template v-if="Object.keys(plan.scraps).length"> Thrown away: {{ scraps(plan.scraps) }};
        the parts list counts them.</template>
    </div>
    <p class="acts">
      <v-btn
        v-if="worst === 'accept'"
        size="large"
        color="primary"
        @click="good">{{ words ? 'Close it as it is, noted' : 'All of it is good' }}</v-btn>
      <v-btn v-else-if="!plan" size="large" color="primary" :loading="busy" @click="look">What does that take?</v-btn>
      <v-btn v-else size="large" color="primary" @click="sendBack">Send it back</v-btn>
    </p>
  </div>
</template>

<style scoped>
.seen {
  display: block;
  color: var(--flux);
}
ul {
  list-style: none;
  padding: 0;
  margin: 12px 0;
  font-size: 17px;
}
li {
  padding: 5px 8px;
  border-bottom: 1px solid var(--line);
}
li.found {
  background: var(--warn);
}
label {
  display: inline-flex;
  gap: 10px;
  align-items: center;
  min-height: 28px;
}
input {
  width: 18px;
  height: 18px;
}
.verdict {
  display: flex;
  gap: 12px;
  align-items: center;
  margin-left: 28px;
  flex-wrap: wrap;
  font-size: 14px;
}
select {
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 4px 8px;
  background: var(--surface);
  color: inherit;
  font: inherit;
}
.acts {
  margin: 14px 0;
}
</style>
