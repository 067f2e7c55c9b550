<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { api } from '../../api/client'
import { useAttempt } from '../../ui/attempt'
import type { Catalogue } from '../../api/types'
import type { GestureSent } from './useAssembly'

/** What is in hand lands in a connector that is not there yet. */
defineProps<{ what: string; asksSignal: boolean; busy: boolean; refused: string }>()
const emit = defineEmits<{ close: []; land: [GestureSent] }>()
const catalogue = ref<Catalogue | null>(null)
const plan = ref('')
const label = ref('')
const length = ref('')
const signal = ref('')
const { problem, attempt } = useAttempt()
onMounted(() => attempt(async () => (catalogue.value = await api.get('catalogue'))))
const plans = computed(() =>
  (catalogue.value?.plans ?? []).map(each => ({ id: each.id, name: `${each.connector}: ${each.name}` })),
)
function land() {
  if (!plan.value) {
    problem.value = 'Choose a connector.'
    return
  }
  emit('land', {
    kind: 'land',
    into: { label: label.value },
    plan: plan.value,
    length: length.value,
    signal: signal.value,
  })
}
</script>

<template>
  <v-dialog :model-value="true" max-width="480" @update:model-value="emit('close')">
    <v-card class="pa-5"><form class="form" @submit.prevent="land">
      <h1>Into a new connector</h1>
      <p class="quiet">{{ what }}</p>
      <v-autocomplete
        v-model="plan"
        label="Connector and contact plan"
        :items="plans"
        item-value="id"
        item-title="name"
        autofocus />
      <v-text-field v-model="label" label="Name, if not the next free one" />
      <v-text-field v-model="length" label="Leg, such as 300 mm or 12 in; empty: as its neighbours" />
      <v-autocomplete
        v-if="asksSignal"
        v-model="signal"
        label="Carries"
        :items="catalogue?.signals ?? []"
        item-value="id"
        item-title="name" />
      <p v-if="problem || refused" class="note failed" role="alert">{{ problem || refused }}</p>
      <p class="acts"><v-btn type="submit" color="primary" :loading="busy">Land</v-btn>
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
