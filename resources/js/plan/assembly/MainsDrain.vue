<script setup lang="ts">
import { computed } from 'vue'
import ActRow from './ActRow.vue'
import type { AssemblyRun, GestureSent } from './useAssembly'

/** The drain of a mains element: with protective earth at both ends, or off at both. */
const props = defineProps<{ drain: NonNullable<AssemblyRun['drain']>; busy: boolean }>()
const emit = defineEmits<{ gesture: [GestureSent] }>()
const stands = computed(() => {
  switch (props.drain.joined.length) {
    case 0:
      return 'It is joined at neither end.'
    case 1:
      return `It is joined at end ${props.drain.joined[0]} alone.`
    default:
      return 'It is joined at both ends.'
  }
})
</script>

<template>
  <section class="drain" aria-label="Drain of the mains">
    <h2>Drain of the mains</h2>
    <p>It belongs to protective earth at both ends. {{ stands }}</p>
    <p class="note check">{{ drain.caution }}</p>
    <p v-for="words in drain.against" :key="words" class="note failed">{{ words }}</p>
    <ActRow :busy="busy">
      <v-btn
        v-if="drain.joined.length < 2"
        :disabled="busy || drain.against.length > 0"
        @click="emit('gesture', { kind: 'earth-drain' })">With earth, at both ends</v-btn>
      <v-btn
        variant="tonal"
        @click="emit('gesture', { kind: 'earth-drain', reason: 'cut off' })">Cut off, at both ends</v-btn>
    </ActRow>
  </section>
</template>

<style scoped>
.drain p {
  margin: 3px 0;
  font-size: 13px;
}
</style>
