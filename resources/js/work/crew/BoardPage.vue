<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { api } from '../../api/client'
import { useLive } from '../../api/live'
import type { Board, BoardPerson } from '../../api/crew'
import { useSession } from '../../api/session'
import BeingMade from '../../ui/BeingMade.vue'
import { useAttempt } from '../../ui/attempt'
import { clock, weekday } from '../../ui/dates'
import FigureSum from '../../ui/FigureSum.vue'
import CrewTabs from './CrewTabs.vue'
import CrewTimeline from './CrewTimeline.vue'
import { late } from '../../ui/late'

const FirstSteps = late(() => import('../../ui/FirstSteps.vue'))

const session = useSession()
const board = ref<Board | null>(null)
const { problem, attempt } = useAttempt()
const load = (now = false) =>
  attempt(async () => {
    board.value = await api.get(now ? 'crew/board' : 'crew/board?roughly=1')
  })
onMounted(() => load())
useLive(['decided', 'recorded', 'told', 'present'], 15_000, () => load())
/** What it follows from is told at once; the board is made of all of it, and may be some seconds old. */
const at = computed(() => (board.value ? clock(board.value.at) : ''))

/** Named of what is stuck. */
const NAMED = 4
const stuck = computed(() => {
  const all = board.value?.forecast.stuck ?? []
  return all.slice(0, NAMED).join('; ') + (all.length > NAMED ? ` and ${all.length - NAMED} more` : '')
})

/** A job that was given to one person: who had it before, so that it can go back. */
const given = ref<{ id: number; isNew: boolean; job: string; code: string; name: string; was: string[] } | null>(null)
const { problem: refused, attempt: ask } = useAttempt()
const give = (job: string, code: string, person: BoardPerson) =>
  ask(async () => {
    const made = await api.post('crew/given', { person: person.id, kind: 'assembly', key: job, only: true })
    given.value = { ...made, job, code, name: person.name }
    await load(true)
  })
const back = () =>
  ask(async () => {
    const { id, isNew, was, job } = given.value!
    for (const person of was) await api.post('crew/given', { person, kind: 'assembly', key: job })
    if (isNew) await api.delete(`crew/given/${id}`)
    given.value = null
    await load(true)
  })
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
          : `Off the bench by ${weekday(board.forecast.finish, true)}` }}</p>
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
        <CrewTimeline :board="board" :gives="session.can('lead')" @give="give" />
        <p v-if="session.can('lead')" class="quiet hint">Drag a job to whoever is to do it, or press it.</p>
        <p v-if="refused" class="note failed" role="alert">{{ refused }}</p>
        <p v-if="given" class="note good" role="status"><b>{{ given.code }}</b> is {{ given.name }}’s to do.
          <v-btn size="small" variant="text" @click="back">Take it back</v-btn></p>
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
            :key="each.family"><td>{{ each.name }}</td><td class="mono">{{ each.looked }}</td>
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
.hint {
  font-size: 12.5px;
  margin: 6px 0;
}
</style>
