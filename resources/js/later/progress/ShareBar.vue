<script setup lang="ts">
/** A share as a bar, with its words beside: the bar says nothing that they do not. */
defineProps<{ share: number }>()
</script>

<template>
  <span class="bar" aria-hidden="true"><span :style="{ width: `${Math.min(100, 100 * share)}%` }" /></span>
</template>

<style scoped>
.bar {
  display: inline-block;
  width: min(120px, 18vw);
  height: 9px;
  border-radius: 3px;
  background: var(--panel);
  overflow: hidden;
  vertical-align: middle;
  print-color-adjust: exact;
}
.bar span {
  display: block;
  height: 100%;
  background: var(--verdigris);
}
</style>
