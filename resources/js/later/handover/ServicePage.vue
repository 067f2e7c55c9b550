<script setup lang="ts">
import type { Answer } from '../../api/answers'
import type { Schemas } from '../../api/types'
import { useDebounceFn } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '../../api/client'
import { useSession } from '../../api/session'
import { useAttempt } from '../../ui/attempt'
import { when } from '../../ui/dates'
import HandoverFrame from './HandoverFrame.vue'
import { useLatest } from '../../ui/latest'

type Fault = Service['faults'][number]
type Service = Schemas['ServicePage']
type Found = Schemas['CircuitsFound']['circuits'][number]
type Trace = Answer<`service/circuits/${string}`, 'get'>

/** After hand-over: where a circuit runs, what went wrong, what is due. */
const session = useSession()
const { problem, said, busy, attempt } = useAttempt()
const service = ref<Service | null>(null)
const read = async () => {
  service.value = await api.get('service')
}
onMounted(() => attempt(read))

const words = ref('')
const found = ref<Found[]>([])
const trace = ref<Trace | null>(null)
const { latest, forget } = useLatest()
const look = useDebounceFn(async () => {
  forget()
  if (!words.value.trim()) {
    found.value = []
    return
  }
  const asked = api.get(`service/circuits?q=${encodeURIComponent(words.value)}`)
  await attempt(() =>
    latest(asked, answer => {
      found.value = answer.circuits
    }),
  )
}, 200)
watch(words, look)
const follow = (circuit: Found) =>
  attempt(async () => {
    trace.value = await api.get(`service/circuits/${encodeURIComponent(circuit.id)}`)
    found.value = []
    words.value = ''
  })
// Found by its name from anywhere.
const route = useRoute()
watch(
  () => route.query.circuit,
  id => {
    if (typeof id === 'string') void follow({ id, name: '', about: '' })
  },
  { immediate: true },
)
const back = ref(false)
const steps = computed(() => (back.value ? [...(trace.value?.steps ?? [])].reverse() : (trace.value?.steps ?? [])))
const runs = computed(() => [
  ...new Map(
    (trace.value?.steps ?? []).filter(step => step.kind === 'run').map(step => [step.run, step.name]),
  ).entries(),
])

const at = ref('')
const note = ref('')
const report = () =>
  attempt(async () => {
    await api.post('events', { id: crypto.randomUUID(), kind: 'reported', run: at.value, note: note.value })
    note.value = ''
    at.value = ''
    await read()
  }, 'Reported.')
const mending = ref<Record<string, string>>({})
const repair = (fault: Fault) =>
  attempt(async () => {
    await api.post('events', {
      id: crypto.randomUUID(),
      kind: 'repaired',
      run: fault.run,
      of: fault.id,
      note: mending.value[fault.id] ?? '',
    })
    await read()
  }, 'Repaired: now test it.')
const STATE = { open: 'open', repaired: 'repaired, to be tested', closed: 'closed' }

const months = ref({ all: '0', mains: '0' })
watch(service, now => {
  if (now) months.value = { all: String(now.months.all), mains: String(now.months.mains) }
})
const keep = () =>
  attempt(async () => {
    const { rules, version } = await api.get('instruments')
    await api.put('testing', {
      rules: { ...rules, retestMonths: Number(months.value.all), mainsMonths: Number(months.value.mains) },
      version,
    })
    await read()
  }, 'Saved: due dates go by it.')
const inPlace = (of: { assembly: string }) => `/test/${encodeURIComponent(of.assembly)}?stage=installed`
const due = computed(() => service.value?.retests.filter(each => each.due) ?? [])
const never = computed(() => service.value?.retests.filter(each => !each.due) ?? [])
</script>

<template>
  <HandoverFrame :problem="problem" :said="said" :loading="service === null && !problem">
    <template v-if="service">
      <section aria-label="Follow a circuit">
        <h2>Follow a circuit</h2>
        <v-text-field v-model="words" placeholder="a circuit, a cable, a place" aria-label="Find a circuit" clearable />
        <ul class="found"><li v-for="each in found" :key="each.id"><button
          type="button"
          @click="follow(each)"><b>{{ each.name }}</b> <span class="quiet">{{ each.about }}</span></button></li></ul>
        <div v-if="trace" class="trace">
          <p><b>{{ trace.name }}</b> <span class="quiet">{{ trace.signal }}</span> <button
            type="button"
            class="link"
            @click="back = !back">from the other end</button></p>
          <ol><li
            v-for="(step, i) in steps"
            :key="i"
            :class="step.kind"
            :style="{ marginLeft: `${step.depth * 18}px` }">
            <router-link
              v-if="step.kind === 'run'"
              :to="`/runs/${encodeURIComponent(step.run)}`"
              class="mono">{{ step.name }}</router-link><b v-else>{{ step.name }}</b>
            <span class="quiet"> {{ [step.place, step.contacts.join(', ')].filter(Boolean).join(' · ') }}</span>
          </li></ol>
          <form v-if="runs.length" class="report" @submit.prevent="report">
            <select v-model="at" aria-label="Cable at fault"><option value="">the cable at fault…</option><option
              v-for="[id, name] in runs"
              :key="id"
              :value="id">{{ name }}</option></select>
            <v-text-field v-model="note" label="What is wrong" maxlength="500" /><v-btn
              type="submit"
              color="primary"
              :loading="busy"
              :disabled="!at || !note">Report a fault</v-btn>
          </form>
        </div>
      </section>
      <section aria-label="Faults">
        <h2>Faults</h2>
        <p v-if="service.faults.length === 0" class="quiet">None was reported.</p>
        <article v-for="fault in service.faults" :key="fault.id" :class="fault.state">
          <p><router-link
            :to="`/runs/${encodeURIComponent(fault.run)}`"
            class="mono"><b>{{ fault.code }}</b>
          </router-link> {{ fault.note }} <span class="state">{{ STATE[fault.state] }}</span></p>
          <p class="quiet">reported by {{ fault.reported.who }},
            {{ when(fault.reported.at) }}<template v-if="fault.repaired">; {{ fault.repaired.note }}:
              {{ fault.repaired.who }}, {{ when(fault.repaired.at) }}</template>
            <template v-if="fault.tested">; tested by {{ fault.tested.who }}, {{ when(fault.tested.at) }}</template></p>
          <form
            v-if="fault.state === 'open' && session.can('bench', 'installer', 'tester', 'lead')"
            class="report"
            @submit.prevent="repair(fault)"><v-text-field
              v-model="mending[fault.id]"
              :label="`What was done to ${fault.code}`" /><v-btn
                type="submit"
                size="small"
                color="primary"
                :disabled="busy || !mending[fault.id]">It is repaired</v-btn></form>
          <p v-if="fault.state === 'repaired'">
            <router-link :to="`/test/${encodeURIComponent(fault.run)}?stage=installed`">Test it in place</router-link>
          </p>
        </article>
      </section>
      <section aria-label="Periodic tests">
        <h2>Periodic tests</h2>
        <form v-if="session.plans" class="months" @submit.prevent="keep"><v-text-field
          v-model="months.all"
          type="number"
          min="0"
          max="600"
          label="Months to the next test; 0: none" /><v-text-field
            v-model="months.mains"
            type="number"
            min="0"
            max="600"
            label="Where mains is carried" /><v-btn
              type="submit"
              color="primary"
              variant="outlined"
              :loading="busy">Save</v-btn></form>
        <p class="quiet">Local code may ask for mains to be tested more often, and by whom.</p>
        <table
          v-if="due.length"
          class="lines"><thead><tr><th>Cable</th><th>Last in place</th><th>Due</th><th>Every</th></tr></thead>
          <tbody><tr v-for="each in due" :key="each.assembly" :class="{ overdue: each.overdue }">
            <td><router-link :to="inPlace(each)" class="mono">{{ each.codes }}</router-link> <span
              v-if="each.mains">mains</span></td>
            <td class="mono">{{ each.last }}</td><td class="mono">{{ each.due }}<b v-if="each.overdue"> overdue</b>
            </td><td>{{ each.months }} months</td></tr></tbody></table>
        <p
          v-if="never.length"
          class="quiet">{{ never.length }} more were never tested in place: their time begins with that test.</p>
      </section>
    </template>
  </HandoverFrame>
</template>

<style scoped>
h2 {
  margin: 4px 0 6px;
  font-size: 15.5px;
}
.found {
  list-style: none;
  padding: 0;
  margin: 4px 0;
  max-height: 260px;
  overflow: auto;
}
.found button {
  all: unset;
  cursor: pointer;
  display: block;
  width: 100%;
  padding: 6px 8px;
  border-bottom: 1px solid var(--line);
  box-sizing: border-box;
}
.found button:hover {
  background: var(--chosen);
}
.found button:focus-visible,
.link:focus-visible {
  outline: 2px solid var(--copper);
}
.trace ol {
  list-style: none;
  padding: 0 0 0 10px;
  margin: 4px 0;
  border-left: 2px solid var(--line);
}
.trace li {
  padding: 2px 0 2px 12px;
  position: relative;
}
.trace li::before {
  content: '';
  position: absolute;
  left: -5px;
  top: 9px;
  width: 8px;
  height: 8px;
  border-radius: 50%;
  background: var(--paper);
  border: 1.5px solid var(--quiet);
}
.trace li .quiet {
  margin-left: 8px;
}
.trace li.run::before {
  border-radius: 1px;
  background: var(--copper);
  border-color: var(--copper);
  width: 4px;
  left: -3px;
}
.trace li.port::before {
  background: var(--verdigris);
  border-color: var(--verdigris);
}
.link {
  all: unset;
  cursor: pointer;
  color: var(--verdigris);
  text-decoration: underline;
}
.report,
.months {
  display: flex;
  gap: 10px;
  align-items: center;
  flex-wrap: wrap;
  max-width: 760px;
  margin-top: 6px;
}
.report > .v-input,
.months > .v-input {
  flex: 1;
  min-width: 180px;
}
select {
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 8px;
  background: var(--surface);
  color: inherit;
  font: inherit;
}
article {
  border-top: 1px solid var(--line);
  padding: 6px 0;
}
article p {
  margin: 2px 0;
}
.state {
  font-size: 12px;
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 0 6px;
}
.open .state {
  border-color: var(--flux);
  color: var(--flux);
}
.repaired .state {
  border-color: var(--amber);
  color: var(--amber);
}
.closed .state {
  border-color: var(--verdigris);
  color: var(--verdigris);
}
.overdue b {
  color: var(--flux);
}
</style>
