<script setup lang="ts">
import { ref } from 'vue'

/** A table from a spreadsheet or a CSV file: channel, function, contact. */
defineProps<{ problem: string }>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ paste: [table: string] }>()
const table = ref('channel,function,contact\n')
async function file(event: Event) {
  table.value = (await (event.target as HTMLInputElement).files?.[0]?.text()) ?? table.value
}
</script>

<template>
  <v-dialog v-model="open" max-width="560">
    <v-card class="pa-5">
      <h1>Paste a table</h1>
      <p class="quiet">The first row names the columns: channel, function, contact. Cells may be parted by tabs, commas
        or semicolons.</p>
      <v-textarea v-model="table" label="Table" rows="12" class="mono" />
      <p><label class="quiet">or a CSV file <input type="file" accept=".csv,text/csv" @change="file"></label></p>
      <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
      <p class="acts"><v-btn
        color="primary"
        @click="emit('paste', table)">Use the table</v-btn><v-btn
          variant="text"
          @click="open = false">Cancel</v-btn></p>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.acts {
  margin: 12px 0 0;
}
</style>
