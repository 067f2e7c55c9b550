<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, saying } from '../../api/client'
import type { Fitting } from '../../api/types'
import Swatch from '../../ui/Swatch.vue'

/** One conductor joined otherwise than the plans have it. The reason stays with it, on every sheet. */
const props = defineProps<{
  run: string
  version: number
  side: string
  conductor: { conductor: string; colour: string; address: string; exception: string }
  fittings: Fitting[]
}>()
const emit = defineEmits<{ close: []; done: [] }>()
const OPEN = ''
const to = ref(OPEN)
const reason = ref('')
const problem = ref('')
const busy = ref(false)
const places = computed(() => [
  { value: OPEN, title: 'nowhere: left open on purpose' },
  ...props.fittings.flatMap(fitting =>
    [...(fitting.drawing?.cavities.map(cavity => cavity.address) ?? []), ...(fitting.drawing?.shells ?? [])].map(
      address => ({
        value: `${fitting.id}/${address}`,
        title: `${props.fittings.length > 1 ? `${fitting.label} ` : ''}contact ${address}`,
      }),
    ),
  ),
])
async function send(body: Record<string, unknown>) {
  busy.value = true
  problem.value = ''
  try {
    await api.put(`runs/${props.run}/ends/${props.side}/joint`, {
      conductor: props.conductor.conductor,
      version: props.version,
      ...body,
    })
    emit('done')
  } catch (error) {
    problem.value = saying(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <v-dialog :model-value="true" max-width="420" @update:model-value="emit('close')">
    <v-card class="pa-5"><form class="form" @submit.prevent="send({ to: to || null, reason })">
      <h1>Join by hand</h1>
      <p><Swatch :colour="conductor.colour
        || 'bare'" /> {{ conductor.conductor }} at end {{ side }}<template v-if="conductor.address">, now on contact <b
        class="mono">{{ conductor.address }}</b></template></p>
      <v-autocomplete v-model="to" label="Goes to" :items="places" />
      <v-text-field v-model="reason" label="Why" />
      <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
      <p class="acts"><v-btn type="submit" color="primary" :loading="busy">Save</v-btn><v-btn
        v-if="conductor.exception"
        variant="outlined"
        color="primary"
        @click="send({ back: true })">Back to the plan</v-btn><v-btn
          variant="text"
          @click="emit('close')">Cancel</v-btn></p>
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
