<script setup lang="ts">
/** While something is on its way; what takes long says why, and that it will come. */
import { useTimeoutFn } from '@vueuse/core'
import { shallowRef } from 'vue'

const { of = '' } = defineProps<{ of?: string }>()
/** ms without a word. */
const SHORT = 3000
const LONG = 20_000
const words = shallowRef('')
useTimeoutFn(() => {
  words.value =
    'Being worked out anew, as after something was decided. It is kept then, and comes at once from there on.'
}, SHORT)
useTimeoutFn(() => {
  words.value =
    'This installation is large: it can take a minute or two. You need not wait here; it goes on, and is kept.'
}, LONG)
</script>

<template>
  <div role="status">
    <v-progress-linear indeterminate color="primary" :aria-label="of ? `Loading ${of}` : 'Loading'" />
    <p v-if="words" class="words">{{ words }}</p>
  </div>
</template>

<style scoped>
.words {
  margin: 12px 16px;
  color: var(--slate);
}
</style>
