<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { api, ApiError } from '../../api/client'
import { useSession } from '../../api/session'
import type { TypeLine } from '../../api/types'
import RuleTabs from '../rules/RuleTabs.vue'

const session = useSession()
const plans = ref<TypeLine[]>([])
const words = ref('')
const problem = ref('')
onMounted(async () => {
  try {
    plans.value = (await api.get('types')).plan
  } catch (error) {
    problem.value = error instanceof ApiError ? error.message : String(error)
  }
})
const shown = computed(() =>
  plans.value
    .filter(plan =>
      words.value
        .toLowerCase()
        .split(/\s+/)
        .every(word => `${plan.id} ${plan.name} ${plan.about} ${plan.source}`.toLowerCase().includes(word)),
    )
    .sort((a, b) => Number(b.used) - Number(a.used) || a.about.localeCompare(b.about)),
)
</script>

<template>
  <main class="page">
    <header><h1>Rules</h1><RuleTabs /><span class="space" />
      <v-text-field
        v-model="words"
        class="filter"
        placeholder="filter contact plans"
        aria-label="Filter contact plans" />
      <v-btn v-if="session.plans" color="primary" to="/rules/plans/new">New plan</v-btn>
    </header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <table class="lines">
      <thead><tr><th>Plan</th><th>Connector and channels</th><th>From</th><th>Used here</th></tr></thead>
      <tbody>
        <tr v-for="plan in shown" :key="plan.id" :class="{ retired: plan.retired }">
          <td><router-link :to="`/rules/plans/${plan.id}`">{{ plan.name }}</router-link></td>
          <td>{{ plan.about }}</td>
          <td class="quiet">{{ plan.source === 'own' ? 'this installation' : plan.source === 'file' ? 'its file'
            : 'Sartal' }}{{ plan.retired ? ', retired' : '' }}</td>
          <td>{{ plan.used ? 'yes' : '' }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="plans.length && shown.length === 0" class="quiet none">No plan has these words.</p>
  </main>
</template>

<style scoped>
.page {
  height: 100%;
  overflow: auto;
}
header {
  display: flex;
  gap: 16px;
  align-items: center;
  padding: 12px 18px;
  border-bottom: 1px solid var(--line);
  position: sticky;
  top: 0;
  background: var(--paper);
  z-index: 2;
  flex-wrap: wrap;
}
.space {
  flex: 1;
}
.filter {
  max-width: 240px;
}
.lines {
  width: auto;
  min-width: 70%;
  margin: 4px 10px;
}
.retired {
  opacity: 0.6;
}
.none {
  padding: 0 18px;
}
</style>
