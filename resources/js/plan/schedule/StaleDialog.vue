<script setup lang="ts">
import { computed } from 'vue'
import type { Line } from '../../api/types'

const props = defineProps<{ stale: { message: string; yours: Line; theirs: { line: Line } | null } }>()
defineEmits<{ mine: []; theirs: []; close: [] }>()
const fields = computed(() => Object.keys(props.stale.yours))
</script>

<template>
  <v-dialog :model-value="true" max-width="620" persistent>
    <v-card class="pa-5" role="alertdialog" aria-label="Two versions">
      <h1>Two versions</h1>
      <p>{{ stale.message }}</p>
      <table class="lines">
        <thead><tr><th>Field</th><th>You typed</th><th>Stands now</th></tr></thead>
        <tbody><tr
          v-for="field in fields"
          :key="field"><td>{{ field.replaceAll('_', ' ') }}</td><td class="mono">{{ stale.yours[field] }}</td>
          <td class="mono">{{ stale.theirs ? stale.theirs.line[field] : 'removed' }}</td></tr></tbody>
      </table>
      <p class="acts">
        <v-btn v-if="stale.theirs" color="primary" @click="$emit('mine')">Save mine over it</v-btn>
        <v-btn v-if="stale.theirs" variant="outlined" color="primary" @click="$emit('theirs')">Take theirs</v-btn>
        <v-btn variant="text" @click="$emit('close')">Back to the form</v-btn>
      </p>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.acts {
  margin: 16px 0 0;
}
</style>
