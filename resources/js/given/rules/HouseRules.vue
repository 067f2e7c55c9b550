<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api } from '../../api/client'
import { useSession } from '../../api/session'
import type { Consequences, Rules, School } from '../../api/types'
import { useAttempt } from '../../ui/attempt'
import ConsequenceList from './ConsequenceList.vue'
import DepartureList from './DepartureList.vue'
import { departing, type Group } from './departures'

/** One page of questions; what an answer would change is shown before it is saved. */
const props = defineProps<{ rules: Rules; schools: School[]; groups: Group[]; version: number }>()
const emit = defineEmits<{ saved: [] }>()
const session = useSession()
const draft = ref<Rules>({ ...props.rules })
const preview = ref<Consequences | null>(null)
const { problem, busy, attempt } = useAttempt()
watch(
  () => props.rules,
  value => {
    draft.value = { ...value }
    preview.value = null
  },
)

const said = (rules: Rules, key: string) =>
  JSON.stringify([String(rules[key] ?? ''), departing(rules, key, props.groups)])
const changed = computed(() =>
  [...new Set([...Object.keys(draft.value), ...props.schools.map(each => each.key)])].filter(
    key => key !== 'departures' && said(draft.value, key) !== said(props.rules, key),
  ),
)
const body = () => ({
  rules: {
    ...draft.value,
    routeAllowance: Number(draft.value.routeAllowance),
    reelMargin: String(draft.value.reelMargin ?? '').trim() || '0 mm',
  },
  version: props.version,
})
let asked = 0
watch(
  draft,
  () => {
    preview.value = null
    if (changed.value.length === 0) return
    const mine = ++asked
    window.setTimeout(() => {
      if (mine === asked) void look()
    }, 400)
  },
  { deep: true },
)

const look = () =>
  attempt(async () => {
    preview.value = await api.post('rules/preview', body())
  })
const save = () =>
  attempt(async () => {
    await api.put('rules', body())
    preview.value = null
    emit('saved')
  })
const words = (school: School, answer: unknown) => school.answers.find(each => each.value === answer)?.words ?? ''
const answer = (school: School) =>
  [
    words(school, draft.value[school.key]),
    ...departing(draft.value, school.key, props.groups).map(each => `${each.name}: ${words(school, each.answer)}`),
  ].join('; ')
</script>

<template>
  <form class="house" @submit.prevent="save">
    <div class="questions">
      <fieldset v-for="school in schools" :key="school.key" :class="{ touched: changed.includes(school.key) }">
        <legend>{{ school.question }}</legend>
        <label v-for="each in school.answers" :key="each.value"><input
          v-model="draft[school.key]"
          type="radio"
          :name="school.key"
          :value="each.value"
          :disabled="!session.plans"><span>{{ each.words }}<span
            v-if="each.value === school.usual"
            class="quiet"> · usual</span></span></label>
        <p class="quiet why">{{ school.reason }}</p>
        <DepartureList
          v-if="school.latitude !== 'house'"
          :rules="draft"
          :school="school"
          :groups="groups"
          :may="session.plans"
          @changed="draft = $event" />
      </fieldset>
      <fieldset :class="{ touched: ['routeAllowance', 'cutStep', 'trimAllowance', 'payOut',
                                    'usable', 'reelMargin'].some(key => changed.includes(key)) }">
        <legend>By how much is a cut longer than its sum?</legend>
        <v-text-field v-model="draft.routeAllowance" label="Route allowance, %" :readonly="!session.plans" />
        <v-text-field v-model="draft.cutStep" label="Cut step, with its unit" :readonly="!session.plans" />
        <v-text-field
          v-model="draft.trimAllowance"
          label="Trim allowance per end, with its unit"
          :readonly="!session.plans" />
        <v-text-field
          v-model="draft.payOut"
          label="Runs made in place are paid out longer by"
          :readonly="!session.plans" />
        <v-text-field
          v-model="draft.usable"
          label="A rest on a reel is worth keeping from"
          :readonly="!session.plans" />
        <v-text-field
          v-model="draft.reelMargin"
          label="Stays on every reel, for a damaged end"
          placeholder="0 mm"
          persistent-placeholder
          :readonly="!session.plans" />
      </fieldset>
    </div>
    <aside v-if="session.plans" class="verdict" aria-live="polite">
      <h2>What this would change</h2>
      <p
        v-if="changed.length === 0"
        class="quiet">Choose another answer, and what follows from it is shown here before anything is saved.</p>
      <ul v-else class="asked"><li
        v-for="school in schools.filter(each => changed.includes(each.key))"
        :key="school.key">{{ school.question }} <b>{{ answer(school) }}</b></li></ul>
      <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
      <v-progress-linear v-if="busy" indeterminate color="primary" aria-label="Working out what changes" />
      <ConsequenceList v-if="preview" :changes="preview" />
      <p v-if="changed.length" class="acts"><v-btn
        type="submit"
        color="primary"
        :disabled="!preview"
        :loading="busy">Save the rules</v-btn><v-btn
          variant="text"
          @click="draft = { ...rules }">Leave as it was</v-btn></p>
    </aside>
  </form>
</template>

<style scoped>
.house {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
  gap: 28px;
  align-items: start;
}
.questions {
  columns: 330px 3;
  column-gap: 24px;
}
fieldset {
  border: 0;
  border-top: 1px solid var(--line);
  padding: 8px 0 10px;
  margin: 0;
  break-inside: avoid;
  display: grid;
  gap: 3px;
}
fieldset.touched {
  border-top: 2px solid var(--copper);
}
legend {
  font-weight: 600;
  font-size: 13.5px;
  padding: 0;
  float: left;
  width: 100%;
}
label {
  display: flex;
  gap: 6px;
  align-items: baseline;
  font-size: 13.5px;
  cursor: pointer;
}
input[type='radio'] {
  accent-color: var(--verdigris);
}
.why {
  font-size: 12.5px;
  margin: 2px 0 0;
}
.v-input {
  margin-top: 6px;
}
.verdict {
  position: sticky;
  top: 12px;
  border-left: 1px solid var(--line);
  padding-left: 20px;
}
.asked {
  padding-left: 18px;
  margin: 0 0 8px;
  font-size: 13px;
}
@media (max-width: 1000px) {
  .house {
    grid-template-columns: minmax(0, 1fr);
  }
  .verdict {
    border: 0;
    padding: 0;
    position: static;
  }
}
</style>
