<script setup lang="ts">
import { api } from '../../api/client'
import type { SheetLeg } from '../../api/types'
import { useAttempt } from '../../ui/attempt'
import { short } from '../../ui/units'
import WorkedSum from '../../ui/WorkedSum.vue'

/** Sleeving over these legs, each by itself: none, whichever goes round, or one that somebody chose. */
const props = defineProps<{
  run: string
  side: string
  version: number
  legs: string[]
  sleeving: NonNullable<SheetLeg['sleeving']>
  may: boolean
}>()
const emit = defineEmits<{ changed: [] }>()
const NONE = '-'
const { problem, busy, attempt } = useAttempt()
const choose = (chosen: string) =>
  attempt(async () => {
    await api.put(`runs/${props.run}/ends/${props.side}/sleeve`, {
      legs: props.legs,
      sleeved: chosen !== NONE,
      sleeve: chosen === NONE ? '' : chosen,
      version: props.version,
    })
    emit('changed')
  })
</script>

<template>
  <div v-if="may || sleeving.chosen !== null" class="sleeving">
    <label>{{ legs.length > 1 ? 'Sleeve over each of these legs' : 'Sleeve over this leg' }} <select
      :value="sleeving.chosen ?? NONE"
      :disabled="busy || !may"
      @change="choose(($event.target as HTMLSelectElement).value)">
      <option :value="NONE">none of its own</option>
      <option v-if="sleeving.offered.length" value="">whichever goes round it</option>
      <option v-for="each in sleeving.offered" :key="each.id" :value="each.id">{{ each.name }}</option>
      <option
        v-if="sleeving.chosen && !sleeving.offered.some(each => each.id === sleeving.chosen)"
        :value="sleeving.chosen">{{ sleeving.chosen }}, which does not go round it</option></select></label>
    <details v-if="sleeving.cut">
      <summary>{{ sleeving.name }}, cut to <b class="mono">{{ short(sleeving.cut.result) }}</b></summary>
      <WorkedSum :worked="sleeving.cut" fine />
      <p
        v-if="sleeving.ends"
        class="quiet">Its ends are held with two short pieces of {{ sleeving.ends }}.</p></details>
    <p v-else-if="sleeving.opening" class="quiet">It is sleeved while the cable is opened, with {{
      sleeving.chosen ? 'what was chosen' : 'whichever goes round it' }}.</p>
    <p v-else-if="sleeving.chosen !== null" class="quiet">The leg has no length of its own yet: nothing of it is
      sleeved.</p>
    <p v-else-if="!sleeving.offered.length" class="quiet">No sleeve of the catalogue goes round such a leg.</p>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped src="../../ui/inline.css" />
<style scoped>
.sleeving {
  margin: 8px 0;
  font-size: 13px;
}
p {
  margin: 2px 0;
}
select {
  max-width: 100%;
}
</style>
