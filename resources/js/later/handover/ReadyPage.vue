<script setup lang="ts">
import type { Schemas } from '../../api/types'
import { onMounted, ref } from 'vue'
import { api } from '../../api/client'
import { useAttempt } from '../../ui/attempt'
import { inWords } from '../../ui/units'
import { late } from '../../ui/late'
import HandoverFrame from './HandoverFrame.vue'

const FirstSteps = late(() => import('../../ui/FirstSteps.vue'))

type Ready = Schemas['HandoverPage']

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
      <section v-for="group in ready.groups" :key="group.kind" :aria-label="group.words">
        <h2><b class="mono">{{ group.gaps.length }}</b> {{ group.words }}</h2>
        <ul>
          <li
            v-for="(gap, i) in group.gaps.slice(0, more === group.kind ? undefined : SHOWN)"
            :key="i"><router-link :to="gap.path"><b class="mono">{{ gap.code }}</b>
              <span v-if="gap.words"> {{ inWords(gap.words) }}</span></router-link></li>
          <li v-if="group.gaps.length > SHOWN && more !== group.kind"><button
            type="button"
            @click="more = group.kind">and {{ group.gaps.length - SHOWN }} more</button></li>
        </ul>
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
