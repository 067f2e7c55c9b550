<script setup lang="ts">
import { useIntersectionObserver } from '@vueuse/core'
import { onMounted, ref, useTemplateRef, watch } from 'vue'
import { api } from '../../api/client'
import type { Reach } from '../../api/types'
import BeingMade from '../../ui/BeingMade.vue'
import { useAttempt } from '../../ui/attempt'
import { useLatest } from '../../ui/latest'
import ReachTable from './ReachTable.vue'

/** The least margin first, some at a time: the next ones come when the last of them is in sight. */
const circuits = ref<Reach[] | null>(null)
const counts = ref({ of: 0, all: 0 })
const only = ref(false)
const { problem, busy, attempt } = useAttempt()
const { latest } = useLatest()
const more = () =>
  attempt(() => {
    const before = circuits.value ?? []
    return latest(api.get(`reach?brief=1&only=${only.value ? 1 : 0}&from=${before.length}`), found => {
      circuits.value = [...before, ...found.circuits]
      counts.value = { of: found.of ?? 0, all: found.all ?? 0 }
    })
  })
onMounted(more)
watch(only, () => {
  circuits.value = null
  void more()
})
useIntersectionObserver(
  useTemplateRef<HTMLElement>('last'),
  ([entry]) => {
    if (entry?.isIntersecting && !busy.value) void more()
  },
  { rootMargin: '600px' },
)
const one = (id: string) => api.get(`reach/${encodeURIComponent(id)}`)
</script>

<template>
  <main class="page">
    <header><router-link to="/schedule">Schedule</router-link><h1>Reach</h1>
      <span class="quiet">how far each circuit goes, the least margin first</span><span class="space" /><label><input
        v-model="only"
        type="checkbox"> only what does not plainly reach</label></header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <BeingMade v-if="!circuits && !problem" of="the circuits" />
    <div v-if="circuits" class="pad">
      <p
        v-if="circuits.length === 0"
        class="quiet">{{ counts.all ? 'Every circuit reaches.' : 'No circuit yet.' }}</p>
      <ReachTable v-else :circuits="circuits" :ask="one" />
      <p v-if="circuits.length < counts.of" ref="last" class="quiet" role="status">{{ circuits.length }} of
        {{ counts.of }} circuits; the next ones are coming.</p>
      <p class="quiet small">Mains figures are information alone: sizing, protection and connection are for local code
        and a licensed person.</p>
    </div>
  </main>
</template>

<style scoped>
.page {
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
}
.small {
  font-size: 12px;
}
</style>
