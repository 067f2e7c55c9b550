<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { api } from '../../api/client'
import type { Reach } from '../../api/types'
import { useAttempt } from '../../ui/attempt'
import ReachTable from './ReachTable.vue'

const circuits = ref<Reach[] | null>(null)
const only = ref(false)
const { problem, attempt } = useAttempt()
onMounted(() =>
  attempt(async () => {
    circuits.value = (await api.get('reach')).circuits
  }),
)
const ORDER = { beyond: 0, tight: 1, unknown: 2, reaches: 3 }
const shown = computed(() =>
  [...(circuits.value ?? [])]
    .filter(each => !only.value || each.verdict !== 'reaches')
    .sort((a, b) => ORDER[a.verdict] - ORDER[b.verdict] || (a.margin ?? 999) - (b.margin ?? 999)),
)
</script>

<template>
  <main class="page">
    <header><router-link to="/schedule">Schedule</router-link><h1>Reach</h1>
      <span class="quiet">how far each circuit goes, the least margin first</span><span class="space" /><label><input
        v-model="only"
        type="checkbox"> only what does not plainly reach</label></header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <v-progress-linear v-if="!circuits && !problem" indeterminate color="primary" aria-label="Reckoning" />
    <div v-if="circuits" class="pad">
      <p
        v-if="shown.length === 0"
        class="quiet">{{ circuits.length ? 'Every circuit reaches.' : 'No circuit yet.' }}</p>
      <ReachTable v-else :circuits="shown" />
      <p class="quiet small">Mains figures are information alone: sizing, protection and connection are for local code
        and a licensed person.</p>
    </div>
  </main>
</template>

<style scoped>
.page {
  height: 100dvh;
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
}
.small {
  font-size: 12px;
}
</style>
