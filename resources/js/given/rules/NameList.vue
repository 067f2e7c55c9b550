<script setup lang="ts">
import type { Few } from '../../api/types'

/** Codes that never break across a line. */
defineProps<{ few: Few }>()
</script>

<template>
  <span class="mono"><template
                       v-for="(name, i) in few.names"
                       :key="name">
                       <span class="whole">{{ name }}{{ i < few.names.length - 1 ? ','
                         : '' }}</span>{{ ' ' }}</template>
    <template v-if="few.count > few.names.length">…</template></span>
</template>

<style scoped>
.whole {
  white-space: nowrap;
}
</style>
