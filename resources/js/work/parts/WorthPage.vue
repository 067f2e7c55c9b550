<script setup lang="ts">
import type { Schemas } from '../../api/types'
import { computed, onMounted, ref } from 'vue'
import { api } from '../../api/client'
import { useSession } from '../../api/session'
import BeingMade from '../../ui/BeingMade.vue'
import { useAttempt } from '../../ui/attempt'
import FigureSum from '../../ui/FigureSum.vue'
import PartsTabs from './PartsTabs.vue'

type Row = Schemas['PartsWorth']['assemblies'][number]
const session = useSession()
const rows = ref<Row[] | null>(null)
const currency = ref('')
const bought = ref<Record<string, string>>({})
const economy = ref<{ economy: Record<string, unknown>; version: number } | null>(null)
const { problem, said, busy, attempt } = useAttempt()

async function load() {
  const [worth, parts] = await Promise.all([api.get('parts/worth'), api.get('parts?scope=installation')])
  rows.value = worth.assemblies
  currency.value = worth.currency
  economy.value = parts
  bought.value = Object.fromEntries(
    worth.assemblies.filter(row => row.buy !== null).map(row => [row.id, String(row.buy)]),
  )
}
onMounted(() => attempt(load))
const changed = computed(
  () => rows.value?.some(row => (bought.value[row.id] ?? '') !== (row.buy === null ? '' : String(row.buy))) ?? false,
)
const save = () =>
  attempt(async () => {
    const prices = Object.fromEntries(
      Object.entries(bought.value)
        .filter(([, value]) => value.trim() !== '')
        .map(([id, value]) => [id, Number(value.replace(',', '.'))]),
    )
    await api.put('economy', {
      economy: { ...economy.value!.economy, bought: prices },
      version: economy.value!.version,
    })
    await load()
  }, 'Saved.')
</script>

<template>
  <main class="worth">
    <header><h1>Parts</h1><PartsTabs /><span class="space" /><span
      v-if="said"
      role="status"
      class="quiet">{{ said }}</span><v-btn
        v-if="changed"
        size="small"
        color="primary"
        :loading="busy"
        @click="save">Save the prices</v-btn></header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <BeingMade v-if="!rows && !problem" of="what is worth buying" />
    <div v-if="rows" class="pad">
      <p class="quiet">What each assembly costs made here, parts and time, beside the price of the same ready made.</p>
      <p v-if="rows.length === 0" class="quiet">No assembly yet.</p>
      <table v-else class="lines">
        <thead><tr><th>Assembly</th><th>Time</th><th>Made here, {{ currency }}</th>
          <th class="right">Ready made, {{ currency }}</th><th>Saving</th></tr></thead>
        <tbody><tr v-for="row in rows" :key="row.id">
          <td class="mono"><router-link :to="`/runs/${row.id}`">{{ row.codes.slice(0, 6).join(' ') }}</router-link></td>
          <td><FigureSum :figure="row.minutes" /></td>
          <td><FigureSum :figure="row.make" strong /><span
            v-if="row.unpriced.length"
            class="quiet"
            :title="row.unpriced.join(', ')"> or more: {{ row.unpriced.length }} parts without a price</span></td>
          <td class="right"><input
            v-model="bought[row.id]"
            size="8"
            inputmode="decimal"
            :readonly="!session.plans"
            :aria-label="`price of ${row.codes[0]} ready made`"></td>
          <td><FigureSum
            v-if="row.saving"
            :figure="row.saving"
            :class="{ loss: (row.saving.value ?? 0) < 0 }"
            strong /></td>
        </tr></tbody>
      </table>
    </div>
  </main>
</template>

<style scoped>
.worth {
  height: 100%;
  overflow: auto;
}
header {
  display: flex;
  gap: 14px;
  align-items: center;
  padding: 10px 18px;
  border-bottom: 1px solid var(--line);
  position: sticky;
  top: 0;
  background: var(--paper);
  z-index: 2;
}
.space {
  flex: 1;
}
.pad {
  padding: 4px 18px 40px;
  max-width: 1000px;
}
.right {
  text-align: right;
}
td {
  vertical-align: top;
}
.loss {
  color: var(--flux);
}
input {
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 3px 6px;
  background: var(--surface);
  color: inherit;
  font: inherit;
  font-size: 13px;
  text-align: right;
}
</style>
