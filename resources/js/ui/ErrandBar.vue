<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../api/types'
import { useSession } from '../api/session'

/** How far something is that a worker does: whose it is, what it is at, and that it is not wanted any more. */
const { errand, of, calledOff } = defineProps<{ errand: Schemas['ErrandLine']; of: string; calledOff: boolean }>()
defineEmits<{ 'call-off': [] }>()
const session = useSession()
const isBegun = computed(() => errand.state === 'under-way' && errand.of > 0)
const words = computed(() => {
  if (calledOff) return 'Called off. It stops after this step.'
  if (isBegun.value) return `${errand.words}, ${errand.done} of ${errand.of}`
  if (errand.before === 1) return 'One thing is done first.'
  return errand.before > 1 ? `${errand.before} things are done first.` : 'Waits for a worker to take it up.'
})
</script>

<template>
  <div class="errand" role="status">
    <v-progress-linear
      :model-value="isBegun ? (100 * errand.done) / errand.of : 0"
      color="primary"
      height="8"
      :aria-label="`How far ${of} is`" />
    <p><span>{{ words }}</span><span v-if="!errand.mine" class="quiet">Asked for by {{ errand.who }}.</span>
      <v-btn
        v-if="errand.mine || session.can('lead')"
        variant="text"
        color="primary"
        :disabled="calledOff"
        @click="$emit('call-off')">Call it off</v-btn></p>
    <p class="quiet">It goes on without this page: come back whenever you like.</p>
  </div>
</template>

<style scoped>
.errand {
  max-width: 460px;
  margin-top: 12px;
  display: grid;
  gap: 4px;
  font-size: 13px;
}
p {
  margin: 0;
  display: flex;
  gap: 10px;
  align-items: center;
  flex-wrap: wrap;
}
</style>
