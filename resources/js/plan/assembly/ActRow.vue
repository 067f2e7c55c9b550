<script setup lang="ts">
import { computed } from 'vue'

/** Presses side by side, all alike; none of them while something is under way. */
const props = defineProps<{ busy: boolean }>()
const defaults = computed(() => ({
  VBtn: { size: 'small', variant: 'outlined', color: 'primary', disabled: props.busy },
}))
</script>

<template>
  <v-defaults-provider :defaults="defaults">
    <div class="acts"><slot /></div>
  </v-defaults-provider>
</template>

<style scoped>
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 6px 0;
}
@media (max-width: 700px) {
  .acts :deep(.v-btn) {
    min-height: 48px;
  }
}
</style>
