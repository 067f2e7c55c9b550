<script setup lang="ts">
import type { CableCut } from '../../api/progress'
import { far } from '../../ui/units'
import { many } from '../../ui/words'
import { behind, wordsOf } from './behind'
import ShareBar from './ShareBar.vue'

defineProps<{ cables: CableCut[] }>()
</script>

<template>
  <section>
    <h2>Cable off the reel</h2>
    <p v-if="cables.length === 0" class="quiet">Nothing is to be cut.</p>
    <table v-else class="lines">
      <thead><tr><th>Cable</th><th /><th>Cut</th><th>Wanted</th></tr></thead>
      <tbody><tr v-for="each in cables" :key="each.cable">
        <td><router-link :to="behind(wordsOf('cable', each.cable), 'cut', each.cut < each.wanted)">{{ each.cable
        }}</router-link> <small class="quiet">{{ many(each.runs, 'run') }}</small></td>
        <td><ShareBar :share="each.wanted === 0 ? 0 : each.cut / each.wanted" /></td>
        <td class="mono">{{ far(each.cut) }}</td><td class="mono">{{ far(each.wanted) }}</td></tr></tbody>
    </table>
  </section>
</template>

<style scoped>
td.mono {
  white-space: nowrap;
}
</style>
