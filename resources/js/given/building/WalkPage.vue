<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'
import { api } from '../../api/client'
import { useLive } from '../../api/live'
import { useSession } from '../../api/session'
import type { Schemas } from '../../api/types'
import BeingMade from '../../ui/BeingMade.vue'
import { useAttempt } from '../../ui/attempt'
import UndoButton from '../../ui/UndoButton.vue'
import RuleTabs from '../rules/RuleTabs.vue'
import WalkStop from './WalkStop.vue'

/** What is to be measured before cable is cut by it, in the order in which one walks by. */
const session = useSession()
const walk = ref<Schemas['WalkShown'] | null>(null)
const from = ref('')
const { problem, said, attempt } = useAttempt()
const read = async () => {
  walk.value = await api.get(`building/walk${from.value ? `?from=${encodeURIComponent(from.value)}` : ''}`)
}
const load = () => attempt(read)
onMounted(load)
watch(from, load)
useLive(['decided'], 10_000, load)
const may = computed(() => session.can('planner', 'installer', 'lead'))
const places = computed(() => [...(walk.value?.places ?? [])].sort((a, b) => a.name.localeCompare(b.name)))
const cables = (count: number) => (count === 1 ? 'One cable' : `${count} cables`)

async function measured(name: string) {
  await attempt(read, `${name}: measured.`)
}
async function undo(work: () => Promise<string>) {
  let words = ''
  await attempt(async () => {
    words = await work()
    await read()
  })
  if (words) said.value = words
}
</script>

<template>
  <main class="walk">
    <header><h1>Rules</h1><RuleTabs /><span class="space" /><span
      v-if="said"
      role="status"
      class="quiet">{{ said }}</span><UndoButton :said="said" @press="undo" /></header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <BeingMade v-if="!walk && !problem" of="the walk" />
    <div v-if="walk" class="body">
      <p class="back"><router-link to="/rules/building">Building</router-link></p>
      <h2 class="title">To measure, in the order of a walk</h2>
      <p v-if="walk.ways === 0" class="quiet">There are no ways yet.</p>
      <p v-else-if="walk.stops.length === 0" class="note good"><strong>Nothing is left to measure</strong>
        {{ walk.measured }} of {{ walk.ways }} ways are measured, and nothing that is still to be cut lies in the
        others.</p>
      <template v-else>
        <p>{{ cables(walk.waiting) }} still to be cut {{ walk.waiting === 1 ? 'lies' : 'lie' }} in
          {{ walk.stops.length === 1 ? 'a way' : `${walk.stops.length} ways` }} that nobody has measured. Measured are
          {{ walk.measured }} of {{ walk.ways }} ways.</p>
        <p v-if="walk.cut" class="quiet">{{ cables(walk.cut) }} {{ walk.cut === 1 ? 'was' : 'were' }} cut by lengths
          that nobody had measured.</p>
        <p class="begin"><label>Begin at <select v-model="from"><option value="">where most cables wait</option><option
          v-for="place in places"
          :key="place.id"
          :value="place.id">{{ place.name }}</option></select></label></p>
        <ol><WalkStop
          v-for="(stop, i) in walk.stops"
          :key="stop.id"
          :stop="stop"
          :number="i + 1"
          :may="may"
          @measured="measured(stop.name)" /></ol>
        <p class="quiet last">“After 3 m” is how far one walks to a stop, by the ways as they are known now.</p>
      </template>
    </div>
  </main>
</template>

<style scoped>
.walk {
  height: 100%;
  overflow: auto;
}
header {
  display: flex;
  gap: 16px;
  align-items: center;
  padding: 14px 18px;
  border-bottom: 1px solid var(--line);
  flex-wrap: wrap;
}
.space {
  flex: 1;
}
.body {
  padding: 8px 20px 40px;
  max-width: 860px;
}
.back {
  margin: 0;
}
.title {
  font-size: 20px;
  color: var(--ink);
  margin: 6px 0;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
select {
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 8px;
  min-height: 40px;
  background: var(--surface);
  color: var(--ink);
  font: inherit;
}
.last {
  font-size: 13px;
}
@media print {
  .begin,
  header {
    display: none;
  }
  .walk {
    height: auto;
    overflow: visible;
  }
}
</style>
