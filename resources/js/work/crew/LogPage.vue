<script setup lang="ts">
import type { Schemas } from '../../api/types'
import { useDebounceFn } from '@vueuse/core'
import { onMounted, reactive, ref, watch } from 'vue'
import { api } from '../../api/client'
import BeingMade from '../../ui/BeingMade.vue'
import { useAttempt } from '../../ui/attempt'
import { when } from '../../ui/dates'
import CrewTabs from './CrewTabs.vue'
import { useLatest } from '../../ui/latest'

type Log = Schemas['AuditPage']

/** Who did what, when. */
const { problem, busy, attempt } = useAttempt()
const log = ref<Log | null>(null)
const asked = reactive({ q: '', who: '', what: '', from: '', to: '', page: 1 })
const { latest } = useLatest()
const read = () =>
  attempt(async () => {
    const query = new URLSearchParams(
      Object.entries(asked)
        .filter(([, value]) => value !== '')
        .map(([key, value]) => [key, String(value)]),
    )
    await latest(api.get(`crew/log?${query.toString()}`), answer => {
      log.value = answer
    })
  })
onMounted(read)
watch(
  () => [asked.q, asked.who, asked.what, asked.from, asked.to],
  useDebounceFn(() => {
    asked.page = 1
    return read()
  }, 250),
)
const runPage = (run: string) => `/runs/${encodeURIComponent(run)}`
const turn = (by: number) => {
  asked.page += by
  return read()
}
const WHAT: Record<string, string> = {
  decided: 'decided',
  recorded: 'recorded',
  released: 'released',
  packed: 'packed',
  crew: 'crew',
  exported: 'exported',
  installation: 'the installation',
}
</script>

<template>
  <main class="log">
    <header><h1>Crew</h1><CrewTabs /></header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <form class="ask" role="search" @submit.prevent="read">
      <input v-model="asked.q" aria-label="Words" placeholder="words: a cable, a step, a note">
      <select v-model="asked.who" aria-label="Who"><option value="">everybody</option><option
        v-for="each in log?.people"
        :key="each.id"
        :value="each.id">{{ each.name }}</option></select>
      <select v-model="asked.what" aria-label="What"><option value="">everything</option><option
        v-for="(words, what) in WHAT"
        :key="what"
        :value="what">{{ words }}</option></select>
      <label>from <input
        v-model="asked.from"
        type="date"
        aria-label="From"></label><label>to <input v-model="asked.to" type="date" aria-label="To"></label>
    </form>
    <BeingMade v-if="!log && !problem" />
    <template v-if="log">
      <p
        class="quiet count"
        role="status">{{ log.count }} {{ log.count === 1 ? 'entry'
          : 'entries' }}<template v-if="log.pages > 1">, page {{ asked.page }} of {{ log.pages }} <button
          type="button"
          :disabled="asked.page <= 1 || busy"
          @click="turn(-1)">later</button> <button
            type="button"
            :disabled="asked.page >= log.pages || busy"
            @click="turn(1)">earlier</button></template></p>
      <table v-if="log.rows.length" class="lines"><thead><tr><th>When</th><th>Who</th><th /><th>What</th></tr></thead>
        <tbody><tr
          v-for="(row, i) in log.rows"
          :key="i"><td class="mono at">{{ when(row.at) }}</td><td>{{ row.who }}</td>
          <td class="quiet">{{ WHAT[row.what] }}</td><td><router-link
                                                           v-if="row.run"
                                                           :to="runPage(row.run)">{{ row.words }}</router-link>
            <template v-else>{{ row.words }}</template></td></tr></tbody></table>
      <p v-else class="quiet count">Nothing fits. Use fewer words, or a longer time.</p>
    </template>
  </main>
</template>

<style scoped>
.log {
  height: 100%;
  overflow: auto;
  padding-bottom: 30px;
}
header {
  display: flex;
  align-items: center;
  gap: 18px;
  padding: 10px 16px;
  border-bottom: 1px solid var(--line);
}
.ask {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
  padding: 10px 16px;
  font-size: 13px;
  align-items: center;
}
.ask input,
.ask select {
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 7px 8px;
  background: var(--surface);
  color: inherit;
  font: inherit;
}
.ask input:first-child {
  flex: 1;
  min-width: 200px;
  max-width: 420px;
}
.count {
  margin: 0 16px 6px;
}
.count button {
  all: unset;
  cursor: pointer;
  color: var(--verdigris);
  text-decoration: underline;
  margin-left: 8px;
}
.count button:disabled {
  color: var(--quiet);
  cursor: default;
  text-decoration: none;
}
.count button:focus-visible {
  outline: 2px solid var(--copper);
}
table {
  margin: 0 16px;
  width: calc(100% - 32px);
}
.at {
  white-space: nowrap;
}
td a {
  color: var(--ink);
  text-decoration-color: var(--quiet);
}
.note {
  margin: 8px 16px;
}
</style>
