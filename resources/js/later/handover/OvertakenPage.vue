<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { api } from '../../api/client'
import type { Impact, Remedy } from '../../api/change'
import { useSession } from '../../api/session'
import ImpactView from '../../plan/change/ImpactView.vue'
import { useAttempt } from '../../ui/attempt'
import HandoverFrame from './HandoverFrame.vue'

/** Work that no longer fits the plan, until a remedy is recorded. */
const session = useSession()
const { problem, said, busy, attempt } = useAttempt()
const impact = ref<Impact | null>(null)
const read = async () => {
  impact.value = await api.get('overtaken')
}
onMounted(() => attempt(read))

const WORDS: Record<string, string> = {
  keep: 'Confirmed: the piece is kept.',
  slack: 'Confirmed: its slack is used up.',
  exchange: 'Recorded: the pieces have changed places. Mark their ends again.',
}
const mend = (run: string, remedy: Remedy) =>
  attempt(async () => {
    await api.post(`overtaken/${encodeURIComponent(run)}`, { id: crypto.randomUUID(), remedy: remedy.key })
    await read()
    said.value = WORDS[remedy.kind] ?? 'It is back at the bench, step by step.'
  })
const where = (run: string, how: string) =>
  ({
    label: '/labels',
    test: `/test/${encodeURIComponent(run)}`,
    place: '/site',
    look: `/bench/${encodeURIComponent(run)}`,
    sign: '/handover',
  })[how]
const may = () => session.can('planner', 'bench', 'installer', 'lead')
</script>

<template>
  <HandoverFrame :problem="problem" :said="said" :loading="impact === null">
    <template v-if="impact">
      <p
        v-if="impact.count === 0"
        class="note good"><strong>Nothing is overtaken</strong>All that is done fits the plan it is worked by.</p>
      <ImpactView v-else :impact="impact">
        <template #default="{ remedy, run }">
          <v-btn
            v-if="may() && (remedy.how === 'confirm' || remedy.how === 'bench')"
            size="small"
            density="comfortable"
            class="mend"
            variant="outlined"
            color="primary"
            :disabled="busy"
            @click="mend(run, remedy)">{{ remedy.how === 'confirm' ? 'Do this' : 'To the bench' }}</v-btn>
          <router-link v-else-if="where(run, remedy.how)" :to="where(run, remedy.how)!">go there</router-link>
        </template>
      </ImpactView>
    </template>
  </HandoverFrame>
</template>

<style scoped>
.mend {
  margin: -3px 0;
  min-height: 28px;
}
</style>
