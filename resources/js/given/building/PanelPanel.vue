<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Panel } from '../../api/building'
import { inWords, length, short } from '../../ui/units'
import WorkedSum from '../../ui/WorkedSum.vue'
import { many } from '../../ui/words'
import PanelDrawing from './PanelDrawing.vue'
import WhyNote from '../../plan/why/WhyNote.vue'

const props = defineProps<{ panel: Panel; place: string; edits: boolean }>()
defineEmits<{ edit: []; remove: [] }>()
const chosen = ref('')
const tail = computed(() =>
  props.panel.tails.find(each => each.place === (chosen.value || props.panel.tails[0]?.place)),
)
const longest = computed(
  () => [...props.panel.tails].sort((a, b) => Number.parseFloat(b.tail.result) - Number.parseFloat(a.tail.result))[0],
)
</script>

<template>
  <section>
    <h1>{{ panel.part.name }}</h1>
    <p class="quiet">{{ place }} · {{ many(panel.part.rows, 'row') }} of {{ panel.part.columns }} · tails cut
      {{ panel.part.tails === 'graded'
        ? 'graded, each to its place' : 'equal, each like the longest' }}</p>
    <p v-if="edits" class="acts"><v-btn
      size="small"
      variant="outlined"
      color="primary"
      @click="$emit('edit')">Edit</v-btn><v-btn
        size="small"
        variant="text"
        color="error"
        @click="$emit('remove')">Remove</v-btn></p>
    <WhyNote kind="tail-panel" :of="panel.part.id" :name="panel.part.name" />
    <PanelDrawing :panel="panel" :chosen="tail?.place ?? ''" @choose="place => chosen = place" />
    <p class="quiet small">From behind. Numbers: the order in which places are filled, the middle rows first. Green:
      taken.</p>
    <p
      v-if="longest"
      class="line">Longest tail <b class="mono">{{ short(longest.tail.result) }}</b> at {{ longest.place }}</p>
    <template v-if="tail"><h2>Tail to {{ tail.place }}{{ tail.fitting ? `, ${tail.fitting}` : ', free' }}</h2><WorkedSum
      :worked="tail.tail"
      fine /></template>
    <p
      v-if="panel.climb"
      class="quiet small">In its rack: {{ length(panel.climb.amount) }}, {{ inWords(panel.climb.detail) }}
      ({{ panel.climb.source }}).</p>
  </section>
</template>

<style scoped>
.small {
  font-size: 12px;
}
.line {
  margin: 8px 0 0;
}
</style>
