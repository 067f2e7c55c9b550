<script setup lang="ts">
import type { Schemas } from '../../api/types'
import { computed, nextTick, onMounted, ref } from 'vue'
import { api } from '../../api/client'
import { useAttempt } from '../../ui/attempt'
import { inWords } from '../../ui/units'
import { alike } from '../../ui/alike'
import { late } from '../../ui/late'
import GapMatrix from './GapMatrix.vue'
import HandoverFrame from './HandoverFrame.vue'

const FirstSteps = late(() => import('../../ui/FirstSteps.vue'))

type Ready = Schemas['HandoverPage']
type Gap = Ready['groups'][number]['gaps'][number]

/** What is missing before anybody signs, each with the way to where it is mended. */
const { problem, attempt } = useAttempt()
const ready = ref<Ready | null>(null)
onMounted(() =>
  attempt(async () => {
    ready.value = await api.get('handover')
  }),
)
const SHOWN = 24
const more = ref('')
/** Of one loom, where it was pressed; null: of all of them, and of what is no cable. */
const loom = ref<string | null>(null)
const groups = computed(() =>
  (ready.value?.groups ?? [])
    .map(group => ({ ...group, gaps: group.gaps.filter(gap => loom.value === null || gap.loom === loom.value) }))
    .filter(group => group.gaps.length > 0),
)
async function look(kind: string) {
  await nextTick()
  const heading = document.getElementById(`missing-${kind}`)
  heading?.focus()
  heading?.scrollIntoView({ block: 'center' })
}
/** What is no cable is called by what it is: the sentence beside it has its name. */
const called = (gap: Gap) => /^([a-z-]+):/.exec(gap.code)?.[1] ?? gap.code
/** The same sentence is read once, however many cables it is about. */
const folded = (gaps: Gap[]) =>
  alike(
    gaps,
    gap => gap.words,
    gap => [gap.code],
  )
</script>

<template>
  <HandoverFrame :problem="problem" :loading="ready === null && !problem">
    <template v-if="ready">
      <FirstSteps
        v-if="ready.runs === 0"
        why="There is nothing to hand over yet: it would be a list of no cables." />
      <p
        v-else-if="ready.ready"
        class="note good">
        <strong>Ready to be signed</strong>Every cable is made, in place, tested there and as it was released.
        <router-link to="/handover/pack">Make the pack</router-link>
      </p>
      <p
        v-else
        class="sum">
        <b class="mono">{{ ready.clear }}</b> of <b class="mono">{{ ready.runs }}</b> cables are clear. What is missing
        may be handed over as an exception: the pack lists it.</p>
      <GapMatrix v-model="loom" :groups="ready.groups" @look="look" />
      <p v-if="loom !== null" class="sum only">Of <b>{{ loom || 'single runs' }}</b> alone.
        <v-btn size="small" variant="text" @click="loom = null">Of all</v-btn></p>
      <section v-for="group in groups" :key="group.kind" :aria-label="group.words">
        <h2
          :id="`missing-${group.kind}`"
          tabindex="-1"><b class="mono">{{ group.gaps.length }}</b> {{ group.words }}</h2>
        <div v-for="(said, i) in folded(group.gaps)" :key="i" class="said">
          <p v-if="said.of.length > 1 && said.words" class="words">
            <b class="mono">{{ said.of.length }}</b> {{ inWords(said.words) }}</p>
          <ul>
            <li
              v-for="(gap, j) in said.of.slice(0, more === group.kind + i ? undefined : SHOWN)"
              :key="j"><router-link :to="gap.path"><b class="mono">{{ called(gap) }}</b>
                <span v-if="said.of.length === 1 && gap.words"> {{ inWords(gap.words) }}</span></router-link></li>
            <li v-if="said.of.length > SHOWN && more !== group.kind + i"><button
              type="button"
              @click="more = group.kind + i">and {{ said.of.length - SHOWN }} more</button></li>
          </ul>
        </div>
      </section>
    </template>
  </HandoverFrame>
</template>

<style scoped>
.sum {
  margin: 0;
  font-size: 15px;
}
h2 {
  margin: 2px 0 4px;
  font-size: 14.5px;
}
.said {
  margin: 0 0 8px;
}
.words {
  margin: 0 0 3px;
  font-size: 13.5px;
}
ul {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 6px;
  list-style: none;
  padding: 0;
  margin: 0;
}
li a,
li button {
  display: inline-block;
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--surface);
  color: var(--ink);
  padding: 5px 9px;
  text-decoration: none;
  font: inherit;
  font-size: 13px;
  cursor: pointer;
}
li a:hover,
li button:hover {
  border-color: var(--verdigris);
}
li a span {
  color: var(--slate);
  margin-left: 7px;
}
</style>
