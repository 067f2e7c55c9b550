<script setup lang="ts">
import { ref, watch } from 'vue'
import { api, ApiError } from '../../api/client'
import { useSession } from '../../api/session'
import type { Change } from '../../api/types'
import { when } from '../../ui/dates'

const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ changed: [] }>()
const session = useSession()
const changes = ref<Change[]>([])
const problem = ref('')

async function load() {
  changes.value = await api.get('changes')
}
watch(open, value => {
  if (value) void load()
})
async function undo(change: Change) {
  problem.value = ''
  try {
    await api.post(`changes/${change.id}/undo`)
    emit('changed')
    await load()
  } catch (error) {
    problem.value = error instanceof ApiError ? error.message : String(error)
  }
}
</script>

<template>
  <v-dialog v-model="open" max-width="680" scrollable>
    <v-card class="pa-5">
      <h1>What was changed</h1>
      <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
      <p v-if="changes.length === 0" class="quiet">Nothing yet.</p>
      <table v-else class="lines">
        <tbody>
          <tr
            v-for="change in changes"
            :key="change.id"><td class="quiet">{{ when(change.at) }}</td><td>{{ change.who }}</td>
            <td>{{ change.words }}</td>
            <td><v-btn
              v-if="!change.undone && session.plans"
              size="small"
              variant="text"
              color="primary"
              @click="undo(change)">{{ change.reversal === 'undone' ? 'Redo' : 'Undo' }}</v-btn><span
                v-else-if="change.undone"
                class="quiet">{{ change.reversal === 'undone' ? 'done again' : 'undone' }}</span></td></tr>
        </tbody>
      </table>
      <p><v-btn variant="outlined" @click="open = false">Close</v-btn></p>
    </v-card>
  </v-dialog>
</template>
