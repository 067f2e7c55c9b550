<script setup lang="ts">
import type { Schemas } from '../../api/types'
import { computed, onMounted, reactive, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '../../api/client'
import { useSession } from '../../api/session'
import BeingMade from '../../ui/BeingMade.vue'
import { useAttempt } from '../../ui/attempt'
import FigureSum from '../../ui/FigureSum.vue'
import Swatch from '../../ui/Swatch.vue'
import PartsTabs from './PartsTabs.vue'
import { late } from '../../ui/late'

const FirstSteps = late(() => import('../../ui/FirstSteps.vue'))

type Line = Parts['lines'][number]
type Parts = Schemas['PartsPage']

const session = useSession()
const route = useRoute()
const router = useRouter()
const parts = ref<Parts | null>(null)
const { problem, said, busy, attempt } = useAttempt()
const scope = computed({
  get: () => String(route.query.scope ?? 'installation'),
  set: value => {
    void router.replace({ query: { ...route.query, scope: value } })
  },
})
const left = computed({
  get: () => route.query.left === '1',
  set: value => {
    void router.replace({ query: { ...route.query, left: value ? '1' : undefined } })
  },
})
const query = computed(() => `scope=${encodeURIComponent(scope.value)}${left.value ? '&left=1' : ''}`)
const load = async () => {
  parts.value = await api.get(`parts?${query.value}&brief=1`)
}
onMounted(() => attempt(load))
watch(query, () => attempt(load))

const sum = (line: Line) => async () =>
  (await api.get(`parts/needed?${query.value}&sort=${line.sort}&id=${encodeURIComponent(line.id)}`)).needed

const groups = computed(() => {
  const by: Record<string, Line[]> = {}
  for (const line of parts.value?.lines ?? []) (by[line.group] ??= []).push(line)
  return Object.entries(by)
})
const GROUP: Record<string, string> = {
  cable: 'Cable',
  connector: 'Connectors',
  contact: 'Contacts',
  ferrule: 'Ferrules',
  boot: 'Boots',
  chuck: 'Chucks',
  hood: 'Hoods',
  shell: 'Shells',
  nut: 'Nuts',
  breakout: 'Breakout boots',
  shrink: 'Heat-shrink',
  sleeve: 'Sleeving',
  label: 'Labels',
  tie: 'Ties',
  solder: 'Solder',
  hardware: 'Panel hardware',
  'wire-ferrule': 'Wire ferrules',
  terminator: 'Terminators',
  lead: 'Leads',
}
const number = (value: number) => Number(value.toFixed(2)).toString()
const money = (value: number | null) => (value === null ? '' : value.toFixed(2))
const packs = (line: Line) =>
  line.group === 'cable'
    ? line.packs
      ? line.reels.map(({ metres, count }) => `${count} × ${number(metres)} m`).join(', ')
      : ''
    : line.packs
      ? line.pack === 1
        ? String(line.packs)
        : `${line.packs} × ${number(line.pack)} ${line.unit}`
      : ''

/** Prices and stock are typed in here; they are the installation's. */
const editing = ref(false)
const draft = reactive({
  currency: '',
  rate: '',
  spares: '',
  prices: {} as Record<string, string>,
  stock: {} as Record<string, string>,
})
function edit() {
  const economy = parts.value!.economy
  Object.assign(draft, {
    currency: economy.currency,
    rate: String(economy.rate),
    spares: String(economy.spares),
    prices: Object.fromEntries(Object.entries(economy.prices ?? {}).map(([id, price]) => [id, String(price)])),
    stock: Object.fromEntries(Object.entries(economy.stock ?? {}).map(([id, count]) => [id, String(count)])),
  })
  editing.value = true
}
const numbers = (typed: Record<string, string>) =>
  Object.fromEntries(
    Object.entries(typed)
      .filter(([, value]) => value.trim() !== '')
      .map(([id, value]) => [id, Number(value.replace(',', '.'))]),
  )
const save = () =>
  attempt(async () => {
    await api.put('economy', {
      economy: {
        currency: draft.currency,
        rate: Number(draft.rate),
        spares: Number(draft.spares),
        prices: numbers(draft.prices),
        stock: numbers(draft.stock),
        ...(parts.value!.economy.bought ? { bought: parts.value!.economy.bought } : {}),
      },
      version: parts.value!.version,
    })
    editing.value = false
    await load()
  }, 'Saved.')
</script>

<template>
  <main class="parts">
    <header><h1>Parts</h1><PartsTabs /><span class="space" /><span
      v-if="said"
      role="status"
      class="quiet">{{ said }}</span>
      <template v-if="parts && !editing">
        <v-btn size="small" variant="outlined" color="primary" :href="$file(`parts.csv?${query}`)">CSV</v-btn>
        <v-btn v-if="session.plans" size="small" color="primary" @click="edit">Prices and shelf</v-btn>
      </template></header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <BeingMade v-if="(!parts && !problem) || busy" of="the parts" />
    <form v-if="parts" class="pad" @submit.prevent="save">
      <div class="ask">
        <label>For <select v-model="scope" :disabled="editing">
          <option value="installation">everything</option>
          <optgroup label="Looms"><option
            v-for="each in parts.looms"
            :key="each.id"
            :value="`loom:${each.id}`">{{ each.name }}</option></optgroup>
          <optgroup label="Assemblies"><option
            v-for="each in parts.assemblies"
            :key="each.id"
            :value="`assembly:${each.id}`">{{ each.name }}</option></optgroup>
          <option v-if="scope.startsWith('runs:')" :value="scope">{{ parts.scope }}</option>
        </select></label>
        <label><input v-model="left" type="checkbox" :disabled="editing"> only what is still to be made</label>
        <span class="space" />
        <template v-if="editing"><label>Currency <input
                                   v-model="draft.currency"
                                   size="4"></label><label>An hour at the bench <input
                                     v-model="draft.rate"
                                     size="6"
                                     inputmode="decimal"></label><label>Spares of small parts, % <input
                                       v-model="draft.spares"
                                       size="4"
                                       inputmode="decimal"></label>
          <v-btn
            size="small"
            type="submit"
            color="primary"
            :loading="busy">Save</v-btn><v-btn
              size="small"
              variant="text"
              @click="editing = false">Cancel</v-btn></template>
        <p v-else class="total">To buy <b class="mono">{{ money(parts.cost) }} {{ parts.currency }}</b><span
          v-if="parts.unpriced.length"
          class="quiet"
          :title="parts.unpriced.join(', ')"> and {{ parts.unpriced.length }} without a price</span></p>
      </div>
      <FirstSteps
        v-if="parts.lines.length === 0 && !left && scope === 'installation'"
        why="Nothing is needed yet: cables that are planned need connectors, sleeves and contacts." />
      <p v-else-if="parts.lines.length === 0" class="quiet">Nothing is needed{{ left ? ' any more' : '' }}.</p>
      <table v-else class="lines">
        <thead><tr><th>Part</th><th>Needed</th><th class="right">Spares</th><th class="right">From kits</th>
          <th class="right">{{ editing ? 'On the shelf' : 'In stock' }}</th><th class="right">To buy</th><th>Packs</th>
          <th class="right">{{ editing ? 'Price' : 'A pack' }}</th><th class="right">Cost</th></tr></thead>
        <tbody v-for="[group, lines] in groups" :key="group">
          <tr class="group"><th colspan="9" scope="rowgroup">{{ GROUP[group] ?? group }}</th></tr>
          <tr v-for="line in lines" :key="line.id">
            <td><Swatch v-if="line.colour" :colour="line.colour" /> {{ line.name }}</td>
            <td><FigureSum :figure="line.needed" :ask="sum(line)" /></td>
            <td class="mono right">{{ line.spares || '' }}</td><td class="mono right">{{ line.returned || '' }}</td>
            <td class="mono right"><input
              v-if="editing && line.sort !== 'cable'"
              v-model="draft.stock[line.id]"
              size="5"
              inputmode="numeric"
              :aria-label="`${line.name} on the shelf`"><template v-else>{{ line.stock ? number(line.stock) : '' }}<span
                v-if="line.sources.length"
                class="quiet sources">{{ line.sources.slice(0, 4).join(', ') }}</span></template></td>
            <td class="mono right">{{ line.short ? number(line.short) : '' }}</td>
            <td class="mono">{{ packs(line) }}</td>
            <td class="mono right"><input
                                     v-if="editing"
                                     v-model="draft.prices[line.id]"
                                     size="6"
                                     inputmode="decimal"
                                     :aria-label="`price of ${line.name}`">
              <template v-else>{{ money(line.price) }}{{ line.sort === 'cable' && line.price !== null && !line.packs
                ? '/m' : '' }}</template>
            </td>
            <td class="mono right">{{ line.packs ? (line.cost === null ? '?' : money(line.cost)) : '' }}</td>
          </tr>
        </tbody>
      </table>
      <p class="quiet small">Packs are rounded up once for the whole list. A connector's kit that is not used, such as
        the other chuck, goes back on the shelf. Cable is priced by the metre and bought by the reel.</p>
    </form>
  </main>
</template>

<style scoped>
.parts {
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
  z-index: 3;
  flex-wrap: wrap;
}
.space {
  flex: 1;
}
.pad {
  padding: 8px 18px 40px;
}
.ask {
  display: flex;
  gap: 18px;
  align-items: center;
  flex-wrap: wrap;
  margin-bottom: 6px;
}
.total {
  margin: 0;
}
.total b {
  font-size: 16px;
}
.right {
  text-align: right;
}
.group th {
  border-bottom: 1px solid var(--line);
  color: var(--slate);
  padding-top: 12px;
}
td {
  vertical-align: top;
}
select,
input:not([type='checkbox']) {
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 3px 6px;
  background: var(--surface);
  color: inherit;
  font: inherit;
  font-size: 13px;
  max-width: 260px;
}
input {
  text-align: right;
}
.small {
  font-size: 12px;
}
.sources {
  display: block;
  font-size: 11.5px;
  font-family: var(--sans);
}
</style>
