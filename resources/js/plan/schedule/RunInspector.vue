<script setup lang="ts">
import { ref, watch } from 'vue'
import { api, ApiError } from '../../api/client'
import { useSession } from '../../api/session'
import type { Row, RunPage } from '../../api/types'
import Strand from '../../ui/Strand.vue'
import { length } from '../../ui/units'
import WorkedSum from '../../ui/WorkedSum.vue'

const props = defineProps<{ row: Row }>()
defineEmits<{ edit: []; copy: []; remove: [] }>()
const session = useSession()
const run = ref<RunPage | null>(null)
const problem = ref('')

watch(
  () => [props.row.id, props.row.version, JSON.stringify(props.row.strand)],
  async () => {
    const id = props.row.id
    if (run.value?.id !== id) run.value = null
    try {
      const loaded = await api.get(`runs/${id}`)
      if (props.row.id === id) run.value = loaded
      problem.value = ''
    } catch (error) {
      problem.value = error instanceof ApiError ? error.message : String(error)
    }
  },
  { immediate: true },
)
</script>

<template>
  <div class="inspector">
    <p class="code">{{ row.code }} <span>{{ row.loom || row.family }}</span></p>
    <p class="way">{{ row.from }} <i>→</i> {{ row.to }}</p>
    <Strand :beads="row.strand" named />
    <p
      v-for="finding in row.findings"
      :key="finding.words"
      class="note"
      :class="finding.severity"><strong v-if="finding.severity !== 'note'">{{ finding.words }}</strong>
      <template v-else>{{ `${finding.words} ` }}</template>{{ finding.remedy }}</p>
    <p v-if="problem" class="note failed">{{ problem }}</p>
    <h2>Cut length</h2>
    <p class="cut">{{ length(row.cut) }}</p>
    <template v-if="run">
      <WorkedSum :worked="run.worked" />
      <h2>Ends</h2>
      <table class="lines"><tbody>
        <tr
          v-for="end in run.ends"
          :key="end.side"><td class="mono">{{ end.side }}</td><td>{{ end.location }}<br>
            <span class="quiet">{{ end.side === 'A' ? row.endA : row.endB }}</span></td>
          <td class="quiet">{{ end.fittings[0]?.plan }}</td></tr>
      </tbody></table>
      <h2>Label</h2>
      <p class="label mono">{{ row.code }} › {{ row.to }}</p>
    </template>
    <p class="acts">
      <v-btn color="primary" :to="`/runs/${row.id}`">Open</v-btn>
      <v-btn variant="outlined" color="primary" :to="`/test/${row.id}`">Test</v-btn>
      <template v-if="session.plans">
        <v-btn variant="outlined" color="primary" @click="$emit('edit')">Edit</v-btn>
        <v-btn variant="text" color="primary" @click="$emit('copy')">Duplicate</v-btn>
        <v-btn variant="text" color="error" :disabled="row.withdrawn" @click="$emit('remove')">Remove</v-btn>
      </template>
    </p>
  </div>
</template>

<style scoped>
.inspector {
  padding: 14px 16px 20px;
}
.code {
  font: 600 24px var(--mono);
  margin: 0;
}
.code span {
  font: 400 14px var(--sans);
  color: var(--slate);
}
.way {
  margin: 2px 0 12px;
  font-size: 15px;
}
.way i {
  color: var(--quiet);
  font-style: normal;
}
.cut {
  font: 600 22px var(--mono);
  margin: 0 0 4px;
}
.label {
  display: inline-block;
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 3px 10px;
  margin: 0;
}
.acts {
  margin: 20px 0 0;
}
.inspector :deep(.strand) {
  max-width: 100%;
}
</style>
