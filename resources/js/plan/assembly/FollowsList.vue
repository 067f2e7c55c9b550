<script setup lang="ts">
import type { Follows } from './useAssembly'

/** What would come of it; nothing is saved yet. */
defineProps<{ follows: Follows }>()
const FEW = 8
</script>

<template>
  <section aria-label="What follows" aria-live="polite">
    <h2>What follows</h2>
    <p v-if="!follows.cores.length && !follows.connectors.length" class="quiet">No core moves.</p>
    <p v-for="words in follows.connectors" :key="words">{{ words }}</p>
    <table v-if="follows.cores.length" class="lines">
      <tbody><tr v-for="core in follows.cores.slice(0, FEW)" :key="core.end + core.core">
        <td><span class="quiet">{{ core.end }}</span> {{ core.core }}</td>
        <td><s v-if="core.was" class="quiet">{{ core.was }}</s> {{ core.becomes || 'unjoined' }}</td></tr></tbody>
    </table>
    <p v-if="follows.cores.length > FEW" class="quiet">and {{ follows.cores.length - FEW + follows.more }} more</p>
    <p
      v-for="finding in follows.findings"
      :key="finding.words"
      class="note"
      :class="finding.severity">{{ finding.words }} {{ finding.remedy }}</p>
    <p v-if="follows.solved" class="note good">{{ follows.solved }} {{ follows.solved === 1 ? 'finding is'
      : 'findings are' }} settled by it.</p>
  </section>
</template>

<style scoped>
p {
  margin: 4px 0;
  font-size: 13px;
}
</style>
