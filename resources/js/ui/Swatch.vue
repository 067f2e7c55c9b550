<script setup lang="ts">
import { computed } from 'vue'
import { code, hex } from './colours'

const props = defineProps<{ colour: string }>()
const parts = computed(() => props.colour.split('/'))
</script>

<template>
  <span class="swatch" :title="colour">
    <svg width="26" height="10" viewBox="0 0 26 10" aria-hidden="true">
      <rect
        x="0.5"
        y="0.5"
        width="25"
        height="9"
        rx="2"
        :fill="hex(parts[0] ?? '')"
        stroke="currentColor"
        stroke-opacity="0.55" />
      <path v-if="parts[1]" d="M4 9.5L9 0.5H12L7 9.5Z M14 9.5L19 0.5H22L17 9.5Z" :fill="hex(parts[1])" />
    </svg>
    <span class="code">{{ code(colour) }}</span>
  </span>
</template>

<style scoped>
.swatch {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  white-space: nowrap;
}
.code {
  font-family: var(--mono);
  font-size: 12px;
}
</style>
