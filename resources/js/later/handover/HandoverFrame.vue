<script setup lang="ts">
import HandoverTabs from './HandoverTabs.vue'
import BeingMade from '../../ui/BeingMade.vue'

/** The frame that every page of the hand-over shares. */
defineProps<{ problem: string; said?: string; loading: boolean }>()
</script>

<template>
  <main class="page">
    <header><h1>Hand-over</h1><HandoverTabs /></header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <p v-else-if="said" class="note good" role="status">{{ said }}</p>
    <BeingMade v-if="loading" />
    <div class="body"><slot /></div>
  </main>
</template>

<style scoped>
.page {
  height: 100%;
  overflow: auto;
  padding-bottom: 30px;
}
header {
  display: flex;
  align-items: center;
  gap: 14px;
  padding: 8px 16px;
  border-bottom: 1px solid var(--line);
  position: sticky;
  top: 0;
  background: var(--paper);
  z-index: 1;
  flex-wrap: wrap;
}
.body {
  padding: 12px 16px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 14px;
  max-width: 1060px;
}
.note {
  margin: 8px 16px;
}
</style>
