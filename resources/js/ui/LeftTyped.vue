<script setup lang="ts">
import type { Left } from './typed'
import { when } from './dates'

/** Something was typed here and not saved: it is offered. */
defineProps<{ left: Left<object> | null; what?: string }>()
defineEmits<{ take: []; drop: [] }>()
</script>

<template>
  <p
    v-if="left"
    class="left"
    role="status">You left something unsaved here, {{ when(left.at) }}{{ what ? ': ' : '.' }}<span
      v-if="what"
      class="mono">{{ what }}</span>
    <v-btn size="small" variant="outlined" color="primary" @click="$emit('take')">Take it up</v-btn>
    <v-btn size="small" variant="text" @click="$emit('drop')">Throw it away</v-btn></p>
</template>

<style scoped>
.left {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  align-items: center;
  margin: 4px 0;
  padding: 6px 10px;
  border-left: 3px solid var(--copper);
  background: var(--panel);
  font-size: 13px;
}
</style>
