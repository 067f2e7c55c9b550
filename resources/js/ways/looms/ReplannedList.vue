<script setup lang="ts">
import { computed } from 'vue'
import type { Replanned } from '../../api/looms'
import { inWords } from '../../ui/units'

/** What became otherwise in the cut plan. */
const props = defineProps<{ changes: Replanned }>()
const nothing = computed(
  () => props.changes.moved.length === 0 && props.changes.again.length === 0 && props.changes.bought.length === 0,
)
</script>

<template>
  <div class="replanned">
    <p v-if="nothing" class="quiet">The other cuts stay on their reels.</p>
    <p v-if="changes.again.length"><b>To be cut again:</b> <span class="mono">{{ changes.again.join(', ') }}</span></p>
    <ul v-if="changes.moved.length"><li
      v-for="each in changes.moved"
      :key="each.code">
      <b class="mono">{{ each.code }}</b> comes off {{ inWords(each.to) }} instead of {{ inWords(each.from) }}</li></ul>
    <p
      v-for="each in changes.bought"
      :key="each.cable">{{ each.cable }}: {{ Math.abs(each.reels) }} {{ Math.abs(each.reels) === 1 ? 'reel'
        : 'reels' }} {{ each.reels > 0 ? 'more' : 'fewer' }} to buy</p>
  </div>
</template>

<style scoped>
.replanned {
  font-size: 13px;
}
.replanned p {
  margin: 4px 0;
}
ul {
  margin: 4px 0;
  padding-left: 18px;
}
</style>
