<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { api } from '../../api/client'
import { useLive } from '../../api/live'
import type { Board } from '../../api/crew'
import BeingMade from '../../ui/BeingMade.vue'
import { useAttempt } from '../../ui/attempt'
import FigureSum from '../../ui/FigureSum.vue'
import CrewTabs from './CrewTabs.vue'
import { late } from '../../ui/late'

const FirstSteps = late(() => import('../../ui/FirstSteps.vue'))

const board = ref<Board | null>(null)
const { problem, attempt } = useAttempt()
const load = (now = false) =>
  attempt(async () => {
    board.value = await api.get(now ? 'crew/board' : 'crew/board?roughly=1')
  })
onMounted(() => load())
useLive(['decided', 'recorded', 'told', 'present'], 15_000, () => load())
/** What it follows from is told at once; the board is made of all of it, and may be some seconds old. */
const at = computed(() => (board.value ? new Date(board.value.at).toLocaleTimeString() : ''))

const day = (iso: string) =>
  new Date(`${iso}T12:00:00`).toLocaleDateString(undefined, { weekday: 'long', day: 'numeric', month: 'long' })
const longest = computed(() =>
  Math.max(
    60,
    ...Object.values(board.value?.forecast.ahead ?? {})
      .flat()
      .map(each => each.from + each.minutes),
  ),
)
const ahead = (person: string) => board.value?.forecast.ahead[person] ?? []
/** Named of what is stuck. */
const NAMED = 4
const stuck = computed(() => {
  const all = board.value?.forecast.stuck ?? []
  return all.slice(0, NAMED).join('; ') + (all.length > NAMED ? ` and ${all.length - NAMED} more` : '')
})
const foreseen = (person: string) =>
  ahead(person)
    .map(each => `${each.code}: ${each.words}, ${time(each.minutes)}`)
    .join('; ') || 'nothing foreseen'
const time = (minutes: number) => (minutes < 90 ? `${Math.round(minutes)} min` : `${(minutes / 60).toFixed(1)} h`)
</script>

<template>
  <main class="board">
    <header><h1>Crew</h1><CrewTabs /></header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <BeingMade v-if="!board && !problem" of="the forecast" />
    <FirstSteps
      v-if="board && board.done.of === 0"
      why="There is no work to share out yet: cables that are planned become jobs." />
    <div v-else-if="board" class="body">
      <section class="when">
        <p class="big">{{ board.done.jobs === board.done.of ? 'Everything has left the bench.'
          : `Off the bench by ${day(board.forecast.finish)}` }}</p>
        <p class="clock">
          <FigureSum :figure="board.forecast.hours" /> of the clock · {{ board.done.jobs }} of {{ board.done.of }} jobs
          have left the bench. <span class="quiet">As of {{ at }}.</span>
          <v-btn variant="text" size="small" @click="load(true)">Look now</v-btn></p>
        <p class="quiet">By {{ board.forecast.basis }}.<template v-if="board.forecast.bottleneck"> What holds it up:
          <b>{{ board.forecast.bottleneck }}</b>.</template>
        </p>
        <p
          v-if="board.forecast.stuck.length"
          class="note stop">
          <strong>Nobody of the crew can do this, or it waits for itself:</strong>{{ stuck }}. Give somebody the skill
          under People, or leave it to others.</p>
      </section>
      <section>
        <h2>Who is on what</h2>
        <div v-for="person in board.people" :key="person.id" class="person">
          <span><b>{{ person.name }}</b>
            <small>{{ person.skills.join(', ') || 'no skill named' }} · {{ person.today }} today</small></span>
          <span><router-link
            v-if="person.at"
            :to="`/bench/${person.at.job}`">at {{ person.at.code }}</router-link><span
              v-else
              class="quiet">not at a bench</span></span>
          <span
            class="ahead"
            role="img"
            :aria-label="foreseen(person.id)">
            <span
              v-for="each in ahead(person.id)"
              :key="each.code + each.from"
              class="slot"
              :style="{ left: `${100 * each.from / longest}%`,
                        width: `${Math.max(1.5, 100 * each.minutes / longest)}%` }"
              :title="`${each.code}: ${each.words}, ${time(each.minutes)}`">{{ each.code }}</span>
          </span>
        </div>
      </section>
      <section v-if="board.stopped.length">
        <h2>Stopped, and why</h2>
        <p
          v-for="job in board.stopped"
          :key="job.id"
          class="note"
          :class="job.hold ? 'stop' : 'check'"><router-link
            :to="`/bench/${job.id}`"
            class="mono">{{ job.codes[0] }}</router-link> {{ job.hold ?? `${job.questions} not answered` }}</p>
      </section>
      <section>
        <h2>What goes wrong where</h2>
        <p v-if="board.families.length === 0" class="quiet">Nothing has been looked over at the bench yet.</p>
        <table v-else class="lines">
          <thead><tr><th>Family</th><th>Looked over</th><th>Good at once</th><th>Reworked</th><th>Flags</th>
            <th>Found</th></tr></thead>
          <tbody><tr
            v-for="each in board.families"
            :key="each.family"><td>{{ each.family }}</td><td class="mono">{{ each.looked }}</td>
            <td class="mono">{{ each.yield === null ? '' : `${each.yield} %` }}</td>
            <td class="mono">{{ each.reworked }}</td><td class="mono">{{ each.flags }}</td>
            <td>{{ Object.entries(each.found).map(([what, count]) => `${what} (${count})`).join('; ') }}</td></tr>
          </tbody>
        </table>
      </section>
    </div>
  </main>
</template>

<style scoped>
.board {
  height: 100%;
  overflow: auto;
}
header {
  display: flex;
  align-items: center;
  gap: 18px;
  padding: 10px 16px;
  border-bottom: 1px solid var(--line);
  position: sticky;
  top: 0;
  background: var(--paper);
  z-index: 2;
}
.body {
  padding: 6px 20px 30px;
  max-width: 1100px;
}
.big {
  font-size: 26px;
  font-weight: 650;
  margin: 12px 0 2px;
}
.when p {
  margin: 2px 0;
}
.clock {
  display: flex;
  gap: 6px;
  align-items: baseline;
  flex-wrap: wrap;
}
.person {
  display: grid;
  grid-template-columns: 240px 140px minmax(0, 1fr);
  gap: 14px;
  align-items: center;
  padding: 7px 0;
  border-bottom: 1px solid var(--line);
}
small {
  display: block;
  color: var(--slate);
}
.ahead {
  position: relative;
  height: 24px;
  background: var(--panel);
  border-radius: 3px;
  overflow: hidden;
}
.slot {
  position: absolute;
  top: 2px;
  bottom: 2px;
  background: var(--surface);
  border: 1px solid var(--verdigris);
  border-radius: 3px;
  font-family: var(--mono);
  font-size: 11px;
  line-height: 18px;
  padding: 0 3px;
  overflow: hidden;
  white-space: nowrap;
  display: flex;
  flex-wrap: wrap;
}
/* A code that would be cut off goes to a line of its own, which is not seen: half a code is another job's. */
.slot::before {
  content: '';
  height: 100%;
}
@media (max-width: 760px) {
  .person {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
