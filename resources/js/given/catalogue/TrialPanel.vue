<script setup lang="ts">
import { computed } from 'vue'
import type { Trial } from '../../api/types'
import { short } from '../../ui/units'

/** The end after the step in hand, on one of those that it would be made on; and what is not right with any of them. */
const props = defineProps<{ trial: Trial | null; trying: boolean }>()
const end = defineModel<number>('end', { required: true })
const src = computed(() =>
  props.trial?.picture ? `data:image/svg+xml;charset=utf-8,${encodeURIComponent(props.trial.picture)}` : '',
)
const right = computed(() => props.trial?.ends.filter(each => each.right).length ?? 0)
const choices = computed(() =>
  (props.trial?.ends ?? []).map((each, value) => ({
    value,
    title: `${each.right ? '' : 'not right: '}${each.name}`,
  })),
)
/** Each stands at its step as well: here are the first, from which the others mostly follow. */
const FIRST = 2
const all = computed(() => props.trial?.ends[end.value]?.wrong ?? [])
const wrong = computed(() => all.value.slice(0, FIRST))
</script>

<template>
  <div class="trial" :aria-busy="trying">
    <v-select
      v-if="choices.length"
      v-model="end"
      :items="choices"
      label="Tried on"
      hide-details />
    <figure v-if="src"><img :src="src" alt="The end after the step in hand, to scale"></figure>
    <p v-if="trial && trial.ends.length === 0" class="note check">No end here or in the catalogue is made by it: nothing
      to try it on. Say in which connectors it is followed, and instead of which.</p>
    <p v-else-if="trial" :class="['sum', right === trial.ends.length ? 'good' : 'bad']" role="status">
      Right on {{ right }} of {{ trial.ends.length }} ends<template v-if="trial.used"> · this one uses up
        {{ short(trial.used) }}</template></p>
    <ul v-if="wrong.length" class="wrong" aria-label="What is not right on this end">
      <li v-for="each in wrong" :key="each">{{ each }}</li>
      <li v-if="all.length > wrong.length">and {{ all.length - wrong.length }} more, each at its step</li>
    </ul>
    <ul v-if="trial?.locked.length" class="wrong" aria-label="What secures somebody’s life">
      <li v-for="each in trial.locked" :key="each">{{ each }}</li>
    </ul>
  </div>
</template>

<style scoped>
figure {
  margin: 8px 0;
  background: #fff;
  border: 1px solid var(--line);
  border-radius: 4px;
}
img {
  display: block;
  width: 100%;
}
.sum {
  margin: 6px 0;
  font-weight: 600;
}
.good {
  color: var(--verdigris);
}
.bad {
  color: var(--flux);
}
.wrong {
  margin: 0 0 8px;
  padding-left: 18px;
  font-size: 13px;
}
</style>
