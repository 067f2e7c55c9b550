<script setup lang="ts">
import { computed } from 'vue'
import type { Impact, PartToBuy, Remedy } from '../../api/change'
import FigureSum from '../../ui/FigureSum.vue'
import { inWords } from '../../ui/units'
import RunOvertaken from './RunOvertaken.vue'

/** What a change overtakes: the sum of the cheapest remedies first, then run by run. */
const props = defineProps<{ impact: Impact; looking?: boolean }>()
const emit = defineEmits<{ look: [] }>()
defineSlots<{ default(slot: { remedy: Remedy; run: string }): unknown }>()
const parts = computed(() => props.impact.parts.filter(part => part.needed.value === null || part.needed.value > 0))
const shelf = (part: PartToBuy) =>
  part.packs > 0
    ? `${part.packs} ${part.packs === 1 ? 'pack' : 'packs'} to order`
    : part.stock > 0
      ? 'on the shelf'
      : ''
const SHOWN = 6
</script>

<template>
  <div class="impact">
    <dl class="sum">
      <div><dt>no longer {{ impact.count === 1 ? 'fits' : 'fit' }}</dt>
        <dd>{{ impact.count }} <small>on {{ impact.runsCount }} {{ impact.runsCount === 1 ? 'run' : 'runs' }}</small>
        </dd></div>
      <div><dt>cheapest remedies, work</dt><dd><FigureSum :figure="impact.minutes" strong /></dd></div>
      <div><dt>and cost</dt><dd><FigureSum :figure="impact.cost" strong /></dd></div>
      <div><dt>parts to have</dt><dd><details v-if="parts.length">
        <summary>{{ parts.length }} {{ parts.length === 1 ? 'kind' : 'kinds' }}</summary><p
          v-for="part in parts"
          :key="part.name"
          class="part">{{ part.name }}: <FigureSum :figure="part.needed" /> <span
            v-if="shelf(part)"
            class="quiet">{{ shelf(part) }}</span></p></details><template v-else>none</template></dd></div>
    </dl>
    <p v-if="impact.isOpen" class="note check open" role="status"><strong>Left open</strong><template
      v-if="looking">All pieces are being looked through.</template><template
      v-else>Another cable’s piece may serve where one is too short. <v-btn
      size="small"
      variant="outlined"
      @click="emit('look')">Look through all pieces</v-btn></template></p>
    <RunOvertaken
      v-for="run in impact.runs"
      :key="run.id"
      :run="run"><template #default="{ remedy }"><slot :remedy="remedy" :run="run.id" /></template></RunOvertaken>
    <p
      v-if="impact.runsCount > impact.runs.length"
      class="quiet">and {{ impact.runsCount - impact.runs.length }} further runs; the sums count all of them.</p>
    <p v-if="impact.restored.length" class="note good"><strong>Fits again</strong>{{ impact.restored.join(', ') }}</p>
    <p
      v-for="finding in impact.comes.slice(0, SHOWN)"
      :key="finding.words"
      class="note"
      :class="finding.severity"><strong>New</strong>{{ inWords(finding.words) }} {{ inWords(finding.remedy) }}</p>
    <p v-if="impact.comes.length > SHOWN" class="quiet">and {{ impact.comes.length - SHOWN }} further findings</p>
  </div>
</template>

<style scoped>
.sum {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 34px;
  margin: 0 0 10px;
}
dt {
  font-size: 12px;
  color: var(--slate);
}
dd {
  margin: 0;
  font: 600 17px var(--mono);
}
dd small {
  font: 400 12.5px var(--sans, inherit);
  color: var(--slate);
}
dd details {
  font: 400 13px inherit;
}
dd summary {
  cursor: pointer;
  font-weight: 600;
}
.part {
  margin: 3px 0;
  display: flex;
  gap: 8px;
  align-items: baseline;
}
</style>
