<script setup lang="ts">
import { ref } from 'vue'
import { useSession } from '../../api/session'

/** A name for what is seen, and for whom it is. */
defineProps<{ problem: string }>()
const emit = defineEmits<{ keep: [{ name: string; shared: boolean }]; close: [] }>()
const session = useSession()
const name = ref('')
const shared = ref(false)
</script>

<template>
  <v-dialog :model-value="true" max-width="420" @update:model-value="emit('close')">
    <v-card class="pa-5"><form @submit.prevent="emit('keep', { name, shared })">
      <h1>Keep this view</h1>
      <p class="quiet">Its filter, columns, their order and width, what comes first and what stands together.</p>
      <v-text-field v-model="name" label="Name" autofocus maxlength="60" />
      <label v-if="session.plans"><input v-model="shared" type="checkbox"> for everybody of the crew</label>
      <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
      <p class="acts"><v-btn type="submit" color="primary">Keep</v-btn><v-btn
        variant="text"
        @click="emit('close')">Cancel</v-btn></p>
    </form></v-card>
  </v-dialog>
</template>

<style scoped>
label {
  display: block;
  margin: 10px 0;
}
</style>
