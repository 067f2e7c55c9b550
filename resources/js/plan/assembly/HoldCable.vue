<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useAttempt } from '../../ui/attempt'
import { useRows } from '../schedule/useRows'

/** Another cable of the installation, held beside the assembly so that it can be landed here. */
const props = defineProps<{ here: string[] }>()
const emit = defineEmits<{ close: []; hold: [string] }>()
const schedule = useRows()
const run = ref('')
const { problem, attempt } = useAttempt()
onMounted(() => attempt(() => schedule.load()))
const choices = computed(() =>
  schedule.rows
    .filter(row => !row.withdrawn && !props.here.includes(row.id))
    .map(row => ({ id: row.id, name: `${row.code} ${row.from} → ${row.to}` })),
)
</script>

<template>
  <v-dialog :model-value="true" max-width="460" @update:model-value="emit('close')">
    <v-card class="pa-5"><form class="form" @submit.prevent="run && emit('hold', run)">
      <h1>Land another cable here</h1>
      <p class="quiet">It is held beside this assembly until some of it lands here.</p>
      <v-autocomplete v-model="run" label="Run" :items="choices" item-value="id" item-title="name" autofocus />
      <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
      <p class="acts"><v-btn type="submit" color="primary" :disabled="!run">Hold it here</v-btn>
        <v-btn variant="text" @click="emit('close')">Cancel</v-btn></p>
    </form></v-card>
  </v-dialog>
</template>

<style scoped>
.form {
  display: grid;
  gap: 10px;
}
.form p {
  margin: 0;
}
</style>
