<script setup lang="ts">
import { useRoute } from 'vue-router'

const route = useRoute()
const tabs = [
  ['/handover', 'Ready?'],
  ['/handover/releases', 'Releases'],
  ['/handover/overtaken', 'Overtaken'],
  ['/handover/pack', 'Pack'],
  ['/handover/service', 'In service'],
] as const
</script>

<template>
  <nav class="tabs" aria-label="Hand-over"><router-link
    v-for="[path, name] in tabs"
    :key="path"
    :to="path"
    :aria-current="route.path === path ? 'page' : undefined">{{ name }}</router-link></nav>
</template>

<style scoped>
@media (max-width: 700px) {
  .tabs {
    overflow-x: auto;
    max-width: 100%;
  }
  .tabs a {
    white-space: nowrap;
    padding-inline: 8px;
  }
}
</style>
