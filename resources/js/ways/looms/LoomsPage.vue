<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '../../api/client'
import type { LoomLine } from '../../api/looms'
import { useSession } from '../../api/session'
import BeingMade from '../../ui/BeingMade.vue'
import { useAttempt } from '../../ui/attempt'
import FigureSum from '../../ui/FigureSum.vue'
import { alike } from '../../ui/alike'
import { inWords } from '../../ui/units'
import LoomForm from './LoomForm.vue'

const session = useSession()
const router = useRouter()
const looms = ref<LoomLine[] | null>(null)
const adding = ref(false)
const { problem, attempt } = useAttempt()
onMounted(() =>
  attempt(async () => {
    looms.value = (await api.get('looms')).looms
  }),
)
/** What is found of several segments is said of the first of them; all of it stands on the loom's own page. */
const folded = (loom: LoomLine) =>
  alike(
    loom.findings,
    finding => finding.code,
    () => [],
  )
</script>

<template>
  <main class="looms">
    <header><h1>Looms</h1><span class="quiet">runs that are dressed together</span><span class="space" /><v-btn
      v-if="session.plans"
      color="primary"
      @click="adding = true">New loom</v-btn></header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <BeingMade v-if="!looms && !problem" of="the looms" />
    <div v-if="looms" class="pad">
      <p
        v-if="looms.length === 0"
        class="quiet">No loom yet. Make one of the runs that lie together.</p>
      <table v-else class="lines">
        <thead><tr><th>Loom</th><th>From</th><th class="right">Cables</th><th class="right">Segments</th>
          <th>Thickest</th><th class="right">Weight</th><th>Held by</th><th>To see to</th></tr></thead>
        <tbody><tr v-for="loom in looms" :key="loom.id">
          <td><router-link :to="`/looms/${loom.id}`"><b>{{ loom.name }}</b></router-link></td>
          <td>{{ loom.root || 'no shape yet' }}</td><td class="mono right">{{ loom.members }}</td>
          <td class="mono right">{{ loom.segments }}</td>
          <td><FigureSum
            v-if="loom.thickest"
            :figure="loom.thickest" /></td><td class="mono right">{{ loom.mass }} kg</td>
          <td>{{ loom.covering === 'sleeve' ? 'sleeve' : 'ties' }}</td>
          <td><p
            v-for="said in folded(loom)"
            :key="said.words"
            class="note"
            :class="said.of[0]?.severity">{{ inWords(said.of[0]?.words ?? '') }}<small
              v-if="said.of.length > 1"
              class="quiet"
              :title="said.of.map(each => inWords(each.words)).join('\n')"> and {{ said.of.length - 1 }} more
              like it</small></p></td>
        </tr></tbody>
      </table>
    </div>
    <v-dialog v-model="adding" max-width="560"><LoomForm
      v-if="adding"
      :part="null"
      :version="0"
      :places="[]"
      @saved="id => router.push(`/looms/${id}`)"
      @close="adding = false" /></v-dialog>
  </main>
</template>

<style scoped>
.looms {
  height: 100%;
  overflow: auto;
}
header {
  display: flex;
  gap: 14px;
  align-items: center;
  padding: 12px 18px;
  border-bottom: 1px solid var(--line);
}
.space {
  flex: 1;
}
.pad {
  padding: 8px 18px 40px;
}
.right {
  text-align: right;
}
td {
  vertical-align: top;
}
td .note {
  margin: 2px 0;
  padding: 2px 8px;
}
</style>
