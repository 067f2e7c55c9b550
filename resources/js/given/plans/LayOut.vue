<script setup lang="ts">
import { ref } from 'vue'
import type { Catalogue } from '../../api/types'

/** Lays channels by column or row, in blocks. */
defineProps<{ signals: Catalogue['signals']; busy: boolean }>()
const emit = defineEmits<{
  lay: [wanted: { signal: string; channels: number; order: string; first: string; block: number }]
  paste: []
}>()
const signal = ref('analogue')
const channels = ref('24')
const order = ref('columns')
const first = ref('')
const block = ref('6')
const lay = () =>
  emit('lay', {
    signal: signal.value,
    channels: Number(channels.value),
    order: order.value,
    first: first.value.trim(),
    block: Number(block.value) || 0,
  })
</script>

<template>
  <form class="lay" aria-label="Lay out" @submit.prevent="lay">
    <v-select v-model="signal" label="Signal" :items="signals" item-title="name" item-value="id" />
    <v-text-field v-model="channels" label="Channels" inputmode="numeric" />
    <v-select
      v-model="order"
      label="Laid by"
      :items="[{ value: 'columns', title: 'column' }, { value: 'rows', title: 'row' }]" />
    <v-text-field v-model="first" label="From" placeholder="A1" />
    <v-text-field v-model="block" label="Block of" inputmode="numeric" />
    <p><v-btn
      type="submit"
      color="primary"
      variant="outlined"
      :loading="busy">Lay out</v-btn> <v-btn
        variant="text"
        color="primary"
        @click="emit('paste')">Paste a table</v-btn></p>
  </form>
</template>

<style scoped>
.lay {
  display: grid;
  grid-template-columns: 1fr 1.5fr 1fr 1fr;
  gap: 8px;
  margin-bottom: 10px;
  align-items: center;
}
.lay > :first-child {
  grid-column: 1 / -1;
}
.lay > p {
  grid-column: 1 / -1;
}
.lay p {
  margin: 0;
  white-space: nowrap;
}
</style>
