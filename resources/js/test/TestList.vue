<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { api, ApiError } from '../api/client'
import type { Row } from '../api/types'
import { filtered, sorted } from '../schedule/filter'
import Strand from '../ui/Strand.vue'

const rows = ref<Row[]>([])
const words = ref('')
const problem = ref('')
const loaded = ref(false)
onMounted(async () => {
  try {
    rows.value = (await api.get<{ rows: Row[] }>('schedule')).rows
  } catch (error) {
    problem.value = error instanceof ApiError ? error.message : String(error)
  }
  loaded.value = true
})
const bead = (row: Row) => row.strand.find(each => each.stage === 'test')?.state
/** Made, but not tested since: what a tester takes next. */
const ready = (row: Row) => row.strand.filter(each => each.stage === 'end-a' || each.stage === 'end-b').every(each => each.state !== 'to-do')
const shown = computed(() => sorted(filtered(rows.value.filter(row => !row.withdrawn), words.value), 'code', false))
const groups = computed(() => [
  { name: 'Failed: mend, then test again', rows: shown.value.filter(row => bead(row) === 'failed') },
  { name: 'Overtaken by a change: test again', rows: shown.value.filter(row => bead(row) === 'overtaken') },
  { name: 'Ready to test', rows: shown.value.filter(row => bead(row) === 'to-do' && ready(row)) },
  { name: 'Not made yet', rows: shown.value.filter(row => bead(row) === 'to-do' && !ready(row)) },
  { name: 'Passed', rows: shown.value.filter(row => bead(row) === 'done') },
].filter(group => group.rows.length))
</script>

<template>
  <main class="list">
    <header><h1>Test</h1><v-text-field v-model="words" placeholder="find: a code, a place" aria-label="Find a cable to test" clearable /></header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <v-progress-linear v-if="!loaded" indeterminate color="primary" aria-label="Loading" />
    <p v-else-if="groups.length === 0 && !problem" class="quiet pad">No cable fits.</p>
    <section v-for="group in groups" :key="group.name">
      <h2>{{ group.name }} <span>{{ group.rows.length }}</span></h2>
      <router-link v-for="row in group.rows" :key="row.id" :to="`/test/${row.id}`">
        <b class="mono">{{ row.code }}</b><span class="way">{{ row.from }} → {{ row.to }}<small>{{ row.endA }} – {{ row.endB }}</small></span><Strand :beads="row.strand" />
      </router-link>
    </section>
  </main>
</template>

<style scoped>
.list { height: 100%; overflow: auto; padding-bottom: 30px }
header { display: flex; align-items: center; gap: 16px; padding: 8px 16px; border-bottom: 1px solid var(--line); position: sticky; top: 0; background: var(--paper); z-index: 1 }
header > :last-child { max-width: 420px }
h2 { padding: 0 16px; margin: 16px 0 4px }
h2 span { font-family: var(--mono); font-weight: 400 }
a { display: grid; grid-template-columns: 76px minmax(0, 1fr) auto; gap: 10px; align-items: center; padding: 7px 16px; border-bottom: 1px solid var(--line); color: var(--ink) !important; text-decoration: none; min-height: 44px }
a:hover { background: #f1ece2 }
.way { line-height: 1.2; overflow: hidden; text-overflow: ellipsis }
small { display: block; color: var(--slate) }
.pad { padding: 16px }
@media (max-width: 480px) { a :deep(.strand) { width: 84px; height: auto } }
</style>
